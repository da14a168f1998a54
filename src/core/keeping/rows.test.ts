import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { ALSO, KEEPS_NOTHING, exactly, justShort, onTheLineOf } from "../../../tests/facts";
import { LIVES, type Life } from "./life";
import { type Condition, type Facts, NO_ROW, QUANTITIES, ROWS, type Row } from "./rows";
import { VETOES, VETO_IDS, type Veto, verdictOf } from "./verdict";

const PAGE = readFileSync(join(__dirname, "../../../docs/reckoning.md"), "utf8");
const row = (id: string): Row => ROWS.find((r) => r.id === id)!;
const won = (f: Facts, vetoes: Veto["id"][] = []): string => verdictOf(f, vetoes).row.id;

/** A row as the page writes it, up to its basis. */
function asWritten(r: Row): string {
  const cond = (c: Condition): string => `${c.quantity} ${c.is === "at least" ? "≥" : "≤"} ${c.line}`;
  const lines = r.conditions.map(cond).join(", ") || "–";
  const cupboard = r.cupboard ? `${r.cupboard.words}${r.coolDark ? ", cool and dark" : ""}` : "no";
  const cold = r.openedCold ? `, ${r.openedCold.words} in the fridge` : "";
  const opened = r.openedInCupboard ? `${r.opened.words} in the cupboard${cold}` : r.opened.words;
  return `| \`${r.id}\` | ${lines} | ${cupboard} | ${r.fridge.words}${r.vented ? ", vented" : ""} | ${opened} |`;
}

describe("docs/reckoning.md and the rows say the same", () => {
  test.each([...ROWS, NO_ROW].map((r) => [r.id, r] as const))("%s", (_, r) =>
    expect(PAGE).toContain(asWritten(r)),
  );
  test("the page has no row that is not one, and every row there has a basis", () => {
    const table = PAGE.split("## Keeping rows")[1]!.split("\n## ")[0]!;
    const lines = [...table.matchAll(/^\| `([\w.-]+)` (?:\|[^|]*){4}\| ([^|]+) \|$/gm)];
    expect(lines.map((m) => m[1]).sort()).toEqual([...ROWS, NO_ROW].map((r) => r.id).sort());
    for (const m of lines) expect(m[2]!.trim().length).toBeGreaterThan(0);
  });
  test.each(VETO_IDS.map((id) => [id] as const))("the veto %s, with the fridge it leaves", (id) => {
    const { fridge } = VETOES[id];
    const left = fridge === null ? "do not keep" : (fridge?.words ?? "as the row says");
    expect(PAGE).toContain(`| \`${id}\` | ${left}${VETOES[id].vented ? ", vented" : ""} |`);
  });
});

test("days are what their words say; a month is counted as thirty days, so that no calendar lengthens a promise", () => {
  const number: Record<string, number> = { one: 1, two: 2, three: 3, four: 4, six: 6, eight: 8 };
  const unit: Record<string, number> = { day: 1, week: 7, month: 30, year: 365.25 };
  const all: readonly Life[] = Object.values(LIVES);
  expect(all.map((l) => l.days)).toEqual(
    all.map((l) => {
      const [n, u] = l.words.split(" ");
      return Math.floor(number[n!]! * unit[u!.replace(/s$/, "")]!);
    }),
  );
});

