import { readWish } from "./said";

const KNOWN = [
  { name: "Hyssop & fennel oxymel", kind: "oxymel" as const },
  { name: "Horehound syrup", kind: "syrup" as const },
  { name: "Beetroot fire cider", kind: "fire-cider" as const },
  { name: "Damson honey", kind: "honey" as const },
];
const read = (text: string, south = false) =>
  readWish(text, { known: KNOWN, today: "2026-11-24", units: "metric", south });

/** Sentences as people say them, and what each says: people, mL, times a day, first and last month. */
const USES: readonly (readonly [text: string, name: string, says: readonly (number | undefined)[]])[] = [
  ["fire cider for four, from November to March, a tablespoon each morning", "fire cider", [4, 15, 1, 11, 3]],
  [
    "Beetroot fire cider, 2 tbsp twice a day for 3 people, Jan to Feb",
    "Beetroot fire cider",
    [3, 30, 2, 1, 2],
  ],
  ["a teaspoon of damson honey every night for the two of us, all winter", "Damson honey", [2, 5, 1, 12, 2]],
  ["horehound syrup: for one, 5 ml three times a day in December", "Horehound syrup", [1, 5, 3, 12, 12]],
  [
    "hyssop & fennel oxymel for five people daily, a dessertspoon, October through April",
    "Hyssop & fennel oxymel",
    [5, 10, 1, 10, 4],
  ],
  ["any oxymel for 2, all year round, 1 tsp every other day", "oxymel", [2, 5, 0.5, 1, 12]],
  [
    "we want half a teaspoon of horehound syrup, morning and evening, for six, this autumn",
    "Horehound syrup",
    [6, 2.5, 2, 9, 11],
  ],
  ["damson honey once a week, for four, 2 teaspoons, in summer", "Damson honey", [4, 10, 1 / 7, 6, 8]],
  [
    "there are three of us, 10 mL of beetroot fire cider each every morning from September until May",
    "Beetroot fire cider",
    [3, 10, 1, 9, 5],
  ],
  ["1 tbsp syrup at bedtime for twelve people, between November and January", "syrup", [12, 15, 1, 11, 1]],
  ["20 drops of beetroot fire cider 3 times a day for 1 in May", "Beetroot fire cider", [1, 1, 3, 5, 5]],
  ["1 tbsp fire cider each Sunday for three, all year", "fire cider", [3, 15, 1 / 7, 1, 12]],
  ["damson honey: 1 teaspoonful nightly, for the four of us, Nov–Feb", "Damson honey", [4, 5, 1, 11, 2]],
  [
    "2x daily a teaspoon of horehound syrup for two, from October to the end of March",
    "Horehound syrup",
    [2, 5, 2, 10, 3],
  ],
];

test.each(USES)("“%s” is read", (text, name, [people, ml, times, from, to]) => {
  const is = read(text);
  expect(is.remedy?.name).toBe(name);
  expect(is.use.people).toBe(people);
  expect(is.use.ml).toBeCloseTo(ml!, 3);
  expect(is.use.times).toBeCloseTo(times!, 6);
  expect(is.use.months).toEqual([from, to]);
  expect(is.left).toEqual([]);
  expect(is.asks).toEqual([]);
});

test.each([
  ["ten gifts of 100 mL of damson honey for the 20th", { count: 10, ml: 100, day: "2026-12-20" }],
  ["four presents of damson honey, 250 ml each, by 6 January", { count: 4, ml: 250, day: "2027-01-06" }],
  [
    "a dozen bottles to give away of damson honey, 50 mL, by 2027-03-01",
    { count: 12, ml: 50, day: "2027-03-01" },
  ],
])("“%s” is so many gifts", (text, says) => {
  const is = read(text);
  expect(is.gift).toMatchObject(says);
  expect(is.asks).toEqual([]);
  expect(is.left).toEqual([]);
});

test.each([
  ["fire cider for four, from November to March, a spoon each morning", ["WhichSpoon"]],
  ["ten gifts for the 20th", ["WhichRemedy", "HowLarge"]],
  ["damson honey for four", ["HowMuch", "HowOften", "WhichMonths"]],
  ["a teaspoon each morning for two in May", ["WhichRemedy"]],
])("“%s” is asked for what it leaves open", (text, asks) => {
  expect(read(text).asks.map((a) => a.name)).toEqual(asks);
});

test("what nothing was made of is told; never to run out is heard; the south has its winter in June", () => {
  expect(read("damson honey for my aunt Purple").left).toEqual(["my", "aunt", "Purple"]);
  expect(read("never run out of damson honey")).toMatchObject({ never: true, asks: [], left: [] });
  expect(read("1 tsp damson honey daily for 2 in winter", true).use.months).toEqual([6, 8]);
});

test("no words, a thousand letters and a page of scripts are no wish, and none is invented", () => {
  for (const text of [
    "",
    "x".repeat(5000),
    "<script>alert(1)</script>",
    "‏دبس",
    "🍯🍯",
    "1/0 tsp",
    "∞ spoons for −3",
  ]) {
    const is = read(text);
    expect(is.remedy).toBeUndefined();
    expect(is.gift).toBeUndefined();
    expect(is.asks.length).toBeGreaterThan(0);
  }
});
