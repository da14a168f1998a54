"use client";
import { memo } from "react";
import { offeredIn } from "@/core/vessel/catalogue";
import {
  LIDS,
  LID_WORDS,
  type Lid,
  VESSEL_SORTS,
  type VesselSort,
  type VesselSpec,
  WARES,
  WARE_WORDS,
  type Ware,
  vesselWords,
} from "@/core/vessel/vessel";
import { useUnits } from "../kit/units";
import type { Alike } from "./vessel-choice";
import type { VesselPart } from "./vessel-pane";

const SORT_WORDS: Readonly<Record<VesselSort, string>> = {
  jar: "Any jar",
  bottle: "Any bottle",
  dropper: "Any dropper bottle",
  crock: "Any crock",
  pot: "Any pot",
  "pressure-pot": "Any pressure pot",
};
const OWN: VesselSpec = {
  id: "own",
  name: "my own jar",
  sort: "jar",
  lid: "glass",
  shape: { heightCm: 15, diameterCm: 9 },
};

function ownWords(a: Alike): string {
  const left = a.count - a.holds.length;
  if (left === 0) return `${vesselWords(a.choice.vessel)} (${a.holds.join(", ")})`;
  return `${vesselWords(a.choice.vessel)}${a.count > 1 ? ` (${left} of ${a.count})` : ""}`;
}

/** The list of vessels, the household's own first; drawn again only when the choice changes, since it is long. */
export const VesselSelect = memo(function VesselSelect({
  chosen,
  own,
  choose,
}: {
  chosen: string;
  own: readonly Alike[];
  choose: (part: VesselPart) => void;
}) {
  const pick = (value: string): void => {
    if (value === "own") return choose({ vessel: OWN });
    const mine = own.find((a) => `yours ${a.id}` === value);
    if (!mine) return choose(value ? { vessel: value } : {});
    const { named, lid, ware } = mine.choice;
    choose({ vessel: named, ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) });
  };
  const groups = [
    ["Yours, free now", own.filter((a) => a.holds.length < a.count)],
    ["Yours, working", own.filter((a) => a.holds.length === a.count)],
  ] as const;
  const { market } = useUnits();
  const sold = offeredIn(market, chosen);
  // What the household has stands above and not here again: a list that jumps back could not be gone through by key.
  const has = new Set(own.map((a) => (typeof a.choice.named === "string" ? a.choice.named : "")));
  return (
    <>
      <label className="sr-only" htmlFor="vessel-choice">
        Vessel
      </label>
      <select
        id="vessel-choice"
        className="stitch max-w-full py-0.5"
        value={chosen}
        onChange={(e) => pick(e.target.value)}
      >
        {chosen === "" && <option value="">no vessel</option>}
        {groups.map(
          ([name, mine]) =>
            mine.length > 0 && (
              <optgroup key={name} label={name}>
                {mine.map((a) => (
                  <option key={a.id} value={`yours ${a.id}`}>
                    {ownWords(a)}
                  </option>
                ))}
              </optgroup>
            ),
        )}
        {VESSEL_SORTS.map((sort) => (
          <optgroup key={sort} label={SORT_WORDS[sort]}>
            {sold
              .filter((x) => x.sort === sort && !has.has(x.id))
              .map((x) => (
                <option key={x.id} value={x.id}>
                  {vesselWords(x)}
                </option>
              ))}
          </optgroup>
        ))}
        <optgroup label="Measured">
          <option value="own">another, measured …</option>
        </optgroup>
      </select>
    </>
  );
});

/** Its lid, and what it is made of where that is in question; drawn again only when they change. */
export const LidAndWare = memo(function LidAndWare({
  lid,
  ware,
  pot,
  crock,
  setLid,
  setWare,
}: {
  lid: Lid;
  ware: Ware;
  pot: boolean;
  crock: boolean;
  setLid: (lid: Lid) => void;
  setWare: (ware: Ware) => void;
}) {
  return (
    <>
      {!pot && (
        <>
          {", "}
          <label className="sr-only" htmlFor="lid-choice">
            Lid
          </label>
          <select
            id="lid-choice"
            className="stitch py-0.5 font-normal"
            value={lid}
            onChange={(e) => setLid(e.target.value as Lid)}
          >
            {LIDS.map((l) => (
              <option key={l} value={l}>
                {LID_WORDS[l]}
              </option>
            ))}
          </select>
        </>
      )}
      {(pot || crock || ware !== "glass") && (
        <>
          {", "}
          <label className="sr-only" htmlFor="ware-choice">
            What it is made of
          </label>
          <select
            id="ware-choice"
            className="stitch py-0.5 font-normal"
            value={ware}
            onChange={(e) => setWare(e.target.value as Ware)}
          >
            {WARES.map((w) => (
              <option key={w} value={w}>
                {WARE_WORDS[w]}
              </option>
            ))}
          </select>
        </>
      )}
    </>
  );
});
