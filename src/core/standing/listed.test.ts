import { readFileSync } from "node:fs";
import { join } from "node:path";
import { MATERIALS } from "../material/catalogue";
import type { UnitSystem } from "../quantity/units";
import { materialNamed } from "../reading/names";
import { chance } from "@/../tests/chance";
import { type Listed, readListed } from "./listed";

const TODAY = "2026-11-30";
const tabled = (file: string): string[][] =>
  readFileSync(join(__dirname, file), "utf8")
    .split("\n")
    .filter((l) => l !== "" && !l.startsWith("#"))
    .map((l) => l.split("\t").map((c) => c.trim()));

const read = (text: string, system: UnitSystem): Listed =>
  readListed(text, { today: TODAY, system, catalogue: MATERIALS });

/** What a row of the table should come to, and what the line came to, as the same words. */
function told([, as, name, kind, many, each, on, place, opened, best, contents]: string[]): Record<
  string,
  string
> {
  return { as: as!, name: name!, kind: kind!, many: many ?? "", each: each ?? "", on: on ?? "", place: place ?? "", opened: opened ?? "", best: best ?? "", contents: idsOf((contents ?? "").split(",")) }; // prettier-ignore
}
const idsOf = (names: readonly string[]): string =>
  names
    .filter((n) => n !== "")
    .map((n) => materialNamed(n, MATERIALS)?.row.id ?? n.toLowerCase())
    .sort()
    .join(",");
function came(l: Listed, wanted: Record<string, string>): Record<string, string> {
  return {
    as: l.as ?? "",
    name: l.name,
    kind: l.kind ?? "",
    many: wanted["as"] === "jar" && wanted["many"] === "" ? "" : String(l.count ?? ""),
    each: String(Math.round(l.leftMl ?? l.ml ?? 0) || ""),
    on: l.on ?? "",
    place: l.place ?? "",
    opened: l.opened ?? "",
    best: l.bestBy ?? "",
    contents: l.things
      .map((x) => (x.materials.length > 1 ? x.typed.toLowerCase() : x.materials[0]!.row.id))
      .sort()
      .join(","),
  };
}

const US = tabled("listed.tsv");
const METRIC = tabled("listed-british.tsv");
const CASES = [...US.map((r) => [r, "us"] as const), ...METRIC.map((r) => [r, "metric"] as const)];

describe("a line of what stands already", () => {
  it("has its lines", () => expect(CASES.length).toBeGreaterThan(35));
  it.each(CASES.map(([r, s]) => [r[0]!, r, s] as const))("%s", (text, row, system) => {
    const wanted = told(row);
    expect(came(read(text, system), wanted)).toEqual(wanted);
  });
});

/** One way of saying each thing, and what it comes to. */
const ANY: Readonly<
  Record<"on" | "best" | "opened" | "size" | "place", readonly (readonly [string, string])[]>
> = {
  on: [
    ["made 3 October", "2026-10-03"],
    ["made on the 3rd of October 2026", "2026-10-03"],
    ["bottled Oct 3, 2026", "2026-10-03"],
    ["made 2026-10-03", "2026-10-03"],
    ["made three weeks ago", "2026-11-09"],
  ],
  best: [
    ["best by 1 June", "2027-06-01"],
    ["use by June 1 2027", "2027-06-01"],
    ["best before the 1st of June", "2027-06-01"],
  ],
  opened: [
    ["opened 12 November", "2026-11-12"],
    ["opened on Nov 12", "2026-11-12"],
    ["open since 12 November", "2026-11-12"],
  ],
  size: [
    ["3 bottles of 250 mL", "3×250"],
    ["3 x 250 ml", "3×250"],
    ["three 250 ml bottles", "3×250"],
    ["3 bottles (250 mL)", "3×250"],
  ],
  place: [
    ["fridge", "fridge"],
    ["in the fridge", "fridge"],
    ["refrigerator", "fridge"],
  ],
};
const BETWEEN = [", ", "; ", " – ", ", "] as const;

describe("the same said in any order and in other words", () => {
  const c = chance(77);
  const lines = Array.from({ length: 300 }, () => {
    const said = (Object.keys(ANY) as (keyof typeof ANY)[]).map((k) => [k, c.pick(ANY[k])] as const);
    const order = [...said].sort(() => c.next() - 0.5);
    const between = c.pick(BETWEEN);
    return { text: ["thyme syrup", ...order.map(([, [words]]) => words)].join(between), said };
  });
  it("comes to the same", () => {
    const wrong = lines.flatMap(({ text, said }) => {
      const l = read(text, "us");
      const is = { on: l.on, best: l.bestBy, opened: l.opened, size: `${l.count}×${l.ml}`, place: l.place };
      const off = said.filter(([k, [, value]]) => is[k] !== value).map(([k]) => `${k} ${is[k]}`);
      const rest = l.note === "" && l.name === "thyme syrup" && l.as === "bottles" ? [] : [l.note, l.name];
      return off.length + rest.length > 0 ? [`${text} → ${[...off, ...rest].join(" | ")}`] : [];
    });
    expect(wrong).toEqual([]);
  });

  it("loses no word that it does not know", () => {
    const words = ["grandmothers", "behind", "milk", "blorp", "for", "Uncle", "scarf"];
    const lost = lines.flatMap(({ text }) => {
      const word = c.pick(words.filter((w) => w.length > 4));
      const at = c.pick([...text.matchAll(/[,;–] /g)].map((m) => m.index + 2));
      const line = `${text.slice(0, at)}${word} ${text.slice(at)}`;
      const l = read(line, "us");
      return `${l.name} ${l.note}`.includes(word) ? [] : [line];
    });
    expect(lost).toEqual([]);
  });

  it("reads the number behind its sign, half-pint jars, and a day without its year behind its word alone", () => {
    const x4 = read("Rose hip syrup x 4 (375ml each), bottled 3/10/26, fridge", "metric");
    expect([x4.name, x4.count, x4.ml, x4.on]).toEqual(["Rose hip syrup", 4, 375, "2026-10-03"]);
    const half = read("garlic honey, 2 half-pint jars, since 1 November", "us");
    expect([half.count, Math.round(half.ml!)]).toEqual([2, 237]);
    expect(read("cough syrup, 8 oz, opened 10/30, fridge", "us").opened).toBe("2026-10-30");
    expect(read("cough syrup, 250 mL, opened 30/10, fridge", "metric").opened).toBe("2026-10-30");
    const full = read("plum syrup, 500 mL bottle, 1/2 full", "metric");
    expect([full.on, full.leftMl]).toEqual([undefined, 250]);
  });

  it("knows what was over the heat, where that was said", () => {
    for (const [text, heated] of [
      ["bramble syrup, boiled and bottled 2 September, 3 bottles of 250 mL", "boiled"],
      ["bramble syrup, bottled hot 2 September", "boiled"],
      ["elderberry syrup, simmered, made 3 October", "simmered"],
      ["elderberry syrup, made 3 October", undefined],
    ] as const) {
      const l = read(text, "metric");
      expect([l.heated, l.note]).toEqual([heated, ""]);
    }
  });

  it("makes nothing up of what is no list at all", () => {
    for (const text of [
      "Dear aunt, thank you for the scarf",
      "?",
      "1/0",
      "∞",
      "‮abc",
      "🍯🍯",
      "x".repeat(10_000),
      "-5 bottles",
      "made 31 February",
      "99999 bottles of plum syrup",
    ]) {
      const l = read(text, "us");
      expect({ on: l.on, ml: l.ml, best: l.bestBy, opened: l.opened }).toEqual({});
    }
  });
});
