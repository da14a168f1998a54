import type { savedBy } from "@/core/cellar/saved";
import type { Measures } from "@/core/reading/measures";
import { printMoney } from "@/core/stores/cost";
import { agree, listed } from "@/core/words";

/** What a year's bottles saved against a shop: only where a shop's price is kept, and never more than is known. */
export function Saved({
  of,
  currency,
  measures: units,
}: {
  of: ReturnType<typeof savedBy>;
  currency: string;
  measures: Measures;
}) {
  if (of.rows.length === 0) return null;
  const unpriced = [...new Set(of.rows.flatMap((r) => r.unpriced))];
  return (
    <section aria-labelledby="saved" className="pt-8 max-w-3xl">
      <h2 id="saved" className="ruled-head">
        Against the shop, this last year
      </h2>
      <ul>
        {of.rows.map((r) => (
          <li key={r.name} className="flex flex-wrap justify-between gap-x-4 py-1.5 border-b border-rule">
            <span>
              <strong>{r.name}</strong> {units.volumeExact(r.ml)}
            </span>
            <span>
              a shop asks {printMoney(r.shop, currency)}, yours came to {printMoney(r.cost, currency)}
            </span>
          </li>
        ))}
      </ul>
      <p className="pt-1" data-testid="saved">
        <strong>
          {of.saved < 0
            ? `${printMoney(-of.saved, currency)} dearer than the shop.`
            : `${unpriced.length > 0 ? "At most" : "About"} ${printMoney(of.saved, currency)} saved, once it is all used.`}
        </strong>{" "}
        <span className="quiet">
          {unpriced.length > 0
            ? `Without ${listed(unpriced)}, which ${agree(unpriced.length, "has", "have")} no price. `
            : ""}
          Heat, glass and your afternoons are not counted.
        </span>
      </p>
    </section>
  );
}
