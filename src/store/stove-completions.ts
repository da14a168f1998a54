import { addDays, printDay } from "../core/day";
import { fault, faultOfIssue } from "../core/fault";
import { impossibleReading } from "../core/journal/at-the-stove";
import { BODIES } from "../core/journal/events";
import { movesOf } from "../core/make/moves";
import type { Completion } from "./moment";

/* Readings, clocks and the straining window. */

export const read: Completion<"read"> = async (m, body) => {
  const b = BODIES.read.safeParse(body);
  if (!b.success) return fault("NotAReading", "Give the reading as a number, or in words.", ["value"]);
  const { what, value, words } = b.data;
  if (value === undefined && !words?.trim())
    return fault("NotAReading", "Give the reading as a number, or in words.", ["value"]);
  if (m.batch.state === "bottled" && what !== "ph" && what !== "brix" && what !== "gravity")
    return fault("NotNow", `${m.batch.code} is bottled; only what is in the bottles can be measured.`);
  const not = value === undefined ? undefined : impossibleReading(what, value);
  return not ? fault("OutOfRange", not, ["value"]) : b.data;
};

export const rewindowed: Completion<"rewindowed"> = async (m, body) => {
  const b = BODIES.rewindowed.safeParse(body);
  if (!b.success) return faultOfIssue("NotAWindow", b.error.issues[0]!);
  const { earliest, best, latest } = b.data;
  if (earliest < m.batch.begunDay)
    return fault("BeforeItBegan", `It began on ${printDay(m.batch.begunDay, "year")}; give a later day.`, [
      "earliest",
    ]);
  if (best < earliest) return fault("OutOfOrder", "The best day lies before the earliest.", ["best"]);
  if (latest < best) return fault("OutOfOrder", "The latest day lies before the best.", ["latest"]);
  const r = await m.reckon();
  const most = r.ok ? r.value.reckoning.working.mostDays : undefined;
  if (most !== undefined && latest > addDays(m.batch.begunDay, most))
    return fault(
      "TooLong",
      `So weak a spirit may stand ${most} days and no longer: ${printDay(addDays(m.batch.begunDay, most), "year")} at the latest.`,
      ["latest"],
    );
  return b.data;
};

export const timed: Completion<"timed"> = async (m, body) => {
  const b = BODIES.timed.safeParse(body);
  if (!b.success) return faultOfIssue("NotAClock", b.error.issues[0]!);
  const { did, clock } = b.data;
  if (did === "stopped" && !m.batch.stove.clocks.some((c) => c.id === clock))
    return fault("NoSuchClock", "No such clock was set going here.", ["clock"]);
  return b.data;
};

export const stepped: Completion<"stepped"> = async (m, body) => {
  const b = BODIES.stepped.safeParse(body);
  if (!b.success) return fault("NotAMove", "Say which move was done.", ["move"]);
  const r = await m.reckon();
  if (!r.ok) return r.faults[0]!;
  return movesOf(r.value.program).some((x) => x.id === b.data.move)
    ? b.data
    : fault("NoSuchMove", "This making has no such move. Reload the page.", ["move"]);
};
