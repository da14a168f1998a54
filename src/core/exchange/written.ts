import { MATERIALS, type Catalogue } from "../material/catalogue";
import { COOKED_WORDS } from "../plan/cooked";
import { KIND } from "../plan/kinds";
import { linesOf } from "../plan/edit";
import type { Line, Plan, Step } from "../plan/plan";
import { sayLine } from "../reading/said";
import { VESSELS } from "../vessel/catalogue";
import { listed } from "../words";

/** A recipe in plain words that our own reader takes up again: what goes in, and what is done, a sentence a step. */
export interface Written {
  readonly name: string;
  readonly kind: string;
  readonly measures: Plan["units"];
  readonly lines: readonly string[];
  readonly steps: readonly string[];
  readonly taken: string | undefined;
  /** What is said of it besides: why a thing goes in, what others say of its keeping. */
  readonly notes: readonly string[];
}

const namesOf = (plan: Plan, catalogue: Catalogue) => {
  const own = new Map(plan.materials?.map((m) => [m.id, m.names[0]!]));
  return (l: Line): string => catalogue.get(l.material)?.row.names[0] ?? own.get(l.material) ?? l.material;
};

/** A line as it would be typed; a form nobody said is left unsaid. */
function lineText(l: Line, catalogue: Catalogue, name: string): string {
  const material = catalogue.get(l.material);
  const form = l.took?.includes("form") ? undefined : l.form;
  const amount = amountText(l.amount);
  const more = [
    l.water !== undefined ? `(${l.water} % water)` : "",
    l.optional ? "(optional)" : "",
    l.note ? `(${l.note.replace(/[()]/g, "")})` : "",
  ].filter(Boolean);
  const said = material
    ? sayLine({ amount, material, called: l.called, form, cut: l.cut, strength: l.strength })
    : [[amount, name].filter(Boolean).join(" "), form, l.cut].filter(Boolean).join(", ");
  return [said, ...more].join(" ");
}

/** What fills or covers is said with its verb. */
const amountText = (amount: string): string => {
  if (amount === "fill") return "fill with";
  return amount.startsWith("cover") ? `${amount} of` : amount;
};

const PLACE = {
  "dark-cupboard": " in a dark cupboard",
  counter: " on the counter",
  "sunny-sill": " on a sunny sill",
  fridge: " in the fridge",
} as const;
const STRAINED = {
  drained: "Strain it.",
  wrung: "Strain it and squeeze it out.",
  pressed: "Strain it, pressing well.",
} as const;

function stepText(s: Exclude<Step, { do: "add" }>): string {
  switch (s.do) {
    case "simmer":
      return `Simmer for ${s.for}, ${s.lid === "off" ? "uncovered" : "covered"}${s.loses ? `, losing ${s.loses}` : ""}.`;
    case "pressure":
      return `Pressure cook for ${s.for}.`;
    case "reduce":
      return `Reduce to ${s.to}.`;
    case "steep":
      return `Let it stand for ${s.for}${s.in ? PLACE[s.in] : ""}.`;
    case "cool":
      return `Let it cool to ${s.to}.`;
    case "strain":
      return STRAINED[s.how];
    case "bottle":
      return s.hot ? "Bottle it hot." : "Bottle it.";
  }
}

const SHAKEN = {
  "twice-daily": "Shake it twice a day.",
  daily: "Shake it every day.",
  "every-few-days": "Shake it every few days.",
  "when-remembered": "Shake it now and then.",
} as const;

/** What else is done at a step, as a sentence of its own. */
const ownWords = (words: string | undefined): string[] => (words ? [`${words.replace(/[.\s]+$/, "")}.`] : []);

/** How a vessel of the catalogue is called in a sentence, so that it is found again. */
export function vesselPhrase(id: string): string | undefined {
  const v = VESSELS.get(id);
  if (!v) return undefined;
  return v.name.includes(v.size) ? v.name : `${v.size} ${v.name}`;
}

/** The recipe in words. */
export function written(plan: Plan, catalogue: Catalogue = MATERIALS): Written {
  const nameOf = namesOf(plan, catalogue);
  const lines: string[] = [];
  const steps: string[] = [];
  const vessel = typeof plan.vessel === "string" ? vesselPhrase(plan.vessel) : plan.vessel?.name;
  for (const [i, s] of plan.steps.entries()) {
    if (s.do !== "add") {
      steps.push([stepText(s), ...ownWords(s.words)].join(" "));
      if (s.do === "steep" && plan.shake && !steps.includes(SHAKEN[plan.shake]))
        steps.push(SHAKEN[plan.shake]);
      continue;
    }
    if (s.what.length === 0) continue;
    lines.push(...s.what.map((l) => lineText(l, catalogue, nameOf(l))));
    const all = listed(s.what.map((l) => `the ${nameOf(l)}`));
    const put = i === 0 ? `Put ${all} into the ${vessel ?? "jar"}.` : `Stir in ${all}.`;
    steps.push([put, ...ownWords(s.words)].join(" "));
  }
  return {
    name: plan.name,
    kind: KIND[plan.kind].name,
    measures: plan.units,
    lines,
    steps,
    taken: plan.taken,
    notes: [
      ...linesOf(plan).flatMap((l) =>
        l.cooked
          ? [`The ${nameOf(l)}: ${COOKED_WORDS[l.cooked.how]}, ${l.cooked.for}, in a pan of its own`]
          : [],
      ),
      ...linesOf(plan).flatMap((l) => (l.why ? [`Why the ${nameOf(l)}: ${l.why}`] : [])),
      ...(plan.saidToKeep ? [`They say of its keeping: ${plan.saidToKeep}`] : []),
    ],
  };
}

/** The notes of a recipe: what is said of its lines, and what stands in the book. */
const notesOf = (w: Written, note: string | undefined): string =>
  [...w.notes, ...(note ? [note] : [])].join("\n\n");

/** A recipe as Markdown. Read again, it comes to the same figures. */
export function toMarkdown(plan: Plan, catalogue?: Catalogue, note?: string): string {
  const w = written(plan, catalogue);
  const notes = notesOf(w, note);
  return [
    // A name is one line, whatever was pasted into it.
    `# ${w.name.replace(/\s+/g, " ").trim()}`,
    "",
    `Kind: ${w.kind}`,
    `Measures: ${w.measures}`,
    "",
    "## Ingredients",
    "",
    ...w.lines.map((l) => `- ${l}`),
    "",
    "## Method",
    "",
    ...w.steps.map((s, i) => `${i + 1}. ${s}`),
    ...(w.taken ? ["", "## To take", "", w.taken] : []),
    ...(notes ? ["", "## Notes", "", notes] : []),
    "",
  ].join("\n");
}

/** The same as plain text. */
export function toText(plan: Plan, catalogue?: Catalogue, note?: string): string {
  const w = written(plan, catalogue);
  const notes = notesOf(w, note);
  return [
    w.name,
    `Kind: ${w.kind}`,
    `Measures: ${w.measures}`,
    "",
    "Ingredients:",
    ...w.lines,
    "",
    "Method:",
    ...w.steps,
    ...(w.taken ? ["", "To take:", w.taken] : []),
    ...(notes ? ["", "Notes:", notes] : []),
    "",
  ].join("\n");
}
