import { z } from "zod";
import { largestIn, multiplied } from "@/core/advice/scale";
import { isDay, printDay } from "@/core/day";
import type { Plan } from "@/core/plan/plan";
import { vesselWords } from "@/core/vessel/vessel";
import { db } from "@/store/db";
import { stores } from "@/store/stores";

/** What a start of the season carries onto the Bench: the vessel, how full, and the day. */
const Asked = z.object({
  into: z.uuid(),
  fill: z.coerce.number().positive().max(1).catch(1),
  on: z.string().refine(isDay).optional().catch(undefined),
});

/** A plan in the vessel its start is planned for, as large as that takes it; with words that say so. The plan as it was where it names none. */
export async function asPlanned(
  plan: Plan,
  asked: unknown,
  today: string,
): Promise<{ readonly plan: Plan; readonly planned?: string }> {
  const said = Asked.safeParse(asked);
  if (!said.success) return { plan };
  const { vessels, catalogue } = await stores(db());
  const into = vessels.find((v) => v.id === said.data.into);
  if (!into) return { plan };
  const { lid: _l, ware: _w, ...rest } = plan;
  const { own } = into;
  const around = { materials: catalogue };
  const within: Plan = {
    ...rest,
    vessel: own.vessel,
    ...(own.lid ? { lid: own.lid } : {}),
    ...(own.ware ? { ware: own.ware } : {}),
  };
  const whole = typeof own.vessel === "string" ? largestIn(within, own.vessel, around) : undefined;
  const full = whole?.ok ? whole.value.plan : within;
  const part = said.data.fill < 1 ? multiplied(full, said.data.fill, around) : undefined;
  const by = said.data.on ? ` for ${printDay(said.data.on, "long", today)}` : "";
  return {
    plan: part?.ok ? part.value.plan : full,
    planned: `Planned${by}, in the ${vesselWords(into.vessel)}.`,
  };
}
