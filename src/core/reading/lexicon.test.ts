import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "../material/catalogue";
import { DEED_ROWS } from "./deeds";
import { hurtOf, hurtOfName } from "./hurts";
import { formsOfVerb, sensesOf } from "./lexicon";
import { readLine } from "./line";
import { nearNames } from "./names";
import { contextIn } from "./said";
import { SENSE_ROWS } from "./senses";

const twice = (words: readonly string[]): string[] => [
  ...new Set(words.filter((w, i) => words.indexOf(w) !== i)),
];

describe("the lexicon", () => {
  test("each word stands in one row of senses", () =>
    expect(twice(SENSE_ROWS.flatMap(([, words]) => words.split(" ")))).toEqual([]));
  test("each verb stands in one row of deeds", () =>
    expect(twice(DEED_ROWS.flatMap(([, verbs]) => verbs.split(" ")))).toEqual([]));
  test("verbs are known in all their forms", () => {
    expect(formsOfVerb("stir")).toEqual(expect.arrayContaining(["stirs", "stirred", "stirring"]));
    expect(formsOfVerb("dry")).toEqual(expect.arrayContaining(["dries", "dried", "drying"]));
    for (const w of ["steeped", "shaken", "strains", "pouring", "simmered", "left"])
      expect(sensesOf(w).deed).toBeDefined();
  });
  test("no word of everyday speech is the one-word name of a plant", () => {
    const names = [...MATERIALS.values()].flatMap((m) => m.row.names.filter((n) => !n.includes(" ")));
    const plain = names.map((n) => n.toLowerCase());
    expect(
      plain.filter((n) => sensesOf(n).everyday && !sensesOf(n).noun && !["honey", "water"].includes(n)),
    ).toEqual([]);
  });
});

describe("names under one slip of the pen", () => {
  const firsts = [...MATERIALS.values()].map((m) => m.row.names[0]!).filter((n) => /^[a-z]{6,}$/.test(n));
  const slips = (n: string): string[] => [
    n.slice(0, 2) + n.slice(3),
    n.slice(0, 3) + n[2] + n.slice(3),
    n.slice(0, 3) + n[4] + n[3] + n.slice(5),
  ];
  test("the name that was meant is offered, nearly always first", () => {
    const tried = firsts.flatMap((n) =>
      slips(n)
        .filter((s) => s !== n)
        .map((s) => [n, nearNames(s).map((m) => m.row.names[0])] as const),
    );
    expect(tried.length).toBeGreaterThan(150);
    expect(tried.filter(([n, near]) => !near.includes(n)).length / tried.length).toBeLessThan(0.03);
    expect(tried.filter(([n, near]) => near[0] === n).length / tried.length).toBeGreaterThan(0.9);
  });
  test.each([
    ["vinager", "cider-vinegar"],
    ["cinammon", "cinnamon-cassia"],
    ["wine vinegar", "red-wine-vinegar"],
    ["haldee", "turmeric"],
  ])("“%s” offers %s", (typed, id) => expect(nearNames(typed).map((m) => m.row.id)).toContain(id));
});

describe("a name that hurts is said as such the moment it is read", () => {
  test.each([
    "foxglove leaf 1 oz",
    "1 cup lily of the valley",
    "2 cups monkshood",
    "deadly nightshade berries, a handful",
  ])("%s", (text) => expect(hurtOf(readLine(text, contextIn("us")))).toMatch(/never goes in/));
  test("of thyme nothing is said", () => {
    expect(hurtOf(readLine("1 cup thyme", contextIn("us")))).toBeUndefined();
    expect(hurtOfName("carnation")).toBeUndefined();
  });
});
