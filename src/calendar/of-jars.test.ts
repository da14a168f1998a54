import { batchOf } from "../../tests/trial-journal";
import { jarOf } from "../core/journal/jar";
import { line, made, withSteps } from "../core/plan/trial";
import { itemsOfJar } from "./of-jars";

const BATCH = batchOf(
  withSteps(made("oxymel-even", []), [
    {
      do: "add",
      what: [
        line("sage", "30 g", { form: "dried" }),
        line("cider-vinegar", "400 mL", { strength: "5 %" }),
        line("honey", "350 mL"),
      ],
    },
    { do: "steep", for: "4 weeks" },
    { do: "strain", how: "wrung" },
    { do: "bottle" },
  ]),
  [60 * 24 * 3, "touched", { what: "shake" }],
);
const JAR = jarOf(BATCH)!;
const shakes = (away: Parameters<typeof itemsOfJar>[3]) => {
  const item = itemsOfJar(JAR, undefined, "07:30", away).find((i) => i.uid.endsWith("-shake@jolly-crock"))!;
  return item.when.what === "series" ? item.when : undefined;
};

test("a day on which it was shaken falls out of its series, and so do the days nobody is home", () => {
  expect(shakes([])!.except).toEqual(["2026-11-27"]);
  expect(shakes([{ from: "2026-12-01", to: "2026-12-03", why: "" }])!.except).toEqual([
    "2026-11-27",
    "2026-12-01",
    "2026-12-02",
    "2026-12-03",
  ]);
});

test("a jar that is strained has no dates any more", () => {
  const strained = batchOf(BATCH.begunPlan, [60 * 24 * 28, "strained", { measured: "700 mL", how: "wrung" }]);
  expect([jarOf(BATCH)?.code, jarOf(strained)]).toEqual([BATCH.code, undefined]);
});

test("away before it was begun, or after its series is over, leaves it whole", () => {
  const { from, until } = shakes([])!;
  expect(
    shakes([
      { from: "2026-01-01", to: "2026-11-20", why: "" },
      { from: "2027-06-01", to: "2027-06-09", why: "" },
    ]),
  ).toMatchObject({ from, until, except: ["2026-11-27"] });
});

test("shaken twice a day it rings twice; what was done once leaves the evening's", () => {
  const plan = { ...BATCH.begunPlan, shake: "twice-daily" as const };
  const touched = (n: number) =>
    batchOf(
      plan,
      ...Array.from({ length: n }, (_, i) => [60 * (24 * 3 + i), "touched", { what: "shake" }] as const),
    );
  const rung = (n: number, at = "07:30") =>
    itemsOfJar(jarOf(touched(n))!, undefined, at).flatMap((i) =>
      i.when.what === "series" && i.uid.includes("-shake") ? [[i.when.at, i.when.except]] : [],
    );
  expect(rung(1)).toEqual([
    ["07:30", ["2026-11-27"]],
    ["19:30", []],
  ]);
  expect(rung(2)).toEqual([
    ["07:30", ["2026-11-27"]],
    ["19:30", ["2026-11-27"]],
  ]);
  expect(rung(0, "14:00")[1]).toEqual(["20:00", []]);
});
