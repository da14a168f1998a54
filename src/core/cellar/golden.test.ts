import { chance } from "../../../tests/chance";
import { figure, golden } from "../../../tests/golden";
import { type Day, addDays } from "../day";
import { PLACE_CLASSES } from "../journal/events";
import { KINDS } from "../plan/plan";
import { VESSELS } from "../vessel/catalogue";
import { type BottleEvent, type Filled, GRAVE_SIGNS, SIGNS, foldBottle } from "./bottle";
import { mayFollowBottle } from "./may-befall";
import { courseStands, weeklyMl } from "./course";
import { bottlesFor, fillPlan } from "./fill";
import { type SupplyBottle, startBy, supplyOf } from "./supply";

const TODAY = "2026-11-24";
const FILLED: Filled = {
  ...{
    id: "b",
    number: 1,
    ml: 500,
    place: "cupboard",
    at: undefined,
    strained: "2026-09-01",
    filled: "2026-09-02",
  },
};

/** Lives of bottles by lot: what befalls them, in any order. */
function lives(): readonly (readonly BottleEvent[])[] {
  const c = chance(416);
  const bodies: readonly (readonly [string, () => object])[] = [
    ["opened", () => ({})],
    ["poured", () => ({ ml: Math.round(c.from(2, 120)), said: "so much" })],
    ["poured", () => ({ ml: 500, said: "all", into: "OX-26-09" })],
    [
      "coursed",
      () => ({ ml: 5, said: "1 tsp", times: 3, days: 10, rest: 4, from: "2026-11-20", for: "the keeper" }),
    ],
    ["moved", () => ({ place: PLACE_CLASSES[Math.floor(c.next() * 4)]! })],
    [
      "inspected",
      () => ({
        signs: [SIGNS[Math.floor(c.next() * SIGNS.length)]!],
        outcome: "use-up",
        useBy: "2026-12-20",
      }),
    ],
    ["inspected", () => ({ signs: [], outcome: "fine" })],
    ["given", () => ({ to: "the coal boat" })],
    ["emptied", () => ({})],
    ["discarded", () => ({ why: "mould" })],
    ["corrected", () => ({ seq: 1, body: null })],
  ];
  return Array.from({ length: 80 }, () =>
    Array.from({ length: 1 + Math.floor(c.next() * 7) }, (_, i): BottleEvent => {
      const [type, body] = bodies[Math.floor(c.next() * bodies.length)]!;
      const day = addDays("2026-09-02", Math.floor(c.next() * 80));
      return {
        ...{ type, version: 1, streamId: "b", seq: i + 1, key: `k${i}`, day, body: body() },
        ...{ at: `${day}T10:00:00.000Z`, recordedAt: `${day}T10:00:00.000Z` },
      } as BottleEvent;
    }),
  );
}

test("what became of eighty bottles, and what may befall them next", () => {
  const next = [
    "opened",
    "poured",
    "coursed",
    "moved",
    "inspected",
    "given",
    "emptied",
    "discarded",
    "corrected",
  ] as const;
  const lines = lives().map((events, n) => {
    const is = foldBottle(FILLED, events);
    const may = next.map((t) => {
      const not = mayFollowBottle(is, t, t === "moved" ? { place: "freezer" } : {});
      return `${t} ${not ?? "may"}`;
    });
    const { state, leftMl, openedDay, goneDay, goneWords, useBy, place, taken, stood, course } = is;
    return `${n} ${events.map((e) => e.type).join(" ")} | ${state} ${figure(leftMl)} ${place} opened ${openedDay} gone ${goneDay} ${goneWords} use by ${useBy} | taken ${JSON.stringify(taken)} stood ${JSON.stringify(stood)} course ${course?.said} | ${may.join("; ")}`;
  });
  golden("cellar-bottles", [...lines, [...GRAVE_SIGNS].join(" ")]);
});

