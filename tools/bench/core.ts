/** The core by itself: a line read, a plan reckoned. Built as the app is built before it is measured, so that it is timed as it runs there. */
import { readPlan } from "../../src/core/plan/file";
import { readPasted } from "../../src/core/exchange/pasted/pasted";
import { readLine } from "../../src/core/reading/line";
import { contextIn } from "../../src/core/reading/said";
import { reckon } from "../../src/core/reckoning/reckon";
import { MATERIALS } from "../../src/core/material/catalogue";

const TIMES = 1500;
const ROUNDS = 60;
/** Herbs of the demo's sort, then whatever else the catalogue has of plants. */
const HERBS =
  "thyme sage nettle garlic ginger onion lemon chilli horseradish rosemary fennel-seed caraway juniper hawthorn-berry rose-hip turmeric lemon-balm peppermint meadowsweet mustard-seed cinnamon hyssop coriander-seed".split(
    " ",
  );

/** A fire cider of so many lines, two of them the liquids it stands in. */
function planOf(lines: number): Parameters<typeof readPlan>[0] {
  const others = [...MATERIALS.keys()].filter(
    (id) => !HERBS.includes(id) && ["leaf", "root", "seed"].includes(MATERIALS.get(id)!.row.class),
  );
  const herbs = [...HERBS, ...others].slice(0, lines - 2);
  if (herbs.length < lines - 2) throw new Error(`there are only ${herbs.length} herbs`);
  const what = [
    ...herbs.map((material) => ({ material, amount: "2 tbsp" })),
    { material: "cider vinegar", amount: "2 parts" },
    { material: "honey", amount: "1 part" },
  ];
  return {
    format: "jolly-crock/plan",
    version: 1,
    units: "us",
    name: `Of ${lines} lines`,
    kind: "fire-cider",
    vessel: "m-5000",
    steps: [
      { do: "add", what },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  };
}

/** ms a reckoning, from the parsed plan to the verdict. */
function reckonings(lines: number): number[] {
  const plan = readPlan(planOf(lines));
  if (!plan.ok) throw new Error(plan.faults[0]!.message);
  const once = (): number => {
    const t = performance.now();
    const r = reckon(plan.value);
    const ms = performance.now() - t;
    if (!r.ok) throw new Error(r.faults[0]!.message);
    return ms;
  };
  for (let i = 0; i < TIMES; i++) once();
  return Array.from({ length: TIMES }, once);
}

/** ms a line, of lines a home maker was seen to type, once the reader has been read with for a while. */
function readings(typed: readonly string[]): number[] {
  const ctx = contextIn("us");
  const out: number[] = [];
  for (let round = 0; round < 2 * ROUNDS; round++)
    for (const line of typed) {
      const t = performance.now();
      readLine(line, ctx);
      if (round >= ROUNDS) out.push(performance.now() - t);
    }
  return out;
}

const BY_SIX = ["hyssop", "sage", "thyme", "nettle", "lemon balm", "mint"];
const sixty = (line: (n: number, herb: string) => string): string =>
  Array.from({ length: 60 }, (_, i) => line(1 + (i % 4), BY_SIX[i % BY_SIX.length]!)).join("\n");

/** ms a pasted recipe of sixty rows, as a list and as prose. */
function pastings(text: string): number[] {
  const once = (): number => {
    const t = performance.now();
    readPasted(text, { system: "us" });
    return performance.now() - t;
  };
  for (let i = 0; i < ROUNDS; i++) once();
  return Array.from({ length: ROUNDS }, once);
}

/** Times in ms. */
export interface CoreTimes {
  readonly reading: readonly number[];
  readonly listed: readonly number[];
  readonly prose: readonly number[];
  readonly of25: readonly number[];
  readonly of60: readonly number[];
}
export const coreTimes = (typed: readonly string[]): CoreTimes => ({
  reading: readings(typed),
  listed: pastings(sixty((n, herb) => `${n} cups dried ${herb}`)),
  prose: pastings(
    sixty((n, herb) => `Put ${n} cups of dried ${herb} into the jar and stir it well for a minute.`),
  ),
  of25: reckonings(25),
  of60: reckonings(60),
});
