"use client";
import { X } from "lucide-react";
import { ICE_WANTS } from "@/core/journal/odd";
import { VESSELS, isFilledInto, offeredIn } from "@/core/vessel/catalogue";
import { heightAt } from "@/core/vessel/profile";
import { vesselWords } from "@/core/vessel/vessel";
import { useUnits } from "../kit/units";
import { VesselFigure } from "../figures/vessel";

export interface Row {
  readonly id: string;
  readonly vessel: string;
  readonly ml: number;
  readonly place: "cupboard" | "fridge" | "freezer";
  /** The very jar it was made in. */
  readonly same?: true;
}

const PLACES = [
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
  readonly change: (f: (row: Row) => Row) => void;
  readonly remove: () => void;
}

/** The bottle itself, as full as it will be. */
function Drawn({ row: x }: { row: Row }) {
  const v = VESSELS.get(x.vessel)!;
  const toCm = heightAt(v.solid, Math.min(v.solid.brimMl, x.ml || 0));
  return (
    <span className="w-16 grid place-items-center">
      <VesselFigure
        profile={v.solid.profile}
        layers={[{ fromCm: 0, toCm, substance: "decoction" }]}
        lid={v.lid}
        scale={3}
        title={v.name}
      />
    </span>
  );
}

/** Which size, how much in it, where it will stand. */
function Fields({ row: x, nth, left, wrong, change }: Omit<Props, "remove">) {
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
    <>
      <select
        aria-label={called}
        className="stitch min-h-11"
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
      <span className="whitespace-nowrap">
        <input
          aria-label={`${called}: ${jug.words}`}
          type="number"
          min="0"
          step="any"
          className="stitch w-20 text-right min-h-11"
          value={Number.isFinite(x.ml) ? Number((x.ml / jug.ml).toFixed(jug.ml === 1 ? 0 : 2)) : ""}
          aria-invalid={wrong}
          onChange={(e) =>
            change((y) => ({ ...y, ml: e.target.value === "" ? NaN : Number(e.target.value) * jug.ml }))
          }
        />{" "}
        {jug.words}
      </span>
      <select
        aria-label={`${called}: place`}
        className="stitch min-h-11"
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
    </>
  );
}

/** One bottle: which, how much, where it will stand. */
export function OneBottle({ remove, ...p }: Props) {
  return (
    <li className="border-b border-rule py-2">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1">
        <Drawn row={p.row} />
        <Fields {...p} />
        <button
          type="button"
          aria-label={`Take out bottle ${p.nth + 1}`}
          className="min-w-11 min-h-11 inline-grid place-items-center text-ash hover:text-rust"
          onClick={remove}
        >
          <X size={18} />
        </button>
      </div>
      {p.row.same && <p className="quiet">The jar it was made in.</p>}
      {p.row.place === "freezer" && <p className="quiet">A tenth is left empty for the ice.</p>}
    </li>
  );
}
