import { followingKey } from "../store/append";
import { db } from "../store/db";
import { write } from "../store/entries";
import type { Hub, Instrument } from "./hub";

/** A figure older than this is not written down, ms. */
const FRESH = 10_000;
const LOOKS_EVERY = 2000;

/** Between readings that are written down, s. */
function everySeconds(): number {
  const said = Number(process.env["JOLLY_READ_EVERY"]);
  return Number.isFinite(said) && said >= 1 ? said : 60;
}

/** One reading of one instrument into one batch: its key follows from both and the time, so that two windows or a restart write it once. */
async function record(batch: string, i: Instrument, nowMs: number): Promise<void> {
  const slot = Math.floor(nowMs / 1000 / everySeconds());
  const body = { what: "temperature", value: Math.round(i.value! * 10) / 10, by: i.sort, sd: i.sd };
  await write(db(), batch, { key: followingKey(batch, i.id, String(slot)), type: "read", body });
}

/** Writes down what a thermometer shows for every batch it stands in, once a minute, for as long as it is there. */
export function recordReadings(hub: Hub, now: () => string): void {
  const last = new Map<string, number>();
  let busy = false;
  const look = async (): Promise<void> => {
    const probe = hub.all.find((i) => i.sort === "probe");
    if (!probe?.there || probe.value === undefined || probe.at === undefined) return;
    const nowMs = Date.parse(now());
    if (nowMs - Date.parse(probe.at) > FRESH) return;
    const slot = Math.floor(nowMs / 1000 / everySeconds());
    for (const { id } of await db()<{ id: string }[]>`select id from batch where probe = ${probe.id}`) {
      if (last.get(id) === slot) continue;
      await record(id, probe, nowMs);
      last.set(id, slot);
    }
  };
  setInterval(() => {
    if (busy) return;
    busy = true;
    look()
      // The journal is away: what is shown now is written down when it is back, the rest is a gap that says so.
      .catch((e: unknown) => console.error("a reading was not written down:", (e as Error).message))
      .finally(() => (busy = false));
  }, LOOKS_EVERY).unref();
}
