import { ml as carriedMl } from "../core/quantity/carried";
import { z } from "zod";
import { isDay } from "../core/day";
import { type Fault, fault, faultOfIssue } from "../core/fault";
import { BODIES, type Body, type Bottle, type EventType } from "../core/journal/events";
import { type BatchReckoning, reckonBatch } from "../core/journal/reckon";
import { numbered } from "../core/journal/numbers";
import { oddMarc, readMarc } from "../core/journal/marc";
import { thereIs } from "../core/journal/there-is";
import { oddBottling, oddFreezing, oddMeasure } from "../core/journal/odd";
import { bestByOf, issue, lastDayOf, upTo } from "../core/label/label";
import { VESSELS } from "../core/vessel/catalogue";
import type { Tx } from "./db";
import { type Completion, type Moment, asked, fieldOf, stopped, tried, withReasons } from "./moment";
import { stores } from "./stores";
import { read, rewindowed, stepped, timed } from "./stove-completions";
import { added, extra, leftOut, swapped, toppedUp } from "./tick-completions";

const strained: Completion<"strained"> = async (m, body) => {
  const b = BODIES.strained.safeParse(body);
  if (!b.success)
    return fault("NotAMeasure", "Write what the jug shows, like “750 mL” or “3¼ cups”.", ["measured"]);
  const { reasons, ...done } = b.data;
  if (done.stays !== "all" && done.measured.trim() === "")
    return fault("NotAMeasure", "Write what the jug shows, like “750 mL” or “3¼ cups”.", ["measured"]);
  const r = await m.reckon({ strained: done });
  if (!r.ok) return { ...r.faults[0]!, path: ["measured"] };
  const before = await m.reckon({ strained: undefined });
  // Where all of it stays in nothing is measured.
  const foreseen = before.ok && done.stays !== "all" ? before.value.reckoning.strained.ml : undefined;
  const marc = done.marc === undefined ? undefined : readMarc(done.marc, m.batch.plan.units);
  if (marc && !marc.ok) return marc.faults[0]!;
  return (
    asked(m, "measured", foreseen && oddMeasure(r.value.reckoning.strained.ml.value, foreseen)) ??
    asked(m, "marc", marc && oddMarc(marc.value, r.value.reckoning)) ??
    stopped(m, r.value, "strain", reasons) ??
    withReasons(done, reasons)
  );
};

const finished: Completion<"finished"> = async (m, body) => {
  const b = BODIES.finished.safeParse(body);
  if (!b.success) return fault("NotAnEntry", "Say what went in, and how much.", ["lines"]);
  const { reasons, materials: _, ...said } = b.data;
  const own = m.ownOf(said.lines);
  const done = { ...said, ...(own.length > 0 ? { materials: own } : {}) };
  const r = await m.reckon({ finished: done.lines, ...tried(m, own) });
  if (!r.ok) {
    const f = r.faults[0]!;
    return { ...f, path: ["lines", Number(f.path[3] ?? 0), fieldOf(f)] };
  }
  return stopped(m, r.value, "bottle", reasons) ?? withReasons(done, reasons);
};

const BottledRequest = z.strictObject({
  bottles: BODIES.bottled.shape.bottles,
  own: BODIES.bottled.shape.own,
  reasons: BODIES.bottled.shape.reasons,
});
type Bottling = z.infer<typeof BottledRequest>;

/** More in the bottles than came out of the jar. */
export function moreThanThereIs(
  bottles: readonly Bottle[],
  r: Pick<BatchReckoning, "program" | "reckoning">,
): Fault | undefined {
  const have = thereIs(r);
  const poured = bottles.reduce((sum, x) => sum + x.ml, 0);
  return poured > have.high * 1.05
    ? fault(
        "MoreThanThereIs",
        `The bottles hold ${carriedMl(poured)} and there is about ${carriedMl(have.value)}. Take one away, or correct the measure.`,
        ["bottles"],
      )
    : undefined;
}

/** What does not go into the bottles, or not where they are to stand. */
function misfilled({ bottles, own }: Bottling, r: BatchReckoning, stood: boolean): Fault | undefined {
  if (new Set(bottles.map((x) => x.id)).size < bottles.length)
    return fault("Twice", "One bottle stands in this twice. Reload the page and fill them again.", [
      "bottles",
    ]);
  const more = moreThanThereIs(bottles, r);
  if (more) return more;
  for (const [i, x] of bottles.entries()) {
    const v = VESSELS.get(x.vessel);
    if (v && x.ml > v.solid.brimMl * 1.02)
      return fault("DoesNotFit", `${carriedMl(x.ml)} does not go into a ${v.size} ${v.sort}.`, [
        "bottles",
        i,
      ]);
  }
  const { verdict } = r.reckoning;
  // Where a bottle stood already is so, wherever it had better stand: its clock tells what that comes to.
  if (stood) return undefined;
  const inCupboard = bottles.findIndex((x) => x.place === "cupboard" || x.place === "cool-dark");
  if (inCupboard >= 0 && verdict.place !== "cupboard" && !own?.reason.trim())
    return fault(
      "FridgeOnly",
      `The cupboard is not for this one: ${verdict.row.words}. Choose the fridge, or type a reason with your own date.`,
      ["bottles", inCupboard, "place"],
    );
  return undefined;
}

