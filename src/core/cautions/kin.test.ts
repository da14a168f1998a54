import { describe, expect, test } from "@jest/globals";
import { NEVER_USED } from "../material/never-used";
import type { PlantClass } from "../material/classes";
import type { PlantRow } from "../material/rows";
import { line, made } from "../plan/trial";
import { kinOf } from "../reading/kin";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { cautionsOf } from "./rules";

/** A plan on a plant written down by its maker, and the cautions it raises. */
function ownPlant(name: string, latin?: string): readonly string[] {
  const row: PlantRow & { class: PlantClass } = {
    id: "own-plant",
    names: [name],
    ...(latin ? { latin } : {}),
    class: "leaf",
    source: "own",
  };
  const plan = made("oxymel-even", [line("own-plant", "1 cup", { form: "dried" })], { materials: [row] });
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const cautions = cautionsOf({
    program: program.value,
    reckoning: reckonProgram(program.value),
    meantFor: [],
    others: [],
    today: "2026-11-24",
  });
  return cautions.filter((c) => c.severity === "never" || c.severity === "stop").map((c) => c.id);
}

describe("a plant by another hand does not lose what its name says", () => {
  test("there are sixty and more that are never used, each known by name and by Latin", () => {
    expect(NEVER_USED.length).toBeGreaterThanOrEqual(60);
    const silent = NEVER_USED.flatMap((n) => [...n.names, `${n.latin} agg.`]).filter(
      (name) => !kinOf([name], undefined).tags.some((t) => t === "poison"),
    );
    expect(silent).toEqual([]);
  });
  test.each([
    ["foxglove", undefined],
    ["Foxgloves", undefined],
    ["dried fox glove leaf", undefined],
    ["grandmother's leaf", "Digitalis lanata"],
    ["Aconitum napellus", undefined],
    ["yew berries", undefined],
    ["water dropwort root", undefined],
    ["ivy", "Hedera helix"],
  ])("%s (%p): never", (name, latin) => expect(ownPlant(name, latin)).toContain("narrow-margin-poison"));
  test.each([
    ["elderberries from the lane", "raw-elder"],
    ["Russian comfrey leaf", undefined],
    ["comfrey", "liver-alkaloids"],
    ["birthwort", "aristolochic"],
  ])("%s keeps the rule of its kind: %p", (name, id) =>
    expect(ownPlant(name).length > 0 && (id === undefined || ownPlant(name).includes(id))).toBe(true),
  );
  test.each(["foxglov", "hemlok", "oleandre", "belladona", "penyroyal", "monkhood"])(
    "%s is asked about: is it this?",
    (name) => expect(ownPlant(name)).toEqual(["is-it-this"]),
  );
  test.each(["towpath mint", "lock garden sage", "orchard sorrel", "hill thyme", "lemon myrtle", "rooibos"])(
    "%s is nobody's double",
    (name) =>
      expect(ownPlant(name).filter((id) => id === "is-it-this" || id === "narrow-margin-poison")).toEqual([]),
  );
});
