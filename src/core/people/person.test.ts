import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { addMonths } from "../day";
import { companyOf } from "./company";
import {
  FLAGS,
  FLAG_WORDS,
  Person,
  honeyFrom,
  isChild,
  isInfant,
  isUnderSixteen,
  meantOf,
  takesMedicine,
} from "./person";

const of = (name: string, more: Partial<Person> = {}): Person => ({
  name,
  flags: [],
  allergies: [],
  ...more,
});

describe("how old someone may be, by the month alone", () => {
  test.each([
    ["2026-03", "2027-03-31", true],
    ["2026-03", "2027-04-01", false],
    ["2025-12", "2026-12-31", true],
    ["2025-12", "2027-01-01", false],
    ["2026-11", "2026-11-24", true],
  ])("born %s, on %s: under twelve months is %p", (born, today, infant) =>
    expect(isInfant(of("b", { born }), today)).toBe(infant),
  );
  test("the day honey may be given is the first day they are no infant, whenever they were born", () => {
    fc.assert(
      fc.property(fc.integer({ min: 2000, max: 2030 }), fc.integer({ min: 1, max: 12 }), (y, m) => {
        const p = of("b", { born: `${y}-${String(m).padStart(2, "0")}` });
        const day = honeyFrom(p)!;
        const eve = addMonths(day, -1);
        return !isInfant(p, day) && isInfant(p, eve);
      }),
    );
  });
  test("a child is under eighteen, and no month said is no child", () => {
    expect([
      isChild(of("c", { born: "2009-01" }), "2026-11-24"),
      isChild(of("c", { born: "2008-10" }), "2026-11-24"),
      isChild(of("c"), "2026-11-24"),
    ]).toEqual([true, false, false]);
    expect([
      isUnderSixteen(of("c", { born: "2011-01" }), "2026-11-24"),
      isUnderSixteen(of("c", { born: "2010-09" }), "2026-11-24"),
    ]).toEqual([true, false]);
  });
});

describe("a person", () => {
  test("every flag has words, and the medicines are told from the rest", () => {
    for (const f of FLAGS) expect(FLAG_WORDS[f].length).toBeGreaterThan(5);
    expect(FLAGS.filter((f) => takesMedicine(of("k", { flags: [f] })))).toEqual([
      "blood-thinner",
      "blood-pressure",
      "heart",
      "diabetes-medicine",
      "sedative",
      "immune-medicine",
      "other-medicine",
    ]);
  });
  test.each([
    [{ name: "k", born: "2026-3" }],
    [{ name: "k", born: "1826-03" }],
    [{ name: "" }],
    [{ name: "k", flags: ["grumpy"] }],
    [{ name: "k", surgery: "soon" }],
  ])("%j is refused", (p) =>
    expect(Person.safeParse({ flags: [], allergies: [], ...p }).success).toBe(false),
  );
  test("meant for is by name, letter case aside; unknown names are nobody", () => {
    const home = [of("the keeper"), of("the baby", { born: "2026-03" })];
    expect(meantOf([" The Keeper ", "the postman"], home).map((p) => p.name)).toEqual(["the keeper"]);
    expect(companyOf({ meantFor: ["the baby"] }, { people: home, today: "2026-11-24" })).toMatchObject({
      meantFor: [{ name: "the baby" }],
      others: [{ name: "the keeper" }],
    });
    expect(companyOf({}, { people: home, today: "2026-11-24" }).others).toHaveLength(2);
  });
});
