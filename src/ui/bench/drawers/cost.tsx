"use client";
import type { Cost } from "@/core/stores/cost";
import { againstShop, printMoney } from "@/core/stores/cost";
import type { Bench } from "../state";

const number = (text: string): number => Number(text.trim().replace(",", "."));
function said(x: number): string {
  if (x < 0.95) return `${Math.round(100 * x)} % of the shop’s price`;
  return x <= 1.05 ? "about the shop’s price" : `${Number(x.toFixed(1))} times the shop’s price`;
}
function priceWords(price: number | undefined, currency: string): string {
  if (price === undefined) return "no price known";
  return price === 0 ? "nothing" : printMoney(price, currency);
}

/** What it costs line by line, and beside a shop's bottle. */
export function CostDrawer({
  cost,
  currency,
  shop,
  setShop,
}: {
  cost: Cost;
  currency: string;
  shop: Bench["shop"];
  setShop: (shop: Bench["shop"]) => void;
}) {
  const price = number(shop.price);
  const ml = number(shop.ml);
  const wrongPrice =
    shop.price.trim() !== "" && !(price > 0 && price < 100_000)
      ? "Write the price as a number, like 7.50."
      : undefined;
  const wrongMl =
    shop.ml.trim() !== "" && !(ml > 0 && ml < 100_000)
      ? "Write what the bottle holds in mL, like 250."
      : undefined;
  const ratio = againstShop(cost, price, ml);
  const spread = (e: { low: number; high: number }): string =>
    `between ${printMoney(e.low, currency)} and ${printMoney(e.high, currency)}`;
  return (
    <div className="grid gap-x-10 gap-y-3 md:grid-cols-3">
      <section>
        <h3 className="ruled-head">Line by line</h3>
        <ul>
          {cost.lines.map((l, i) => (
            <li key={i} className="py-1.5 border-b border-rule flex justify-between gap-3">
              <span>{l.name}</span>
              <span className={l.price === undefined ? "text-ash" : ""}>{priceWords(l.price, currency)}</span>
            </li>
          ))}
        </ul>
        {cost.unpriced.length > 0 && (
          <p className="quiet pt-1">
            Write prices on lots in the <a href="/stores">stores</a>.
          </p>
        )}
      </section>
      <section>
        <h3 className="ruled-head">In all</h3>
        <dl className="grid grid-cols-[auto_1fr] gap-x-4">
          <dt className="py-1.5">the batch</dt>
          <dd className="py-1.5 text-right">
            <strong>{printMoney(cost.batch.value, currency)}</strong>{" "}
            <span className="quiet">{spread(cost.batch)}</span>
          </dd>
          <dt className="py-1.5">100 mL</dt>
          <dd className="py-1.5 text-right">
            <strong>{printMoney(cost.per100.value, currency)}</strong>{" "}
            <span className="quiet">{spread(cost.per100)}</span>
          </dd>
          <dt className="py-1.5">a spoon</dt>
          <dd className="py-1.5 text-right">
            <strong>{printMoney(cost.perSpoon.value, currency)}</strong>
          </dd>
        </dl>
        <p className="quiet">What goes in, at what was paid; heat, glass and an afternoon are your own.</p>
      </section>
      <section>
        <h3 className="ruled-head">Beside a shop’s bottle</h3>
        <div className="flex gap-3 pt-2">
          <p className="w-32">
            <label htmlFor="shop-price" className="quiet block">
              it costs, {currency}
            </label>
            <input
              id="shop-price"
              inputMode="decimal"
              className="field w-full"
              value={shop.price}
              maxLength={10}
              aria-invalid={wrongPrice !== undefined}
              aria-describedby={wrongPrice ? "shop-wrong" : undefined}
              onChange={(e) => setShop({ ...shop, price: e.target.value })}
            />
          </p>
          <p className="w-32">
            <label htmlFor="shop-ml" className="quiet block">
              and holds, mL
            </label>
            <input
              id="shop-ml"
              inputMode="decimal"
              className="field w-full"
              value={shop.ml}
              maxLength={10}
              aria-invalid={wrongMl !== undefined}
              aria-describedby={wrongMl ? "shop-wrong" : undefined}
              onChange={(e) => setShop({ ...shop, ml: e.target.value })}
            />
          </p>
        </div>
        {(wrongPrice || wrongMl) && (
          <p id="shop-wrong" role="alert" className="wrong pt-1">
            {wrongPrice ?? wrongMl}
          </p>
        )}
        <p className="pt-2 min-h-7" aria-live="polite" data-testid="against-shop">
          {ratio !== undefined && cost.batch.value > 0 ? `By the mL yours comes to ${said(ratio)}.` : ""}
        </p>
      </section>
    </div>
  );
}
