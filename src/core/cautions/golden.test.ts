import { CASES } from "../../../tests/golden-plans";
import { figure, golden } from "../../../tests/golden";
import { FLAGS, Person } from "../people/person";
import { line, made, trial, withSteps } from "../plan/trial";
import type { Plan } from "../plan/plan";
import type { Happened } from "../plan/happened";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Situation } from "./caution";
import { CEILINGS } from "./ceilings";
import { RANK } from "./rank";
import { cautionsOf, unanswered } from "./rules";
import { SEASONING_G, gramsADay, isSeasoning } from "./rules/people/doses";

const TODAY = "2026-11-24";
const person = (more: object): Person =>
  Person.parse({ name: "the keeper", flags: [], allergies: [], ...more });

function situation(plan: Plan, meantFor: readonly Person[] = [], happened?: Happened): Situation | undefined {
  const p = resolve(plan, {}, happened);
  if (!p.ok) return undefined;
  return { program: p.value, reckoning: reckonProgram(p.value), meantFor, others: [], today: TODAY };
}
const told = (s: Situation | undefined): string =>
  s
    ? cautionsOf(s)
        .map(
          (c) =>
            `${c.id} ${c.severity} ${c.about.what} ${c.stages.join("+")}${c.label ? ` “${c.label}”` : ""}`,
        )
        .join("; ")
    : "–";

test("what every case raises, and what it says", () => {
  const lines = CASES.flatMap((c) => {
    const s = situation(c.plan, [], c.happened);
    return [
      `${c.name} | ${told(s)}`,
      ...(s ? cautionsOf(s).map((x) => `${c.name} | ${x.id} | ${x.says} ${x.todo}`) : []),
      `${c.name} | others | ${s ? told({ ...s, meantFor: [], others: [person({ born: "2026-05" })] }) : ""}`,
    ];
  });
  golden("cautions", lines);
});

/** Herbs that some rule about people asks of, in a strong tincture and in a mild honey. */
const ASKED = [
  "sage", "thyme", "liquorice", "st-johns-wort", "valerian", "hops", "kava", "senna", "willow-bark", "ginkgo", "garlic", "ginger", "turmeric",
  "hawthorn-berry", "nettle", "dandelion-root", "chamomile", "red-clover", "kelp", "elderberry", "ashwagandha", "echinacea-root", "green-tea",
  "cinnamon-cassia", "celery-seed", "fenugreek", "horseradish", "mugwort", "aloe", "cranberry", "rhubarb-root", "cascara", "meadowsweet",
]; // prettier-ignore

const tincture = (herb: string, grams: number): Plan =>
  withSteps(made("tincture-weighed", []), [
    { do: "add", what: [line(herb, `${grams} g`), line("vodka-40", "500 mL")] },
    { do: "steep", for: "4 weeks" },
    { do: "strain", how: "wrung" },
    { do: "bottle" },
  ]);
const honeyed = (herb: string, grams: number): Plan =>
  withSteps(made("oxymel-even", []), [
    {
      do: "add",
      what: [
        line(herb, `${grams} g`),
        line("cider-vinegar", "400 mL", { strength: "5 %" }),
        line("honey", "400 mL"),
      ],
    },
    { do: "steep", for: "4 weeks" },
    { do: "strain", how: "wrung" },
    { do: "bottle" },
  ]);

test("each flag against each herb that is asked of, much and little", () => {
  const people = [
    ...FLAGS.map((f) => [f, person({ flags: [f] })] as const),
    ["infant", person({ born: "2026-03" })] as const,
    ["five years", person({ born: "2021-03" })] as const,
    ["fifteen", person({ born: "2011-03" })] as const,
    ["allergic to bees and daisies", person({ allergies: ["honey", "daisies", "mint"] })] as const,
    ["diabetes and kidney", person({ flags: ["diabetes-medicine", "kidney"] })] as const,
    ["operation in ten days", person({ surgery: "2026-12-04" })] as const,
  ];
  const lines = ASKED.flatMap((herb) =>
    (
      [
        ["much", 80],
        ["little", 2],
      ] as const
    ).flatMap(([much, grams]) => {
      const base = situation(tincture(herb, grams));
      const sweet = situation(honeyed(herb, grams));
      if (!base || !sweet) return [`${herb} is none`];
      // What is raised for nobody in particular is told by the other cases.
      const raisedFor = (situation: Situation, who: readonly Person[]): string[] =>
        cautionsOf({ ...situation, meantFor: who }).map((c) => `${c.id} ${c.severity}`);
      const [plain, plainSweet] = [new Set(raisedFor(base, [])), new Set(raisedFor(sweet, []))];
      return people.flatMap(([name, p]) => {
        const more = raisedFor(base, [p]).filter((x) => !plain.has(x));
        const sweetMore = raisedFor(sweet, [p]).filter((x) => !plainSweet.has(x));
        if (more.length + sweetMore.length === 0) return [];
        return [
          `${herb} ${much} | ${name} | ${more.join(", ") || "–"} | sweet: ${sweetMore.join(", ") || "–"}`,
        ];
      });
    }),
  );
  golden("cautions-people", lines);
});

