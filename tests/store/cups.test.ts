/** A household that changes its cups: what was measured in the old ones stays what it was. */
import { afterAll, beforeAll, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { readList } from "../../src/core/standing/listed";
import { MATERIALS } from "../../src/core/material/catalogue";
import { reckonBatch } from "../../src/core/journal/reckon";
import { withIds } from "../../src/core/plan/ids";
import type { Plan } from "../../src/core/plan/plan";
import type { UnitSystem } from "../../src/core/quantity/units";
import { usualScales } from "../../src/core/stores/settings";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { household } from "../../src/store/household";
import { batchOf } from "../../src/store/journal";
import { settleAnew } from "../../src/store/settings";
import { allFindings } from "../../src/store/soundness";
import { keep, stores } from "../../src/store/stores";
import { type Household, newHousehold } from "../support";

let home: Household;
beforeAll(async () => {
  process.env["JOLLY_NOW_FROZEN"] = "2026-11-02T09:00:00Z";
  home = await newHousehold();
});
afterAll(() => home.drop());

const planIn = (units: UnitSystem): Plan =>
  withIds({
    format: "jolly-crock/plan",
    version: 2,
    units,
    name: "Thyme oxymel",
    kind: "oxymel",
    vessel: "us-quart",
    steps: [
      {
        do: "add",
        what: [
          { material: "thyme", form: "dried", amount: "1 cup" },
          { material: "cider-vinegar", amount: "1½ cups" },
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [{ material: "honey", amount: "1 cup" }] },
      { do: "bottle" },
    ],
  });
const settled = (units: UnitSystem) =>
  settleAnew(home.sql, { key: randomUUID(), settings: { units, ...usualScales(units) } });
const kept = async (item: object): Promise<void> => {
  const w = await keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item } });
  if (!w.ok) throw new Error(w.fault.message);
};
const figures = async (id: string) => {
  const r = reckonBatch((await batchOf(home.sql, id))!);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  const { strained, finished, lines } = r.value.reckoning;
  return [strained.ml.value, finished.ml.value, ...lines.map((l) => l.grams.value)];
};

test.each(["metric", "imperial", "us"] as const)(
  "from American cups to %s: jars, lots and cups weighed stay",
  async (to) => {
    await settled("us");
    const w = await begin(
      home.sql,
      { id: randomUUID(), key: randomUUID(), plan: planIn("us"), reasons: {} },
      planIn("us"),
    );
    if (!w.ok) throw new Error(w.fault.message);
    const { id } = w.state;
    await kept({ what: "lot", material: "honey", amount: "2 cups", got: "2026-11-01" });
    await kept({ what: "weighed", material: "thyme", form: "dried", amount: "1 cup", grams: 41 });
    const before = [await figures(id), (await stores(home.sql)).lots.map((l) => l.grams)];
    await settled(to);
    expect((await household(home.sql)).units).toBe(to);
    expect([await figures(id), (await stores(home.sql)).lots.map((l) => l.grams)]).toEqual(before);
    // What is said of that jar from now on is said in its own cups, as its page shows them.
    const seen = (await batchOf(home.sql, id))!.seq;
    const body = { measured: "1 cup", how: "wrung" };
    const s = await write(home.sql, id, { key: randomUUID(), type: "strained", seen, sure: true, body });
    expect(s.ok).toBe(true);
    expect((await figures(id))[0]).toBeCloseTo(236.588, 2);
    expect(await allFindings(home.sql)).toEqual([]);
  },
);

test("a list of two hundred lines is read whole, each line by itself", () => {
  const text = Array.from(
    { length: 200 },
    (_, i) => `2 bottles of thyme syrup no. ${i + 1}, 250 mL, made in October, fridge`,
  );
  const rows = readList(text.join("\n"), {
    system: "metric",
    today: "2026-11-30",
    catalogue: MATERIALS,
  });
  expect(rows.map((r) => [r.as, r.ml])).toEqual(Array(200).fill(["bottles", 250]));
  expect(new Set(rows.map((r) => r.name)).size).toBe(200);
});