describe("each row", () => {
  test.each(ROWS.map((r) => [r.id, r] as const))("%s holds exactly on its lines", (id, r) =>
    expect(won(onTheLineOf(r))).toBe(id),
  );
  const short = ROWS.flatMap((r) => r.conditions.map((c) => [r.id, c.quantity, r, c] as const));
  test.each(short)("%s: a hair short of its %s loses it", (id, _, r, c) =>
    expect(won({ ...onTheLineOf(r), [c.quantity]: justShort(c) })).not.toBe(id),
  );
  test.each(short)("%s: a spread across its %s loses it", (id, _, r, c) => {
    const at = { value: c.line, low: c.line - 1e-6, high: c.line + 1e-6 };
    expect(won({ ...onTheLineOf(r), [c.quantity]: at })).not.toBe(id);
  });
  const not: Readonly<Record<string, readonly Partial<Facts>[]>> = {
    "sugar-cupboard": [{ boiledAndBottledHot: false }, { boiledAndBottledHot: true, rawHoney: true }],
    "sugar-dry-hot": [{ boiledAndBottledHot: false }, { boiledAndBottledHot: true, rawHoney: true }],
    "sugar-dry": [{ rawHoney: true }, { fresh: "mild" }, { fresh: "low-acid" }],
    "sugar-50-sour": [{ honeyAlone: true }],
    "sugar-50": [{ honeyAlone: true }],
    "vinegar-4": [{ freshFruit: true }],
    "honey-dry": [{ honeyAlone: false }, { honeyAlone: true, fresh: "mild" }],
    "honey-moist": [{ honeyAlone: false }, { honeyAlone: true, fresh: "mild" }],
    "honey-wet": [{ honeyAlone: false }, { honeyAlone: true, fresh: "low-acid" }],
    "honey-ripe": [{ honeyAlone: false }, { honeyAlone: true, fresh: "mild" }],
    "honey-fair": [{ honeyAlone: false }, { honeyAlone: true, fresh: "mild" }],
    "honey-wetter": [{ honeyAlone: false }, { honeyAlone: true, fresh: "low-acid" }],
    "honey-thin": [{ honeyAlone: false }, { honeyAlone: true, fresh: "low-acid" }],
    "honey-low-acid": [{ honeyAlone: false }, { honeyAlone: true, fresh: "mild" }],
  };
  test("of every row that asks more than figures, something is tried that it does not have", () =>
    expect(Object.keys(not).sort()).toEqual(
      ROWS.filter((r) => r.also)
        .map((r) => r.id)
        .sort(),
    ));
  test.each(Object.entries(not).flatMap(([id, all]) => all.map((f) => [id, f] as const)))(
    "%s does not hold with %j",
    (id, f) => expect(won({ ...onTheLineOf(row(id)), ...f })).not.toBe(id),
  );
  test("every quantity a row may ask is asked by one", () =>
    expect(QUANTITIES.filter((q) => !ROWS.some((r) => r.conditions.some((c) => c.quantity === q)))).toEqual(
      [],
    ));
});

describe("lives", () => {
  // Cupboard, fridge, opened; written out, so that a life in the rows cannot move unseen.
  test.each([
    ["spirit-25", 1461, 1461, 1461],
    ["spirit-20", 365, 365, 90],
    ["spirit-sweet", 180, 180, 180],
    ["spirit-weak-sour", null, 90, 90],
    ["spirit-weak", null, 30, 30],
    ["sugar-cupboard", 180, 365, 180],
    ["sugar-dry-hot", 180, 365, 180],
    ["sugar-dry", 180, 365, 180],
    ["sugar-50-sour", null, 90, 90],
    ["sugar-50", null, 30, 30],
    ["sugar-30-sour", null, 28, 28],
    ["sugar-30", null, 14, 14],
    ["thin-sour", null, 14, 14],
    ["thin-tart", null, 7, 7],
    ["glycerin-60", 365, 365, 365],
    ["glycerin-45", null, 180, 180],
    ["vinegar-4", 90, 240, 240],
    ["vinegar-4-fruit", 60, 180, 180],
    ["sour-sweet", 180, 365, 365],
    ["vinegar-2.5", 60, 180, 180],
    ["vinegar-1", null, 60, 60],
    ["honey-dry", 365, 365, 365],
    ["honey-moist", 90, 180, 180],
    ["honey-wet", null, 90, 90],
    ["honey-ripe", 240, 365, 240],
    ["honey-fair", 180, 240, 180],
    ["honey-wetter", null, 60, 60],
    ["honey-thin", null, 30, 30],
    ["honey-low-acid", null, 30, 30],
    ["nothing-keeps-it", null, 3, 3],
  ])("%s: cupboard %p days, fridge %p, opened %p", (id, cupboard, fridge, opened) => {
    const v = verdictOf(id === NO_ROW.id ? KEEPS_NOTHING : onTheLineOf(row(id)), []);
    expect([v.row.id, v.cupboard?.days ?? null, v.fridge.days, v.opened.days]).toEqual([
      id,
      cupboard,
      fridge,
      opened,
    ]);
    expect(v.place).toBe(cupboard === null ? "fridge" : "cupboard");
    expect(v.life.days).toBe(cupboard ?? fridge);
  });
  test("rows whose opened life holds in the cupboard, those asked cool and dark, and those vented", () => {
    const which = (test: (r: Row) => boolean | undefined): string[] => ROWS.filter(test).map((r) => r.id);
    expect(which((r) => r.openedInCupboard)).toEqual(["spirit-25", "spirit-20", "honey-dry"]);
    expect(which((r) => r.coolDark)).toEqual(["vinegar-4", "vinegar-4-fruit", "sour-sweet", "vinegar-2.5"]);
    expect(which((r) => r.vented)).toEqual(["honey-wet", "honey-wetter", "honey-thin"]);
    expect(row("spirit-20").openedCold).toBe(LIVES.m6);
  });
  test("of several rows that hold the longest wins, whichever way they differ", () => {
    const both = { ...onTheLineOf(row("sour-sweet")), acetic: exactly(4), ph: exactly(4) };
    expect(won(both)).toBe("sour-sweet");
    expect(won({ ...KEEPS_NOTHING, acetic: exactly(4), ph: exactly(4) })).toBe("vinegar-4");
    expect(won({ ...onTheLineOf(row("vinegar-1")), brix: exactly(50) })).toBe("sugar-50-sour");
  });
});

