import { type Result, fail, fault, ok } from "../fault";
import { MATERIALS, type Catalogue } from "../material/catalogue";
import { FORMS, type Form, type PlantClass } from "../material/classes";
import { type Material, formsOf, stuffOf } from "../material/material";
import type { Held, PlantRow } from "../material/rows";
import type { UnitSystem } from "../quantity/units";
import { readLine } from "../reading/line";
import { contextIn, type SaidLine } from "../reading/said";
import { weigh } from "../reckoning/weigh";
import { capital } from "../words";
import { ownId } from "./own";

/** A blend of the household’s own as it is typed: its name, the form it is in, and its parts, a line each. */
export interface TypedBlend {
  readonly name: string;
  readonly form: Form;
  readonly parts: string;
}
export const BLENDED: readonly Form[] = [
  "dried",
  "fresh",
  "powdered",
  "frozen",
] satisfies readonly (typeof FORMS)[number][];

/** How far the percentages of a blend may be from making a hundred, and how many parts one has at the most. */
const [ROUNDING, MOST_PARTS] = [1, 30];

interface Part {
  readonly material: Material;
  /** g, or parts by weight, or per cent: whatever all of them are said in. */
  readonly much: number;
  readonly by: "weight" | "parts" | "percent";
}

const PERCENT = /^\s*(\d+(?:[.,]\d+)?)\s*(?:%|per ?cent)\s*(?:of\s+)?/i;

function lineOf(text: string, catalogue: Catalogue, system: UnitSystem, form: Form): Result<SaidLine> {
  const ctx = contextIn(system, { catalogue, usual: form });
  const bare = readLine(text, ctx);
  // Whether it is fresh or dried the blend says.
  const read = bare.is === "ask" ? readLine(`${text}, ${form}`, ctx) : bare;
  if (read.is === "line") return ok(read.line);
  if (read.is === "fault") return fail(read.fault);
  if (read.is === "ask")
    return fail(fault("WhichPart", `${capital(text.trim())}: ${read.question}`, ["parts"]));
  return fail(
    fault(
      "NotAPart",
      `“${text.trim()}” is no part of a blend that is known here. Write “2 parts thyme”, a line each.`,
      ["parts"],
    ),
  );
}

/** One part of a blend: so many parts, per cent or grams of a plant; cups are weighed as such a heap weighs. */
function partOf(text: string, t: TypedBlend, catalogue: Catalogue, system: UnitSystem): Result<Part> {
  const percent = PERCENT.exec(text);
  const said = lineOf(percent ? text.slice(percent[0].length) : text, catalogue, system, t.form);
  if (!said.ok) return said;
  const { material, amount } = said.value;
  if (material.kind !== "plant")
    return fail(
      fault("NotAPlant", `${capital(material.row.names[0]!)} is no plant: a blend is of plants.`, ["parts"]),
    );
  if (percent) return ok({ material, much: Number(percent[1]!.replace(",", ".")), by: "percent" });
  if (!amount)
    return fail(
      fault("HowMuch", `How much ${material.row.names[0]!}? Write “2 parts”, “30 %” or “20 g”.`, ["parts"]),
    );
  const a = amount.amount;
  if (a.kind === "count" && a.unit === "piece")
    return fail(
      fault("HowMuch", `“${text.trim()}” does not say of what measure. Write “2 parts”, “30 %” or “20 g”.`, [
        "parts",
      ]),
    );
  if (a.kind === "part") return ok({ material, much: a.count.value, by: "parts" });
  const stuff = stuffOf(material, { form: formsOf(material).includes(t.form) ? t.form : said.value.form });
  if (!stuff.ok) return fail({ ...stuff.faults[0]!, path: ["parts"] });
  if (a.kind !== "measure" && a.kind !== "count")
    return fail(
      fault("HowMuch", `Write how much ${material.row.names[0]!}: “2 parts”, “30 %” or “20 g”.`, ["parts"]),
    );
  const w = weigh(a, stuff.value);
  return w.ok
    ? ok({ material, much: w.value.grams, by: "weight" })
    : fail({ ...w.faults[0]!, path: ["parts"] });
}

