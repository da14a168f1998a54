/** What others say of keeping, beside what is reckoned here. The lines were written before the reader. */
import { describe, expect, test } from "@jest/globals";
import { line, made } from "../plan/trial";
import { reckon } from "../reckoning/reckon";
import { saidToKeep } from "./said-to-keep";

const verdict = (way: string) => {
  const r = reckon(made(way, [line("thyme", "20 g", { form: "dried" })]));
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value.verdict;
};
const FRIDGE = verdict("syrup-fridge");
const CUPBOARD = verdict("oxymel-even");

describe("of a syrup that is good for a short while in the fridge only", () => {
  expect(FRIDGE.cupboard).toBeNull();
  test.each([
    ["keeps a year in the cupboard", "longer"],
    ["a year on the shelf", "longer"],
    ["it is shelf-stable", "longer"],
    ["lasts 6 months in the fridge", "longer"],
    ["good for six months", "longer"],
    ["will keep for 3 months refrigerated", "longer"],
    ["indefinitely", "longer"],
    ["for ever", "longer"],
    ["use within 2 days, in the fridge", "shorter"],
    ["two days in the fridge", "shorter"],
    ["keep in a cool dark place for up to 1 year", "longer"],
    ["1 year", "longer"],
    ["in the pantry, until spring", "longer"],
    // A second set, read when the first was right: 16 of 20 at first.
    ["keeps all winter", "longer"],
    ["lasts for ages", "longer"],
    ["eat within the week", "as ours"],
    ["6+ months", "longer"],
    ["fridge, 6 mo.", "longer"],
    ["ten days", "longer"],
    // Frozen is another place, of a year at the most.
    ["freeze for up to a year", "as ours"],
    ["in the freezer it keeps 6 months", "shorter"],
    ["two years in the freezer", "longer"],
    ["3–6 mths in fridge", "longer"],
    ["good until it smells off", "unsaid"],
  ])("%s: %s", (words, is) => expect(saidToKeep(words, FRIDGE, "us").is).toBe(is));
});

describe("of an oxymel that earns its cupboard", () => {
  expect(CUPBOARD.cupboard).not.toBeNull();
  test.each([
    ["six months in a cupboard", "as ours"],
    ["6 months", "as ours"],
    ["about a month in the fridge", "shorter"],
    ["keeps two years", "longer"],
    ["it keeps well", "unsaid"],
    ["ask Mabel", "unsaid"],
    ["in the fridge", "unsaid"],
    ["in a cupboard", "unsaid"],
  ])("%s: %s", (words, is) => expect(saidToKeep(words, CUPBOARD, "us").is).toBe(is));
});
