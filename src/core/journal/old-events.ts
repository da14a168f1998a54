import { z } from "zod";
import type { Upcasts } from "../envelope";
import { OldLine, Plan1, fromVersion1 } from "../plan/old";

/*
 * What older builds wrote, brought up to the present. A fixture of each is kept in tests/store for ever.
 *   begun 1      a plan of version 1, whose lines and steps get ids from their order alone; the vessel kept its profile alone
 *   begun 3      knew nothing of what stood already
 *   begun 4      knew no jars filled alike
 *   topped-up 1  finished 1, 2: lines without ids; the fold names them by their entry
 *   strained 2   always ended with a cloth; bottled 3 never stood in the jar it was made in
 *   bottled 1, 2 no reasons in 1; three sorts of place
 *   corrected 1  always had a reason
 *   corrected 2  could not say another day
 */
type Line1 = z.infer<typeof OldLine>;

/** A line of an entry before lines had ids. */
const withId = (line: Line1, i: number): Line1 & { id: string } => ({ ...line, id: `old.${i + 1}` });

const asNow = (body: unknown): unknown => body;

function begun1(body: unknown): unknown {
  const { plan, ...rest } = body as { plan: unknown };
  return { ...rest, plan: fromVersion1(Plan1.parse(plan)).plan };
}
function toppedUp1(body: unknown): unknown {
  const { line } = z.strictObject({ line: OldLine }).parse(body);
  return { line: withId(line, 0) };
}
function finished2(body: unknown): unknown {
  const { lines, ...rest } = z.looseObject({ lines: z.array(OldLine) }).parse(body);
  return { ...rest, lines: lines.map(withId) };
}

export const UPCASTS: Upcasts = {
  begun: { 1: begun1 },
  "topped-up": { 1: toppedUp1 },
  read: { 1: asNow },
  strained: { 1: asNow },
  finished: { 1: asNow, 2: finished2 },
  bottled: { 1: asNow, 2: asNow },
  corrected: { 1: asNow },
};
