import { bare } from "../quantity/carried";
import { describe, expect, test } from "@jest/globals";
import { ownPlant } from "../../../tests/own-plant";
import { MATERIALS } from "../material/catalogue";
import { FAMILIES, HELD_BY } from "../material/families";
import { isCalledBaby, type Person } from "../people/person";
import { line, made, trial } from "../plan/trial";
import type { Plan } from "../plan/plan";
import { takenADay } from "../reading/taken";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { CEILINGS } from "./ceilings";
import type { Caution, Severity } from "./caution";
import { neverAtTheDoor } from "./door";
import { cautionsOf, forWhoTakesIt } from "./rules";

const TODAY = "2026-11-24";
const person = (more: Partial<Person>): Person => ({ name: "the keeper", flags: [], allergies: [], ...more });
const reckoned = (plan: Plan) => {
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  return { program: program.value, reckoning: reckonProgram(program.value) };
};
const judged = (
  plan: Plan,
  meantFor: readonly Person[] = [],
  more: { dayMl?: number; days?: number } = {},
): Caution[] => cautionsOf({ ...reckoned(plan), meantFor, others: [], today: TODAY, ...more });
const severity = (all: readonly Caution[], id: string): Severity | undefined =>
  all.find((c) => c.id === id)?.severity;

const HONEY = made("honey-dried", [line("thyme", "20 g", { form: "dried" })]);
const TINCTURE = made("tincture-jarful", [line("thyme", "40 g", { form: "dried" })]);
const PLAIN = made("vinegar-plain", [line("thyme", "20 g", { form: "dried" })]);

describe("a never holds at every door", () => {
  const BABY = person({ name: "the baby", born: "2026-08" });
  const at = (
    plan: Plan,
    who: string | undefined,
    people: readonly Person[] = [],
    meantFor?: readonly string[],
  ) => neverAtTheDoor(reckoned(plan), { who, people, today: TODAY, meantFor })?.id;
  test.each([
    ["by name", "the baby", [BABY]],
    ["in other letters", "The Baby", [BABY]],
    ["among others", "the keeper and the baby", [BABY, person({})]],
    ["by a name of theirs", "Wren", [person({ name: "Wren", born: "2026-03" })]],
    ["called a baby, no month known", "the baby", [person({ name: "the baby" })]],
    ["nobody of the household", "my sister's newborn", []],
  ])("honey for a baby %s", (_, who, people) => expect(at(HONEY, who, people)).toBe("honey-for-an-infant"));
  test("whom it was made for counts where nobody is named, and nobody else", () => {
    expect(at(HONEY, undefined, [BABY], ["the baby"])).toBe("honey-for-an-infant");
    expect(at(HONEY, undefined, [BABY])).toBeUndefined();
    expect(at(HONEY, "the keeper", [BABY, person({})], ["the baby"])).toBeUndefined();
    expect(at(HONEY, "the babysitter", [BABY])).toBeUndefined();
    expect(at(HONEY, "the baby", [person({ name: "the baby", born: "2019-03" })])).toBeUndefined();
  });
  test("spirit: never for an infant, a stop for a child and in pregnancy, with the mL of a spoon", () => {
    expect(at(TINCTURE, "the baby", [BABY])).toBe("alcohol");
    const of = (p: Partial<Person>) => judged(TINCTURE, [person(p)]).find((c) => c.id === "alcohol")!;
    expect(of({ born: "2026-03" }).severity).toBe("never");
    expect(of({ born: "2019-03" }).severity).toBe("stop");
    expect(of({ flags: ["pregnant"] }).severity).toBe("stop");
    expect(of({ flags: ["nursing"] }).severity).toBe("caution");
    expect(bare(of({ born: "2019-03" }).says)).toMatch(
      /\d\.\d g a teaspoon: .* That is \d+(?:\.\d+)? mL of pure alcohol/,
    );
  });
  test("what must never be swallowed is among what a course minds, whoever it is for", () => {
    const foxglove = made("tincture-jarful", [line("foxglove", "10 g", { form: "dried" })]);
    expect(forWhoTakesIt(judged(foxglove)).map((c) => c.severity)).toContain("never");
    expect(
      neverAtTheDoor(reckoned(foxglove), { who: "the keeper", people: [], today: TODAY, meantFor: undefined })
        ?.id,
    ).toBe("narrow-margin-poison");
  });
  test("only a word of its own calls somebody a baby", () => {
    expect(["the baby", "Baby", "newborn twins", "babies"].filter((n) => !isCalledBaby(n))).toEqual([]);
    expect(["babysitter", "the keeper", "Babylon"].filter(isCalledBaby)).toEqual([]);
  });
});