/** Of a blend in a blend, what that is made of. */
function opened(p: Part, share: number, form: Form): readonly Held[] {
  const { holds } = p.material.row;
  const own = p.material.kind === "plant" && holds?.length ? holds : undefined;
  if (own) return own.map((h) => ({ ...h, share: h.share * share }));
  const has = p.material.kind === "plant" && formsOf(p.material).includes(form);
  return [{ material: p.material.row.id, ...(has ? { form } : {}), share, heated: 0 }];
}

/** The same plant from two parts is one part of it. */
function summed(held: readonly Held[]): Held[] {
  const by = new Map<string, Held>();
  for (const h of held) {
    const key = `${h.material} ${h.form ?? ""}`;
    by.set(key, { ...h, share: h.share + (by.get(key)?.share ?? 0) });
  }
  return [...by.values()].sort((a, b) => b.share - a.share);
}

const weighted = (
  parts: readonly Part[],
  all: number,
  of: (p: Part) => number | undefined,
): number | undefined => {
  const known = parts.map((p) => [of(p), p.much] as const);
  return known.some(([x]) => x === undefined)
    ? undefined
    : known.reduce((s, [x, m]) => s + (x! * m) / all, 0);
};

/**
 * A blend as a plant of the household’s own, which says what it is made of: every caution about a part is asked of it too, and the label names the
 * parts. Its figures are those of its heaviest part, its water that of all of them. Faults: `TooFewParts`, `NotAHundred`, `MixedMeasures`,
 * `HoldsItself`, those of a line.
 */
export function blendOf(
  t: TypedBlend,
  catalogue: Catalogue = MATERIALS,
  system: UnitSystem = "metric",
): Result<PlantRow & { class: PlantClass }> {
  const name = t.name.trim();
  const id = ownId(name);
  if (id === "own-") return fail(fault("NotAMaterial", "Give the blend a name in letters.", ["name"]));
  if (name.length > 60) return fail(fault("TooLong", "Keep the name under 60 letters.", ["name"]));
  const lines = t.parts
    .split(/\n|;/)
    .map((l) => l.trim())
    .filter((l) => l !== "");
  if (lines.length < 2)
    return fail(fault("TooFewParts", "A blend has two parts or more, a line each.", ["parts"]));
  if (lines.length > MOST_PARTS)
    return fail(
      fault("TooMany", `Thirty parts are the most of a blend here; these are ${lines.length}.`, ["parts"]),
    );
  const parts: Part[] = [];
  for (const l of lines) {
    const p = partOf(l, t, catalogue, system);
    if (!p.ok) return p;
    if (p.value.material.row.id === id || p.value.material.row.holds?.some((h) => h.material === id))
      return fail(fault("HoldsItself", "A blend cannot be a part of itself. Take that line out.", ["parts"]));
    parts.push(p.value);
  }
  const [first] = parts;
  if (parts.some((p) => p.by !== first!.by))
    return fail(
      fault("MixedMeasures", "Say all of it in parts, all in per cent, or all weighed.", ["parts"]),
    );
  const all = parts.reduce((s, p) => s + p.much, 0);
  if (first!.by === "percent" && Math.abs(all - 100) > ROUNDING)
    return fail(
      fault("NotAHundred", `The parts come to ${Number(all.toFixed(1))} %. Together they are 100.`, [
        "parts",
      ]),
    );
  const heaviest = [...parts].sort((a, b) => b.much - a.much)[0]!.material;
  const plant = heaviest.kind === "plant" ? heaviest.row : undefined;
  const water = weighted(parts, all, (p) => (p.material.kind === "plant" ? p.material.row.water : undefined));
  return ok({
    id,
    names: [name],
    class: plant!.class,
    ...(water === undefined ? {} : { water }),
    forms: [t.form],
    holds: summed(parts.flatMap((p) => opened(p, p.much / all, t.form))),
    source: "own",
  });
}