describe("vetoes on a row that would keep for years", () => {
  const strong: Facts = { ...KEEPS_NOTHING, abv: exactly(40) };
  test.each<[Veto["id"], string, number, number]>([
    ["solids-left", "fridge", 30, 30],
    ["vinegar-unknown", "fridge", 1461, 1461],
    ["layers-unmixed", "fridge", 30, 30],
    ["temperature-fault", "fridge", 3, 3],
    ["left-warm", "do-not-keep", 3, 3],
    ["herb-above", "fridge", 30, 30],
    ["herb-above-inspected", "fridge", 90, 90],
    ["sunny-sill", "fridge", 1461, 1461],
    ["base-in-vinegar", "do-not-keep", 3, 3],
    ["low-acid-fresh", "fridge", 30, 30],
    ["raw-honey-thinned", "fridge", 30, 30],
    ["raw-honey-thin", "fridge", 14, 14],
    ["raw-honey-thin-not-sour", "fridge", 7, 7],
  ])("%s: %s, %p days, opened %p", (id, place, fridge, opened) => {
    const v = verdictOf(strong, [id]);
    expect([v.cupboard, v.place, v.fridge.days, v.opened.days]).toEqual([null, place, fridge, opened]);
    expect(v.openedInCupboard).toBe(false);
  });
  test("none lengthens what is short already, and of two the shorter counts", () => {
    for (const id of VETO_IDS) expect(verdictOf(KEEPS_NOTHING, [id]).fridge.days).toBe(3);
    expect(verdictOf(strong, ["herb-above-inspected", "solids-left"]).fridge.days).toBe(30);
    expect(verdictOf(strong, ["solids-left", "herb-above-inspected"]).fridge.days).toBe(30);
  });
});

describe("raw honey that something was poured into", () => {
  const raw = (f: Partial<Facts>): Facts => ({ ...KEEPS_NOTHING, rawHoney: true, ...f });
  test.each<[string, Partial<Facts>, string | undefined, number]>([
    ["sweet and sour", { brix: exactly(50), ph: exactly(4.2) }, "raw-honey-thinned", 30],
    ["sweet, not sour", { brix: exactly(50) }, "raw-honey-thinned", 30],
    ["thin and sour", { brix: exactly(49.9), ph: exactly(4.2) }, "raw-honey-thin", 14],
    ["thin and tart", { brix: exactly(40), ph: exactly(4.6) }, "raw-honey-thin", 14],
    ["thin, not sour", { brix: exactly(40), ph: exactly(4.7) }, "raw-honey-thin-not-sour", 7],
    ["with vinegar enough", { brix: exactly(60), acetic: exactly(1), ph: exactly(4.2) }, undefined, 90],
    ["with spirit enough", { brix: exactly(60), abv: exactly(10), ph: exactly(4.2) }, undefined, 90],
    ["with glycerin enough", { brix: exactly(30), glycerol: exactly(45) }, undefined, 180],
    ["nothing poured over it", { brix: exactly(60), ph: exactly(4.2), honeyAlone: true }, undefined, 30],
    ["on the boil since", { brix: exactly(60), ph: exactly(4.2), rawHoney: false }, undefined, 90],
  ])("%s", (_, f, cap, days) => {
    const v = verdictOf(raw(f), []);
    expect([v.vetoes[0]?.id, v.fridge.days, v.cupboard]).toEqual([cap, days, null]);
    expect(v.vented).toBe(cap !== undefined || v.row.vented === true);
  });
});

test("facts that satisfy a row are told for rows that ask for some, and for no others", () =>
  expect(Object.keys(ALSO).filter((id) => !row(id))).toEqual([]));