describe("a dose", () => {
  test.each([
    ["1 tsp three times a day", 15],
    ["a teaspoon twice a day", 10],
    ["1 tbsp in the morning and in the evening", 30],
    ["1 cup three times a day", 720],
    ["a bottle a day", 500],
    ["2 droppers 3 times daily", 6],
    ["1 tsp every 2 hours", 40],
    ["1 tsp every 30 minutes", 160],
    ["half a teaspoon at night", 2.5],
    ["20 to 30 drops three times a day", 4.5],
    ["5 mL hourly", 80],
    ["15ml 3x a day", 45],
    ["a capful morning and night", 10],
    ["two droppersful under the tongue, four times a day", 8],
    ["one shot glass before meals", 90],
    ["2 glasses with meals", 1440],
    ["1-2 tsp up to 5 times daily", 50],
  ])("“%s” is %p mL a day", (text, ml) => expect(takenADay(text, 5)).toBeCloseTo(ml, 6));
  test.each(["", "as needed", "three times a day", "warm, with food"])("“%s” says no amount", (text) =>
    expect(takenADay(text, 5)).toBeUndefined(),
  );
  test.each([
    "1 cup three times a day",
    "a bottle a day",
    "1 tsp every 30 minutes",
    "a glass at night",
    "every half hour",
    "6 times a day",
  ])("“%s” is often", (taken) => expect(severity(judged({ ...PLAIN, taken }), "too-often")).toBe("caution"));
  test.each(["1 tsp three times a day", "a spoon in the morning", "1 tsp daily"])("“%s” is not", (taken) =>
    expect(severity(judged({ ...PLAIN, taken }), "too-often")).toBeUndefined(),
  );
  test("every herb with a ceiling is of the catalogue, and is told of past it and only past it", () => {
    const wrong = Object.entries(CEILINGS).flatMap(([id, c]) => {
      const m = MATERIALS.get(id);
      if (!m) return [`${id} is no material`];
      const form =
        m.kind === "plant" && m.row.forms && !m.row.forms.includes("dried") ? m.row.forms[0] : "dried";
      const plan = made("tincture-jarful", [line(id, "60 g", form ? { form } : {})]);
      const r = reckoned(plan);
      const perMl = r.reckoning.herbPerMl.value;
      const told = (ml: number): boolean =>
        judged(plan, [], { dayMl: ml }).some((x) => x.id === "too-much-a-day" && x.about.what === "line");
      return [
        ...(told((c.grams * 0.97) / perMl) ? [`${id} is told of under its ceiling`] : []),
        ...(told((c.grams * 1.06) / perMl) ? [] : [`${id} is silent past its ceiling`]),
      ];
    });
    expect(wrong).toEqual([]);
  });
  test("days on end are counted where a course lays them down", () => {
    const senna = made("tincture-jarful", [line("senna", "30 g", { form: "dried" })]);
    const at = (days: number) =>
      judged(senna, [], { dayMl: 5, days }).filter(
        (c) => c.id === "too-much-a-day" && /days on end/.test(c.says),
      ).length;
    expect([7, 8].map(at)).toEqual([0, 1]);
  });
  test("alcohol and sugar of a day, to anyone at all", () => {
    const of = (plan: Plan, dayMl: number) =>
      judged(plan, [], { dayMl }).filter((c) => c.id === "too-much-a-day" && c.about.what === "taken");
    expect(of(TINCTURE, 120).map((c) => c.severity)).toEqual(["stop"]);
    expect(of(TINCTURE, 120)[0]!.says).toMatch(/A day of it holds \d+ g of pure alcohol/);
    expect(of(TINCTURE, 15)).toEqual([]);
    expect(of(HONEY, 60).map((c) => c.severity)).toEqual(["caution"]);
    expect(of(HONEY, 30)).toEqual([]);
  });
  test("nothing said is nothing judged", () =>
    expect(severity(judged(TINCTURE), "too-much-a-day")).toBeUndefined());
});

