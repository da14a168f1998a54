import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { ownPlant } from "../../../tests/own-plant";
import { line, made } from "../plan/trial";
import { materialNamed } from "../reading/names";
import { type Reckoning, reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { type Caution } from "./caution";
import { cautionsOf } from "./rules";

interface Named {
  readonly name: string;
  readonly latin?: string | undefined;
}
const read = (file: string): readonly Named[] =>
  readFileSync(join(__dirname, "../../../tests/phrases/hurts", file), "utf8")
    .split("\n")
    .filter((l) => !l.startsWith("#"))
    .flatMap((l) => l.split(";"))
    .map((n) => n.split("|").map((x) => x.trim()))
    .filter(([name]) => name)
    .map(([name, latin]) => ({ name: name!, latin }));

const POISONOUS = read("poisonous.txt");
const HARMLESS = read("harmless.txt");

let own: Reckoning | undefined;
/** What is said of a name as somebody types it: the catalogue's, or a plant written down on the spot. */
function judged({ name, latin }: Named): readonly Caution[] {
  const known = latin === undefined ? materialNamed(name) : undefined;
  const plan = known ? made("oxymel-even", [line(known.row.id, "10 g")]) : ownPlant(name, { latin });
  const program = resolve(plan);
  if (!program.ok) throw new Error(`${name}: ${program.faults[0]!.message}`);
  // Ten grams of a leaf by any name come to the same figures: they are reckoned once.
  own ??= reckonProgram(program.value);
  return cautionsOf({
    program: program.value,
    reckoning: known ? reckonProgram(program.value) : own,
    meantFor: [],
    others: [],
    today: "2026-11-24",
  });
}
const isGrave = (c: Caution): boolean =>
  c.about.what === "line" && (c.severity === "stop" || c.severity === "never");
/** Plants that are grave for an unborn child and a caution for everybody: the rule of the kitchen, not of the table. */
const forTheUnborn = (c: Caution): boolean => c.id === "pregnancy-stop";

/** What two sets of eyes let pass, and why. */
const LET_PASS: ReadonlySet<string> = new Set([
  "Indian red paint", // bloodroot's other name with a word in its midst
  "old man's beard", // the catalogue's usnea bears it too
]);

describe("two sets of names, written before the table of plants that hurt", () => {
  test("there are two thousand that hurt and five hundred that only sound like it", () => {
    expect(POISONOUS.length).toBeGreaterThanOrEqual(2000);
    expect(HARMLESS.length).toBeGreaterThanOrEqual(500);
  });
  test("what hurts is stopped", () => {
    const silent = POISONOUS.filter((n) => !judged(n).some((c) => isGrave(c) || forTheUnborn(c)));
    expect(silent.map((n) => n.name).sort()).toEqual([...LET_PASS].sort());
  });
  test("what only sounds like it is not", () => {
    const stopped = HARMLESS.map((n) => [
      n.name,
      n.latin ?? "",
      ...judged(n)
        .filter(isGrave)
        .map((c) => c.id),
    ])
      .filter((s) => s.length > 2)
      .map((s) => s.join(" · "));
    expect(stopped).toEqual([]);
  });
});
