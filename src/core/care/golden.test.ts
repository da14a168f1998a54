import { CASES } from "../../../tests/golden-plans";
import { golden } from "../../../tests/golden";
import { type Day, addDays } from "../day";
import { line, made, trial, withSteps } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type Care, TOUCHES, type TouchSort, careOf, dueOn } from "./care";
import { isAway, strainDayOf, strainTogether, weekdayOf } from "./weeks";

const BEGUN = "2026-09-01";
const day = (n: number): Day => addDays(BEGUN, n);

/** Jars that want every sort of touch. */
const JARS = [
  [
    "fresh fruit in honey",
    "honey-dried",
    [line("raspberry", "300 g", { form: "fresh" }), line("honey", "500 mL")],
    "3 weeks",
  ],
  [
    "hot peppers",
    "oxymel-even",
    [line("cayenne", "20 g", { form: "fresh" }), line("cider-vinegar", "500 mL")],
    "6 weeks",
  ],
  [
    "a jar half full",
    "vinegar-plain",
    [line("chamomile", "40 g", { form: "dried" }), line("cider-vinegar", "350 mL")],
    "10 d",
  ],
  [
    "sweet and sour",
    "oxymel-even",
    [line("sage", "60 g", { form: "fresh" }), line("cider-vinegar", "400 mL"), line("honey", "300 mL")],
    "2-4 weeks",
  ],
  [
    "weak spirit",
    "tincture-jarful",
    [line("damson", "300 g", { form: "fresh" }), line("vodka-40", "300 mL"), line("water", "300 mL")],
    "8 weeks",
  ],
  [
    "a short one",
    "vinegar-plain",
    [line("thyme", "20 g", { form: "dried" }), line("cider-vinegar", "800 mL")],
    "9 d",
  ],
] as const;
const SHAKEN = ["twice-daily", "daily", "every-few-days", "when-remembered"] as const;

function careOfPlan(plan: ReturnType<typeof made>, moved?: Parameters<typeof careOf>[3]): Care | undefined {
  const p = resolve(plan);
  if (!p.ok) throw new Error(p.faults[0]!.message);
  const r = reckonProgram(p.value);
  return careOf(p.value, r.fit, r.working, moved);
}

const told = (name: string, c: Care): string[] => [
  `${name} | window | ${c.window ? Object.values(c.window).join(" ") : "none"}`,
  ...c.rules.map(
    (r) =>
      `${name} | ${r.sort} | ${r.from}-${r.to} every ${r.every} ${r.matters ? "matters" : ""} | ${r.why}`,
  ),
];

test("what a jar wants, from what stands in it", () => {
  const plans = JARS.flatMap(([name, way, what, steep], i) => {
    const plan = trial(
      withSteps(made(way, []), [
        { do: "add", what },
        { do: "steep", for: steep },
        { do: "strain", how: "wrung" },
        { do: "bottle" },
      ]),
      { shake: SHAKEN[i % SHAKEN.length]! },
    );
    return [
      [name, careOfPlan(plan)!] as const,
      [`${name}, weighted`, careOfPlan({ ...plan, weighted: true })!] as const,
      [`${name}, moved`, careOfPlan(plan, { earliest: 10, best: 40, latest: 90 })!] as const,
    ];
  });
  const usual = CASES.map((c) => [c.name, careOfPlan] as const).flatMap(([name, f], i) => {
    const c = resolve(CASES[i]!.plan).ok ? f(CASES[i]!.plan) : undefined;
    return c ? told(name, c) : [];
  });
  golden("care", [...plans.flatMap(([name, c]) => told(name, c)), ...usual]);
});

test("what is due, day by day, whatever was done before", () => {
  const cares = JARS.map(([name, way, what, steep]) => {
    const plan = withSteps(made(way, []), [
      { do: "add", what },
      { do: "steep", for: steep },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ]);
    return [name, careOfPlan(plan)!] as const;
  });
  const dones: readonly (readonly [string, Partial<Record<TouchSort, Day>>])[] = [
    ["nothing done", {}],
    ["all done on day 2", Object.fromEntries(TOUCHES.map((t) => [t, day(2)]))],
    ["all done on day 20", Object.fromEntries(TOUCHES.map((t) => [t, day(20)]))],
  ];
  const lines = cares.flatMap(([name, care]) =>
    dones.flatMap(([done, map]) =>
      [0, 1, 2, 3, 4, 7, 8, 10, 11, 14, 17, 20, 21, 22, 24, 27, 28, 29, 35, 42, 49, 56, 70].map((n) => {
        const due = dueOn(care, BEGUN, day(n), map).map(
          (d) =>
            `${d.sort} ${d.overdue ? "overdue " : ""}${d.matters ? "matters " : ""}${d.since.slice(5)} ${d.why}`,
        );
        const moved = dueOn(care, BEGUN, day(n), map, day(24)).map((d) => d.sort);
        return `${name} | ${done} | day ${n} | ${due.join("; ") || "nothing"} | strained on day 24: ${moved.join(" ") || "nothing"}`;
      }),
    ),
  );
  golden("due", lines);
});

test("the day to strain on, by the household's own days", () => {
  const windows = [
    { earliest: day(20), best: day(28), latest: day(42) },
    { earliest: day(28), best: day(28), latest: day(28) },
    { earliest: day(26), best: day(30), latest: day(31) },
    { earliest: day(40), best: day(55), latest: day(60) },
  ];
  const households = [
    ["any day", { strainDays: [], away: [] }],
    ["Sundays", { strainDays: ["sun"], away: [] }],
    ["Mondays and Thursdays", { strainDays: ["mon", "thu"], away: [] }],
    ["away over the best", { strainDays: [], away: [{ from: day(25), to: day(33), why: "" }] }],
    ["away all of it", { strainDays: ["sat"], away: [{ from: day(1), to: day(90), why: "" }] }],
    [
      "two times away",
      {
        strainDays: ["sat"],
        away: [
          { from: day(20), to: day(27), why: "" },
          { from: day(29), to: day(41), why: "" },
        ],
      },
    ],
  ] as const;
  const lines = households.flatMap(([name, weeks]) => [
    ...windows.map((w, i) => {
      const s = strainDayOf(w, weeks as never);
      return `${name} | window ${i + 1} | ${s.day} ${weekdayOf(s.day)} ${s.fits}`;
    }),
    ...[
      ...strainTogether(
        windows.map((window, i) => ({ id: String(i + 1), window })),
        weeks as never,
      ),
    ].map(([id, s]) => `${name} | together ${id} | ${s.day} ${s.fits} with ${s.others}`),
    `${name} | away | ${[19, 20, 25, 33, 34, 41, 42].map((n) => (isAway(day(n), weeks as never) ? n : "-")).join(" ")}`,
  ]);
  golden("weeks", lines);
});
