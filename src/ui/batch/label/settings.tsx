import type { LabelSort } from "@/core/label/sorts";
import { useUnits } from "../../kit/units";
import { SHEETS, type Sheet } from "./sheets";

/** How the labels are printed, as it was chosen. */
export interface Setting {
  readonly size: string;
  readonly sheet: Sheet;
  readonly start: string;
}

/** Size, sheet, and the cell to begin at. */
export function Settings({
  sort,
  sizes,
  said,
  each,
  wrong,
  say,
}: {
  sort: LabelSort;
  sizes: readonly string[];
  said: Setting;
  each: number;
  wrong: boolean;
  say: (to: Partial<Setting>) => void;
}) {
  const units = useUnits();
  const sizeWords = (s: string): string[] =>
    s
      .split("x")
      .map((mm) => String(Number((Number(mm) / units.ruler.mm).toFixed(units.ruler.mm === 1 ? 0 : 1))));
  return (
    <>
      <p>
        <label className="quiet block" htmlFor="size">
          label, {units.ruler.words}
        </label>
        <select id="size" className="field" value={said.size} onChange={(e) => say({ size: e.target.value })}>
          {sizes.map((s) => (
            <option key={s} value={s}>
              {sort === "lid" ? `${sizeWords(s)[0]} round` : sizeWords(s).join(" by ")}
            </option>
          ))}
        </select>
      </p>
      <p>
        <label className="quiet block" htmlFor="sheet">
          on
        </label>
        <select
          id="sheet"
          className="field"
          value={said.sheet}
          onChange={(e) => say({ sheet: e.target.value as Sheet })}
        >
          {SHEETS[units.market].map(([of, words]) => (
            <option key={of} value={of}>
              {words}
            </option>
          ))}
          <option value="single">single labels</option>
        </select>
      </p>
      {said.sheet !== "single" && (
        <p>
          <label className="quiet block" htmlFor="start">
            first free label on the sheet, of {each}
          </label>
          <input
            id="start"
            type="number"
            min="1"
            max={each}
            className="field w-24"
            value={said.start}
            aria-invalid={wrong}
            aria-describedby={wrong ? "start-wrong" : undefined}
            onChange={(e) => say({ start: e.target.value })}
          />
        </p>
      )}
    </>
  );
}