describe("allergies fire by their own reason", () => {
  const why = (id: string, to: string): string | undefined => {
    const what = [line(id, MATERIALS.get(id)?.kind === "plant" ? "10 g" : "100 mL"), line("water", "500 mL")];
    const plan = made("oxymel-even", [], {
      steps: [
        { do: "add", what },
        { do: "steep", for: "2 weeks" },
        { do: "strain", how: "wrung" },
        { do: "bottle" },
      ],
    });
    return judged(plan, [person({ allergies: [to] })]).find(
      (c) => c.severity === "stop" && /allerg/.test(c.says),
    )?.says;
  };
  test.each([
    ["malt-vinegar", "gluten"],
    ["oatstraw", "gluten"],
    ["milky-oats", "coeliac"],
    ["red-wine", "sulphites"],
    ["raisin", "sulfites"],
    ["kelp", "iodine"],
    ["reishi", "mushrooms"],
    ["fenugreek", "peanuts"],
    ["apple", "birch pollen"],
    ["tomato", "nightshades"],
  ])("%s for someone with %s", (id, to) => expect(MATERIALS.has(id) ? why(id, to) : "not here").toBeTruthy());
  test.each([
    ["tomato", "black pepper"],
    ["liquorice", "soya"],
    ["liquorice", "peanut"],
    ["thyme", "gluten"],
    ["white-vinegar", "sulphites"],
  ])("%s for someone with %s is nothing", (id, to) =>
    expect(MATERIALS.has(id) ? why(id, to) : undefined).toBeUndefined(),
  );
  test("apple is no birch", () => expect(why("apple", "birch pollen")).toMatch(/go with birch pollen/));
  test("what holds gluten and sulphites is of the catalogue", () => {
    const strange = Object.values(HELD_BY).flatMap((h) => h.materials.filter((m) => !MATERIALS.has(m)));
    expect(strange).toEqual([]);
    expect(new Set(FAMILIES.map((f) => f.id)).size).toBe(FAMILIES.length);
  });
});

test("an own plant leaves a trace: gathered a caution, without its Latin name a note, and on nobody's word a leaf", () => {
  const own = (more: { latin?: string; gathered?: boolean }) =>
    judged(ownPlant("towpath mint", more)).filter((c) => c.id === "own-plant");
  expect(own({ gathered: true }).map((c) => c.severity)).toEqual(["caution"]);
  expect(own({ gathered: true, latin: "Mentha aquatica" }).map((c) => c.severity)).toEqual(["caution"]);
  expect(own({}).map((c) => c.severity)).toEqual(["note"]);
  expect(own({ latin: "Mentha aquatica" })).toEqual([]);
  expect(
    judged(trial(made("oxymel-even", [line("thyme", "10 g")]), {})).some((c) => c.id === "own-plant"),
  ).toBe(false);
});

describe("words that are no claim, and words that are", () => {
  const claims = (name: string): boolean => judged({ ...PLAIN, name }).some((c) => c.id === "health-claim");
  test.each([
    "Self-heal vinegar",
    "self heal oxymel",
    "A winter treat",
    "Treats for the cold evenings",
    "Heal-all honey",
  ])("“%s” is none", (name) => expect(claims(name)).toBe(false));
  test.each([
    "Heals coughs",
    "Treats the flu",
    "treats colds",
    "Cold cure",
    "Prevents infections",
    "Self-heal that heals wounds",
  ])("“%s” is one", (name) => expect(claims(name)).toBe(true));
});
