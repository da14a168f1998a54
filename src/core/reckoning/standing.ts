import type { Span } from "../estimate";
import { type WorkingVerdict, workingVerdict } from "../keeping/working";
import { hasUnknownVinegar, isHoneyAlone } from "./facts";
import { type Figures, figuresOf } from "./figures";
import { type Program, type Standing, upTo } from "./program";
import { isWet } from "../material/material";

/** Days a liquid that nothing keeps may stand at room temperature: low-acid four hours (the second stage of cooling), sour half a day. */
const FOUR_HOURS = 4 / 24;
const HALF_A_DAY = 0.5;
/** What can grow the worst: pH over 4.6 at its upper end and a_w over 0.92. */
const [SOUR_PH, DRY_AW] = [4.6, 0.92];

/** A steep of the plan and whether it may stand where it is planned. */
export interface JudgedStanding {
  readonly step: string;
  readonly days: Span;
  readonly working: WorkingVerdict;
  /** Why it may not stand as planned; nothing where it may. */
  readonly wrong: "belongs-in-the-fridge" | "too-long-for-weak-spirit" | "infusion-too-long" | undefined;
}

/** The jar's own figures hold for a steep that nothing but soaking follows before the first straining. */
function asTheJar(p: Program, s: Standing): boolean {
  const strained = p.operations.findIndex((o) => o.op === "strain");
  if (strained >= 0 && s.at > strained) return false;
  return p.operations.slice(s.at, strained < 0 ? undefined : strained).every((o) => o.op === "soak");
}

function figuresAt(p: Program, s: Standing, jar: Figures): Figures {
  if (asTheJar(p, s)) return jar;
  return figuresOf(upTo(p, s.at)).finished;
}

/** Where the plan's liquid may work, as it stands at a steep. */
export function workingOf(p: Program, f: Figures, upTo: number): WorkingVerdict {
  const lines = p.lines.filter((l) => l.step < upTo);
  const { abv, ph, water, acetic, index, glycerol } = f;
  return workingVerdict({
    ...{ abv, ph, water, acetic, index, glycerol },
    dryHoney: isHoneyAlone({ lines }) && !lines.some((l) => isWet(l.stuff)),
    unknownVinegar: hasUnknownVinegar({ lines }),
    unmixed: p.happened.layersUnmixed,
  });
}

function wrongWith(s: Standing, working: WorkingVerdict, f: Figures): JudgedStanding["wrong"] {
  if (s.in === "fridge") return undefined;
  if (working.place === "room")
    return working.mostDays !== undefined && s.days.high > working.mostDays
      ? "too-long-for-weak-spirit"
      : undefined;
  const dangerous = f.ph.high > SOUR_PH && f.aw.high > DRY_AW;
  if (s.days.high <= (dangerous ? FOUR_HOURS : HALF_A_DAY)) return undefined;
  return s.days.high < 1 ? "infusion-too-long" : "belongs-in-the-fridge";
}

/** Every steep of a plan judged as a working jar for its length. */
export const judgeStandings = (p: Program, jar: Figures): readonly JudgedStanding[] =>
  p.standings.map((s) => {
    const f = figuresAt(p, s, jar);
    const working = workingOf(p, f, s.index);
    return { step: s.step, days: s.days, working, wrong: wrongWith(s, working, f) };
  });