test("courses, day by day", () => {
  const course = { ml: 5, said: "1 tsp", times: 3, days: 10, rest: 4, for: "the keeper", from: "2026-11-20" };
  const per = { sugar: 0.5, alcohol: 0.1, herb: 0.04 };
  const taken = [
    { from: TODAY, to: TODAY, ml: 7.5 },
    { from: "2026-11-23", to: "2026-11-23", ml: 15 },
    { from: TODAY, to: TODAY, ml: 12.5 },
  ];
  const lines = [
    "2026-11-19",
    "2026-11-20",
    TODAY,
    "2026-11-29",
    "2026-11-30",
    "2026-12-03",
    "2026-12-04",
    "2026-12-20",
  ].flatMap((today) =>
    [500, 149, 40, 0].map(
      (left) => `${today} ${left} mL | ${JSON.stringify(courseStands(course, left, per, taken, today))}`,
    ),
  );
  golden("cellar-courses", [
    ...lines,
    JSON.stringify(courseStands({ ...course, rest: 0 }, 300, per, [], "2026-12-04")),
    `a week: ${figure(weeklyMl(course))} ${figure(weeklyMl({ ...course, rest: 0 }))}`,
  ]);
});

test("which bottles, for so much, of those on hand", () => {
  const shelf = ["b-500", "b-250", "b-330-swing", "b-100", "d-50"].flatMap((id, i) => {
    const vessel = VESSELS.get(id);
    return vessel ? [{ vessel, count: 3 - (i % 3) }] : [];
  });
  const lines = [
    0, 5, 20, 49, 50, 99, 180, 251, 330, 500, 610, 777, 1000, 1234, 1500, 2600, 5000, 20_000,
  ].map((ml) => {
    const { fills, leftMl } = fillPlan(ml, shelf);
    return `${ml} mL | ${fills.map((f) => `${f.vessel.id} ${figure(f.ml)}`).join(", ") || "none"} | over ${figure(leftMl)}`;
  });
  const kinds = KINDS.map((kind) => {
    const some = bottlesFor(
      kind,
      [
        { vessel: "b-500", count: 2 },
        { vessel: "d-50", count: 4 },
        { vessel: "m-1000", count: 1 },
        { vessel: "b-100", count: 0 },
      ],
      "metric",
      "shut",
    );
    return `${kind} | ${some.map((x) => `${x.vessel.id} ${x.count}`).join(", ")} | none counted: ${bottlesFor(
      kind,
      [],
      "metric",
      "shut",
    )
      .map((x) => `${x.vessel.id} ${x.count}`)
      .join(", ")}`;
  });
  golden("cellar-fills", [...lines, ...kinds]);
});

test("how long it lasts, of households by lot", () => {
  const c = chance(12);
  const lines = Array.from({ length: 30 }, (_, n) => {
    const days = Math.round(c.from(10, 500));
    const taken = Array.from({ length: days }, (_x, i) => i).flatMap((back) => {
      const day: Day = addDays(TODAY, -1 - back);
      return c.next() < 0.3 ? [{ from: day, to: day, ml: Math.round(c.from(3, 25)) }] : [];
    });
    const bottles: SupplyBottle[] = [
      {
        filled: addDays(TODAY, -days),
        gone: n % 3 === 0 ? TODAY : undefined,
        leftMl: n % 3 === 0 ? 0 : 120,
        bestBy: addDays(TODAY, 40),
        taken,
      },
      {
        filled: addDays(TODAY, -5),
        gone: undefined,
        leftMl: 300,
        bestBy: addDays(TODAY, n % 4 === 0 ? 20 : 400),
        taken: [],
      },
      { filled: addDays(TODAY, -90), gone: undefined, leftMl: 80, bestBy: addDays(TODAY, -3), taken: [] },
    ];
    const around = {
      ...(n % 5 === 0 ? { courseMl: 50 } : {}),
      ...(n % 7 === 0 ? { away: [{ from: addDays(TODAY, -20), to: addDays(TODAY, 15) }] } : {}),
    };
    const s = supplyOf(bottles, TODAY, around);
    return `${n} over ${days} days | ${s ? `${figure(s.stockMl)} late ${figure(s.lateMl)} a week ${figure(s.perWeekMl)} by ${s.weeks} | ${s.out ? `${s.out.early} ${s.out.likely} ${s.out.late}` : "cannot be said"}` : "unused"}`;
  });
  golden("cellar-supply", [...lines, startBy("2027-02-01", 42)]);
});