test("where a plant stops being the seasoning of a meal, g of dried herb a day", () => {
  const lines = Object.keys(SEASONING_G).map((herb) => {
    const at = (grams: number): readonly [number, boolean] => {
      const s = situation(tincture(herb, grams))!;
      const l = s.program.lines[0]!;
      return [gramsADay(l, s), isSeasoning([l], s)];
    };
    let [low, high] = [0.001, 400];
    for (let i = 0; i < 18; i++) {
      const mid = Math.sqrt(low * high);
      if (at(mid)[1]) low = mid;
      else high = mid;
    }
    return `${herb} | ${figure(Number(at(low)[0].toPrecision(3)))}`;
  });
  golden("cautions-seasoning", lines);
});

/** One figure of a plan drawn from a little to much, in steps finer than any change that should be noticed. */
const DRAWN: readonly (readonly [of: string, from: number, to: number, plan: (x: number) => Plan])[] = [
  ["g of thyme in an oxymel", 2, 400, (x) => made("oxymel-even", [line("thyme", `${x} g`, { form: "dried" })])],
  ["g of fresh garlic in honey", 5, 500, (x) => made("honey-dried", [line("garlic", `${x} g`, { form: "fresh" })])],
  ["g of fresh ginger in a cider", 5, 900, (x) => made("cider-after", [line("ginger", `${x} g`, { form: "fresh" })])],
  ["g of lemon balm in vinegar", 2, 400, (x) => made("vinegar-plain", [line("lemon-balm", `${x} g`, { form: "fresh" })])],
  ["% water of a honey", 14, 30, (x) => of("honey-dried", [line("thyme", "20 g", { form: "dried" }), line("honey", "400 mL", { water: x })], "4 weeks")],
  ["% of a vinegar", 1, 20, (x) => of("vinegar-plain", [line("thyme", "20 g", { form: "dried" }), line("cider-vinegar", "400 mL", { strength: `${x} %` })], "4 weeks")],
  ["% of a spirit", 3, 96, (x) => of("tincture-jarful", [line("thyme", "20 g", { form: "dried" }), line("vodka-40", "400 mL", { strength: `${x} %` })], "4 weeks")],
  ["days it stands", 1, 400, (x) => of("vinegar-plain", [line("thyme", "20 g", { form: "dried" }), line("cider-vinegar", "400 mL")], `${Math.round(x)} days`)],
  ["minutes elder simmers", 1, 90, (x) => boiled("elderberry", "1 L", `${Math.round(x)} min`, "400 mL")],
  ["mL of honey in a syrup", 10, 3000, (x) => boiled("thyme", "1 L", "20 min", `${x} mL`)],
  ["mL of water over the heat", 60, 3000, (x) => boiled("thyme", `${x} mL`, "20 min", "200 mL")],
]; // prettier-ignore
const of = (way: string, what: Parameters<typeof made>[1], time: string): Plan =>
  made(way, [], {
    steps: [
      { do: "add", what: [...what] },
      { do: "steep", for: time },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
const boiled = (plant: string, water: string, time: string, honey: string): Plan =>
  made("syrup-fridge", [], {
    vessel: "p-1500",
    steps: [
      { do: "add", what: [line(plant, "40 g", { form: "dried" }), line("water", water)] },
      { do: "simmer", for: time, lid: "off" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [line("honey", honey)] },
      { do: "bottle" },
    ],
  });

test("where each caution comes and goes as one figure of a plan is drawn from a little to much", () => {
  const lines = DRAWN.flatMap(([name, from, to, plan]) => {
    let before: readonly string[] | undefined;
    const moves: string[] = [];
    for (let x = from; x <= to; x *= 1.03) {
      const figure = Number(x.toPrecision(3));
      const s = situation(plan(figure));
      const now = s
        ? [...new Set(cautionsOf(s).map((c) => `${c.id} ${c.severity}`))].sort()
        : ["does not reckon"];
      const [comes, goes] = [
        now.filter((c) => !before?.includes(c)),
        (before ?? []).filter((c) => !now.includes(c)),
      ];
      if (comes.length + goes.length > 0)
        moves.push(
          `${name} | ${figure} | ${[...comes.map((c) => `+${c}`), ...goes.map((c) => `−${c}`)].join(", ")}`,
        );
      before = now;
    }
    return moves;
  });
  golden("cautions-drawn", lines);
});

/** The least of a figure at which something is so, to three digits; none where it never is. */
function leastAt(isSo: (x: number) => boolean, most = 5000): number | undefined {
  let [low, high] = [0.01, most];
  if (!isSo(high)) return undefined;
  for (let i = 0; i < 24; i++) {
    const mid = Math.sqrt(low * high);
    if (isSo(mid)) high = mid;
    else low = mid;
  }
  return Number(high.toPrecision(3));
}

test("what is not gone over in a day, of each herb and of the liquid, and for how many days on end", () => {
  const raised = (s: Situation, more: { dayMl: number; days?: number }, about: "line" | "taken") =>
    cautionsOf({ ...s, ...more }).filter((c) => c.id === "too-much-a-day" && c.about.what === about);
  const herbs = Object.keys(CEILINGS).map((herb) => {
    const s = situation(tincture(herb, 60))!;
    const perMl = gramsADay(s.program.lines[0]!, { ...s, dayMl: 1 });
    const from = (severity: string) =>
      leastAt((ml) =>
        raised(s, { dayMl: ml }, "line").some(
          (c) => (severity === "any" || c.severity === severity) && /a day of it/.test(c.says),
        ),
      );
    const grams = (ml: number | undefined): string =>
      ml === undefined ? "never" : figure(Number((ml * perMl).toPrecision(3)));
    const some = (from("any") ?? 1) / 2;
    const isLong = (days: number, dayMl = some): boolean =>
      raised(s, { dayMl, days }, "line").some((c) => /days on end/.test(c.says));
    const long = Array.from({ length: 120 }, (_, i) => i + 1).find((d) => isLong(d));
    const little = long === undefined ? undefined : leastAt((ml) => isLong(long, ml));
    return `${herb} | caution from ${grams(from("any"))} g, stop from ${grams(from("stop"))} g | too long from ${long ?? "never"} days of ${grams(little)} g`;
  });
  const liquids = (
    [
      ["alcohol", tincture("thyme", 20)],
      ["sugar", honeyed("thyme", 20)],
      ["acid", made("vinegar-plain", [line("thyme", "20 g", { form: "dried" })])],
    ] as const
  ).map(([of, plan]) => {
    const s = situation(plan)!;
    const told = new RegExp(of);
    const from = (severity: string) =>
      leastAt((ml) =>
        raised(s, { dayMl: ml }, "taken").some(
          (c) => (severity === "any" || c.severity === severity) && told.test(c.says),
        ),
      );
    return `${of} | caution from ${from("any") ?? "never"} mL, stop from ${from("stop") ?? "never"} mL`;
  });
  golden("cautions-ceilings", [...herbs, ...liquids]);
});

test("ranks, and stops that have no reason yet", () => {
  expect(
    Object.entries(RANK)
      .sort((a, b) => a[1] - b[1])
      .map(([k]) => k),
  ).toEqual(["never", "stop", "caution", "note"]);
  const s = situation(trial(honeyed("elderberry", 80), {}))!;
  const stops = cautionsOf(s).filter((c) => c.severity === "stop");
  expect(stops.length).toBeGreaterThan(0);
  expect(unanswered(stops, {})).toEqual(stops);
  expect(unanswered(stops, { [stops[0]!.id]: "  " })).toContain(stops[0]);
  expect(unanswered(stops, { [stops[0]!.id]: "cooked before" })).not.toContain(stops[0]);
});
