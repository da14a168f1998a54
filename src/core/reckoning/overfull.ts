import type { Tag } from "../material/tags";
import type { ReadStep } from "../plan/read-plan";
import { type Asked, askedOfVessel } from "./fullest";
import type { Program } from "./program";

/** How full a vessel may be, as a share of its brim: at rest, at a simmer, boiling with sugar in it, under pressure, under pressure with what foams. */
const ROOM = { rest: 1, simmer: 0.9, syrup: 3 / 4, pressure: 2 / 3, foam: 1 / 2 } as const;
/** Share of sugar by weight from which a boil rises. */
const SYRUP_RISES = 0.4;
const FOAMING: readonly Tag[] = ["mucilage", "fibre"];

/** Whether anything in the pot foams: fruit and berries, what is slimy, what swells. */
export const foams = (p: Program): boolean =>
  p.lines.some(
    (l) =>
      l.stage === "jar" &&
      (FOAMING.some((t) => l.stuff.tags.includes(t)) ||
        l.stuff.class === "berry" ||
        l.stuff.class === "fruit"),
  );

function roomFor(does: ReadStep["do"], sugar: number, p: Program): number {
  switch (does) {
    case "pressure":
      return foams(p) ? ROOM.foam : ROOM.pressure;
    case "simmer":
    case "reduce":
      return sugar >= SYRUP_RISES ? ROOM.syrup : ROOM.simmer;
    case "add":
    case "steep":
    case "strain":
    case "cool":
    case "bottle":
      return ROOM.rest;
  }
}

/** A step that wants more room than its vessel has. */
export interface Overfull {
  readonly asked: Asked;
  /** How full the vessel may be for it, as a share of its brim. */
  readonly room: number;
  /** It comes over the brim, not only above where it may rise. */
  readonly runsOver: boolean;
}

/** The first step that runs over, else the first that leaves too little for what rises; nothing where all have room. */
export function overfullOf(p: Program): Overfull | undefined {
  if (!p.vessel) return undefined;
  const { brimMl } = p.vessel.solid;
  const all = askedOfVessel(p).map((asked) => ({ asked, room: roomFor(asked.do, asked.sugar, p) }));
  const over = all.find((x) => x.asked.fullestMl > brimMl * ROOM.rest);
  if (over) return { ...over, runsOver: true };
  const tight = all.find((x) => x.asked.fullestMl > brimMl * x.room);
  return tight && { ...tight, runsOver: false };
}