/** A date of the maker's own that cannot be, or that wants a reason. */
function ownDate(
  m: Moment,
  { bottles, own }: Bottling,
  verdict: Body<"bottled">["verdict"],
): Fault | undefined {
  if (!own) return undefined;
  if (!isDay(own.bestBy)) return fault("NotADay", "Write the date as 2027-01-31.", ["own", "bestBy"]);
  if (own.bestBy < m.day && !m.batch.stood) return fault("NotADay", "That day is past.", ["own", "bestBy"]);
  const reckoned = bottles.map((x) => bestByOf(verdict, m.batch.strainedDay ?? m.day, x.place)).sort()[0]!;
  if (own.bestBy <= reckoned || own.reason.trim()) return undefined;
  return fault(
    "ReasonWanted",
    "A date later than reckoned needs a reason, which is kept and marked on the label as your own.",
    ["own", "reason"],
  );
}

const bottled: Completion<"bottled"> = async (m, body) => {
  const b = BottledRequest.safeParse(body);
  if (!b.success) return faultOfIssue("NotABottling", b.error.issues[0]!);
  const r = await m.reckon();
  if (!r.ok) return r.faults[0]!;
  const { bottles, own, reasons } = b.data;
  const strained = m.batch.strainedDay ?? m.day;
  const verdict = upTo(issue(r.value.reckoning.verdict), strained, lastDayOf(r.value.program));
  const not = misfilled(b.data, r.value, m.batch.stood !== undefined);
  if (not?.name === "FridgeOnly" && verdict.place === "do-not-keep")
    return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
  if (not) return not;
  const poured = bottles.reduce((sum, x) => sum + x.ml, 0);
  const { finished } = r.value.reckoning;
  const bursting = bottles.flatMap(({ place, vessel, ml }) => {
    const brim = place === "freezer" ? VESSELS.get(vessel)?.solid.brimMl : undefined;
    return brim === undefined ? [] : (oddFreezing(ml, brim, finished.abv.low) ?? []);
  });
  const question = asked(m, "bottles", oddBottling(poured, thereIs(r.value)) ?? bursting[0]);
  if (question) return question;
  if (verdict.place === "do-not-keep")
    return fault("DoNotKeep", "This is not to be kept. Discard it, and say why in the journal.", ["bottles"]);
  return (
    ownDate(m, b.data, verdict) ??
    (m.batch.stood ? undefined : stopped(m, r.value, "bottle", reasons)) ??
    withReasons({ bottles: numbered(bottles, m.before), verdict, own }, reasons)
  );
};

const COMPLETIONS: { readonly [T in EventType]?: Completion<T> } = {
  added,
  "left-out": leftOut,
  swapped,
  extra,
  read,
  timed,
  rewindowed,
  stepped,
  strained,
  "topped-up": toppedUp,
  finished,
  bottled,
};

/** Everything else is stored as it was sent, once it is what its type says. */
export function plain(type: EventType, body: unknown): unknown | Fault {
  const parsed = (BODIES[type] as z.ZodType).safeParse(body);
  if (parsed.success) return parsed.data;
  return faultOfIssue("NotAnEntry", parsed.error.issues[0]!);
}

/** What is stored of an entry sent to a batch as it stood: checked, asked about, completed. */
export async function completed(
  tx: Tx,
  type: EventType,
  { batch, day, sure, before }: Omit<Moment, "reckon" | "ownOf">,
  body: unknown,
): Promise<unknown | Fault> {
  const complete = COMPLETIONS[type] as Completion<EventType> | undefined;
  if (!complete) return plain(type, body);
  const { people, catalogue } = await stores(tx);
  const company = { people, today: day };
  return complete(
    {
      ...{ batch, day, sure, before },
      ownOf: (lines) => {
        const held = new Set(batch.plan.materials?.map((m) => m.id));
        return [...new Set(lines.map((l) => l.material))].flatMap((id) => {
          const m = catalogue.get(id);
          return m?.kind === "plant" && m.row.source === "own" && !held.has(id) ? [m.row] : [];
        });
      },
      reckon: async (tried) =>
        reckonBatch(batch, tried ? { ...batch.making, ...tried } : batch.making, company),
    },
    body,
  );
}
