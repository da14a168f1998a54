"use client";
import { X } from "lucide-react";
import { ICE_WANTS } from "@/core/journal/odd";
import { VESSELS, isFilledInto, offeredIn } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import { vesselWords } from "@/core/vessel/vessel";
import { useUnits } from "../kit/units";
import { type Substance } from "../figures/substance";
import { VesselFigure } from "../figures/vessel";

export interface Row {
  readonly id: string;
  readonly vessel: string;
  readonly ml: number;
  readonly place: "cupboard" | "fridge" | "freezer";
  /** The very jar it was made in. */
  readonly same?: true;
}

export const PLACES = [
  ["cupboard", "cupboard"],
  ["fridge", "fridge"],
  ["freezer", "ice box"],
] as const;

/** The bottle in another place; one for the ice box is filled no fuller than ice lets it be. */
function placed(row: Row, place: Row["place"]): Row {
  const most = Math.floor(VESSELS.get(row.vessel)!.solid.brimMl * (1 - ICE_WANTS));
  return { ...row, place, ml: place === "freezer" ? Math.min(row.ml, most) : row.ml };
}

interface Props {
  readonly row: Row;
  readonly nth: number;
  /** mL not yet poured. */
  readonly left: number;
  readonly wrong: boolean;
  readonly change: (f: (row: Row) => Row, typed?: string) => void;
  readonly remove: () => void;
}

/** The bottle at its scale, as full as it will be. */
export function BottleDrawn({ row: x, scale, of }: { row: Row; scale: number; of: Substance }) {
  const v = VESSELS.get(x.vessel)!;
  const toCm = heightAt(v.solid, Math.min(v.solid.brimMl, x.ml || 0));
  return (
    <VesselFigure
      profile={v.solid.profile}
      layers={toCm > 0 ? [{ fromCm: 0, toCm, substance: of }] : []}
      lid={v.lid}
      scale={scale}
      title={v.name}
    />
  );
}

/** What a touch of the bottle does: filled to its line, or poured back where it is that full. */
function touched(row: Row, left: number, least: number): Row {
  const v = VESSELS.get(row.vessel)!;
  const there = Number.isFinite(row.ml) ? row.ml : 0;
  const full = Math.min(v.fillMl, there + Math.max(0, left));
  if (there > 0 && full <= there + least / 2) return { ...row, ml: 0 };
  return placed({ ...row, ml: least === 1 ? Math.round(full) : full }, row.place);
}

/** The bottle on its board: one touch fills it, another pours it back. */
export function StandingBottle({
  row,
  nth,
  left,
  change,
  scale,
  of,
}: Omit<Props, "remove" | "wrong"> & { scale: number; of: Substance }) {
  const { jug } = useUnits();
  const isFull = row.ml > 0 && touched(row, left, jug.ml).ml === 0;
  return (
    <button
      type="button"
      aria-label={`Bottle ${nth + 1}: ${isFull ? "pour it back" : "fill it"}`}
      className="min-w-11 min-h-11 inline-flex items-end justify-center hover:bg-glaze"
      onClick={() => change((y) => touched(y, left, jug.ml))}
    >
      <BottleDrawn row={row} scale={scale} of={of} />
    </button>
  );
}

/** Under the bottle: which size, how much in it, where it will stand. */
export function BottleFields({ row: x, nth, left, wrong, change, remove }: Props) {
  const units = useUnits();
  const called = `Bottle ${nth + 1}`;
  const { jug } = units;
  const size = (vessel: string): void =>
    change((y) => {
      const ml = Math.min(VESSELS.get(vessel)!.fillMl, Math.max(1, left + y.ml));
      const { same: _, ...rest } = y;
      return { ...rest, vessel, ml: jug.ml === 1 ? Math.round(ml) : ml };
    });
  return (
    <div className="text-[1.0625rem] max-w-full">
      <span className="whitespace-nowrap">
        <input
          aria-label={`${called}: ${jug.words}`}
          type="number"
          min="0"
          step="any"
          className="stitch w-16 text-right min-h-11 text-[1.25rem]"
          value={Number.isFinite(x.ml) ? Number((x.ml / jug.ml).toFixed(jug.ml === 1 ? 0 : 2)) : ""}
          aria-invalid={wrong}
          onChange={(e) =>
            change(
              (y) => ({ ...y, ml: e.target.value === "" ? NaN : Number(e.target.value) * jug.ml }),
              `${x.id} ml`,
            )
          }
        />{" "}
        {jug.words}
        <button
          type="button"
          aria-label={`Take out bottle ${nth + 1}`}
          className="min-w-11 min-h-11 inline-grid place-items-center text-ash hover:text-rust align-middle"
          onClick={remove}
        >
          <X size={18} />
        </button>
      </span>
      <select
        aria-label={called}
        className="stitch block min-h-11 max-w-full"
        value={x.vessel}
        onChange={(e) => size(e.target.value)}
      >
        {offeredIn(units.market, x.vessel)
          .filter((s) => isFilledInto(s) || s.id === x.vessel)
          .map((s) => (
            <option key={s.id} value={s.id}>
              {vesselWords(s)}
            </option>
          ))}
      </select>
      <select
        aria-label={`${called}: place`}
        className="stitch block min-h-11"
        value={x.place}
        aria-invalid={wrong}
        onChange={(e) => change((y) => placed(y, e.target.value as Row["place"]))}
      >
        {PLACES.map(([id, words]) => (
          <option key={id} value={id}>
            {words}
          </option>
        ))}
      </select>
      {x.same && <p className="quiet">The jar it was made in.</p>}
      {x.place === "freezer" && <p className="quiet">A tenth is left empty for the ice.</p>}
    </div>
  );
}
