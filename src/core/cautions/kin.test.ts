import { describe, expect, test } from "@jest/globals";
import { HAZARDS, HURT_SOURCES } from "../material/hurts/hazards";
import { PLANTS_THAT_HURT } from "../material/hurts/rows";
import { MATERIALS } from "../material/catalogue";
import { ownPlant } from "../../../tests/own-plant";
import { TAG_FOLLOWS } from "../material/tags";
import { kinOf } from "../reading/kin";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { cautionsOf } from "./rules";

/** The grave cautions a plant written down by its maker raises. */
function grave(name: string, latin?: string): readonly string[] {
  const plan = ownPlant(name, { latin });
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
  test("every row is found by each of its names and by its Latin ones, and says how it hurts", () => {
    expect(PLANTS_THAT_HURT.length).toBeGreaterThan(200);
    const silent = PLANTS_THAT_HURT.flatMap((h) => {
      const part = h.parts[0] ?? "";
      const said = [...h.names, ...[h.latin, ...h.also].map((l) => `${l} ${l.includes(" ") ? "" : "agg."}`)];
      return said
        .map((n) => `${n} ${part}`.trim())
        .filter((n) => !kinOf([n], undefined).tags.includes(HAZARDS[h.hazard].tag));
    });
    expect(silent).toEqual([]);
  });
  test("every row rests on something, and every source and hazard is some row's", () => {
    expect(PLANTS_THAT_HURT.filter((h) => !(h.source in HURT_SOURCES))).toEqual([]);
    const used = (of: (h: (typeof PLANTS_THAT_HURT)[number]) => string): Set<string> =>
      new Set(PLANTS_THAT_HURT.map(of));
    expect(Object.keys(HURT_SOURCES).filter((k) => !used((h) => h.source).has(k))).toEqual([]);
    expect(Object.keys(HAZARDS).filter((k) => !used((h) => h.hazard).has(k))).toEqual([]);
  });
  test("the catalogue's own plants say the same of themselves", () => {
    const silent = [...MATERIALS.values()].flatMap((m) => {
      if (m.kind !== "plant") return [];
      const tags = new Set(
        m.row.names.flatMap((n) => kinOf([n], m.row.latin).hurts).map((h) => HAZARDS[h.hazard].tag),
      );
      return [...tags].filter((t) => !m.row.tags?.includes(t)).map((t) => `${m.row.id} ${t}`);
    });
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
  ])("%s (%p): never", (name, latin) => expect(grave(name, latin)).toContain("narrow-margin-poison"));
  test.each([
    ["elderberries from the lane", "raw-elder"],
    ["Russian comfrey leaf", undefined],
    ["comfrey", "liver-alkaloids"],
    ["birthwort", "aristolochic"],
  ])("%s keeps the rule of its kind: %p", (name, id) =>
    expect(grave(name).length > 0 && (id === undefined || grave(name).includes(id))).toBe(true),
  );
  test.each(["foxglov", "hemlok", "oleandre", "belladona", "penyroyal", "monkhood"])(
    "%s is asked about: is it this?",
    (name) => expect(grave(name)).toEqual(["is-it-this"]),
  );
  test.each(["towpath mint", "lock garden sage", "orchard sorrel", "hill thyme", "lemon myrtle", "rooibos"])(
    "%s is nobody's double",
    (name) =>
      expect(grave(name).filter((id) => id === "is-it-this" || id === "narrow-margin-poison")).toEqual([]),
  );
});

test("whatever follows a plant's name follows it into a plant somebody wrote down by another: wild, look-alikes, stains and all", () => {
  const asked = [...MATERIALS.values()].flatMap((m) => {
    const tags = (m.row.tags ?? []).filter((t) => TAG_FOLLOWS[t] === "name");
    return m.kind === "plant" && tags.length > 0 ? [{ name: m.row.names[0]!, tags }] : [];
  });
  expect(asked.length).toBeGreaterThan(80);
  const lost = ["old", "woodland", "our neighbour's"].flatMap((before) =>
    asked.flatMap(({ name, tags }) => {
      const has = kinOf([`${before} ${name}`], undefined).tags;
      return tags.filter((t) => !has.includes(t)).map((t) => `${before} ${name}: ${t}`);
    }),
  );
  expect(lost).toEqual([]);
});
