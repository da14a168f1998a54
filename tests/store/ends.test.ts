import { afterEach, beforeEach, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { reckonBatch } from "../../src/core/journal/reckon";
import { thereIs } from "../../src/core/journal/there-is";
import { withIds } from "../../src/core/plan/ids";
import type { Plan } from "../../src/core/plan/plan";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { keep, stores } from "../../src/store/stores";
import { allFindings } from "../../src/store/soundness";
import { type Household, newHousehold } from "../support";

let home: Household;
const clock = (iso: string): void => void (process.env["JOLLY_NOW_FROZEN"] = iso);
beforeEach(async () => {
  clock("2026-11-02T09:00:00Z");
  home = await newHousehold();
});
afterEach(() => home.drop());

const PLAN: Plan = withIds({
  format: "jolly-crock/plan",
  version: 2,
  units: "metric",
  name: "Ginger in honey",
  kind: "honey",
  vessel: "m-500",
  steps: [
    {
      do: "add",
      what: [
        { material: "ginger", form: "fresh", amount: "120 g" },
        { material: "honey", amount: "fill" },
      ],
    },
    { do: "steep", for: "4 weeks", in: "fridge" },
    { do: "strain", how: "drained" },
    { do: "bottle" },
  ],
});
async function begun(): Promise<string> {
  const reasons = { "low-acid-in-honey": "it stands in the fridge and is eaten within the month" };
  const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: PLAN, reasons }, PLAN);
  if (!w.ok) throw new Error(`${w.fault.message} ${w.fault.path.join(".")}`);
  return w.state.id;
}
const say = async (id: string, type: string, body: object) => {
  const seen = (await batchOf(home.sql, id))!.seq;
  const w = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
  return w.ok ? "ok" : `${w.fault.name} ${w.fault.path.join(".")}`;
};

describe("an end without a cloth", () => {
  test("keeps the jar it was made in, takes no empty one, and may be taken back", async () => {
    const item = { what: "empties" as const, vessel: "m-500", count: 4 };
    const kept = await keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item } });
    expect(kept.ok).toBe(true);
    const id = await begun();
    clock("2026-11-30T09:00:00Z");
    expect(await say(id, "strained", { measured: "", how: "drained" })).toBe("NotAMeasure measured");
    expect(await say(id, "strained", { measured: "", how: "drained", stays: "all" })).toBe("ok");
    const batch = (await batchOf(home.sql, id))!;
    const r = reckonBatch(batch);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    const there = thereIs(r.value);
    // The honey, which has drunk the ginger's water, and the ginger in it: all that was put into the jar, and it was filled to its line.
    expect(there.value).toBeGreaterThan(r.value.reckoning.finished.ml.value);
    const put = r.value.reckoning.fit!.day0.ml;
    expect(Math.abs(there.value - put) / put).toBeLessThan(0.05);
    const jar = { id: randomUUID(), vessel: "m-500", name: "500 mL jar", place: "fridge" };
    const into = (ml: number) => ({ bottles: [{ ...jar, ml, same: true }], own: null });
    expect(await say(id, "bottled", into(Math.round(there.value * 1.3)))).toMatch(
      /MoreThanThereIs|DoesNotFit/,
    );
    expect(await say(id, "bottled", into(Math.round(there.value)))).toBe("ok");
    expect((await stores(home.sql)).empties.find((e) => e.vessel === "m-500")!.count).toBe(4);
    expect((await batchOf(home.sql, id))!.verdict!.vetoes).toContain("solids-left");
    expect(await allFindings(home.sql)).toEqual([]);
    const diary = (await batchOf(home.sql, id))!.diary;
    for (const type of ["bottled", "strained"] as const) {
      const { seq } = diary.find((e) => e.type === type)!;
      expect(await say(id, "corrected", { seq, body: null })).toBe("ok");
    }
    expect((await batchOf(home.sql, id))!.state).toBe("working");
    expect(await allFindings(home.sql)).toEqual([]);
  });

  test("of which some stays is measured, and judged as if all did", async () => {
    const id = await begun();
    clock("2026-11-30T09:00:00Z");
    expect(await say(id, "strained", { measured: "", how: "drained", stays: "some" })).toBe(
      "NotAMeasure measured",
    );
    expect(await say(id, "strained", { measured: "330 mL", how: "drained", stays: "some" })).toBe("ok");
    const r = reckonBatch((await batchOf(home.sql, id))!);
    if (!r.ok) throw new Error(r.faults[0]!.message);
    expect(r.value.reckoning.verdict.vetoes.map((v) => v.id)).toContain("solids-left");
    expect(r.value.reckoning.finished.ml.value).toBeCloseTo(330, -1);
    expect(r.value.cautions.map((c) => c.id)).toContain("plants-stay");
  });
});
