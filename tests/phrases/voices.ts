/** Recipes told in prose from plans, in several voices: what is told must be what is read. */
import { MATERIALS } from "../../src/core/material/catalogue";
import type { Line, Plan, Step } from "../../src/core/plan/plan";
import { readAmount } from "../../src/core/reading/amounts";
import { listed } from "../../src/core/words";

export const VOICES = [
  "told to do",
  "told of oneself",
  "told of what is done",
  "told of a neighbour",
] as const;
export type Voice = (typeof VOICES)[number];

const nameOf = (l: Line): string => MATERIALS.get(l.material)!.row.names[0]!;
/** A line as it is said in a sentence; nothing of an amount that is said by the deed. */
function said(l: Line, plan: Plan): string {
  const a = readAmount(l.amount, plan.units);
  const name = [l.took?.includes("form") ? undefined : l.form, nameOf(l)].filter(Boolean).join(" ");
  const how = l.cut && l.cut !== "whole" ? `, ${l.cut}` : "";
  const strength = l.strength ? `${l.strength} ` : "";
  if (!a.ok || a.value.kind === "fill" || a.value.kind === "cover") return `the ${strength}${name}`;
  if (a.value.kind === "of-liquid") return `${name}`;
  const of = /[a-z]$/i.test(l.amount) && !/\bjar$/.test(l.amount) ? " " : " ";
  return `${l.amount}${/jar$/.test(l.amount) ? " of" : ""}${of}${strength}${name}${how}`;
}
const kindOf = (l: Line, plan: Plan): string => {
  const a = readAmount(l.amount, plan.units);
  return a.ok ? a.value.kind : "";
};

type Say = { readonly put: (what: string, first: boolean) => string; readonly cover: (what: string) => string; readonly fill: (what: string) => string; readonly step: (s: Exclude<Step, { do: "add" }>) => string }; // prettier-ignore
const PLACE = { "dark-cupboard": " in a dark cupboard", counter: " on the counter", "sunny-sill": " on a sunny windowsill", fridge: " in the fridge" } as const; // prettier-ignore
const WRUNG = { drained: "", wrung: ", squeezing it out", pressed: ", pressing it hard" } as const;
const SAYS: Readonly<Record<Voice, Say>> = {
  "told to do": {
    put: (w, first) => (first ? `Put ${w} into a jar.` : `Stir in ${w}.`),
    cover: (w) => `Cover with ${w}.`,
    fill: (w) => `Fill up with ${w}.`,
    step: (s) => {
      switch (s.do) {
        case "simmer":
          return `Simmer for ${s.for}, lid ${s.lid ?? "on"}.`;
        case "pressure":
          return `Pressure cook for ${s.for}.`;
        case "reduce":
          return `Boil down to ${s.to}.`;
        case "steep":
          return `Leave it for ${s.for}${s.in ? PLACE[s.in] : ""}.`;
        case "cool":
          return `Let it cool to ${s.to}.`;
        case "strain":
          return `Strain it${WRUNG[s.how]}.`;
        case "bottle":
          return "Bottle it.";
      }
    },
  },
  "told of oneself": {
    put: (w, first) => (first ? `I put ${w} in a jar.` : `Then I stir in ${w}.`),
    cover: (w) => `I cover it all with ${w}.`,
    fill: (w) => `I fill it up with ${w}.`,
    step: (s) => {
      switch (s.do) {
        case "simmer":
          return `I let it simmer ${s.for}${s.lid === "off" ? ", uncovered" : ""}.`;
        case "pressure":
          return `I pressure cook it for ${s.for}.`;
        case "reduce":
          return `I reduce it to ${s.to}.`;
        case "steep":
          return `I let it stand ${s.for}${s.in ? PLACE[s.in] : ""}.`;
        case "cool":
          return `I wait until it has cooled to ${s.to}.`;
        case "strain":
          return `I strain it through muslin${WRUNG[s.how]}.`;
        case "bottle":
          return "I bottle it.";
      }
    },
  },
  "told of what is done": {
    put: (w, first) =>
      first
        ? `${w[0]!.toUpperCase()}${w.slice(1)} are put in a jar.`
        : `${w[0]!.toUpperCase()}${w.slice(1)} are stirred in.`,
    cover: (w) => `It is covered with ${w}.`,
    fill: (w) => `The jar is filled up with ${w}.`,
    step: (s) => {
      switch (s.do) {
        case "simmer":
          return `It is simmered for ${s.for}.`;
        case "pressure":
          return `It is pressure cooked for ${s.for}.`;
        case "reduce":
          return `It is reduced to ${s.to}.`;
        case "steep":
          return `It is left to stand for ${s.for}${s.in ? PLACE[s.in] : ""}.`;
        case "cool":
          return `It is cooled to ${s.to}.`;
        case "strain":
          return `It is strained${WRUNG[s.how]}.`;
        case "bottle":
          return "It is bottled.";
      }
    },
  },
  "told of a neighbour": {
    put: (w, first) => (first ? `She puts ${w} into a jar.` : `After that she stirs in ${w}.`),
    cover: (w) => `She covers it with ${w}.`,
    fill: (w) => `She fills it up with ${w}.`,
    step: (s) => {
      switch (s.do) {
        case "simmer":
          return `She simmers it ${s.for}.`;
        case "pressure":
          return `She pressure cooks it for ${s.for}.`;
        case "reduce":
          return `She boils it down to ${s.to}.`;
        case "steep":
          return `She leaves it ${s.for}${s.in ? PLACE[s.in] : ""}.`;
        case "cool":
          return `She cools it to ${s.to}.`;
        case "strain":
          return `She strains it${WRUNG[s.how]}.`;
        case "bottle":
          return "She bottles it.";
      }
    },
  },
};

/** A plan told in a voice; a share of the liquid is told as so much for every cup of it. */
export function told(plan: Plan, voice: Voice): string {
  const say = SAYS[voice];
  const out: string[] = [];
  let first = true;
  for (const s of plan.steps) {
    if (s.do !== "add") {
      out.push(say.step(s));
      continue;
    }
    const by = (kind: string): Line[] => s.what.filter((l) => kindOf(l, plan) === kind);
    const plain = s.what.filter((l) => !["fill", "cover", "of-liquid"].includes(kindOf(l, plan)));
    if (plain.length > 0) out.push(say.put(listed(plain.map((l) => said(l, plan))), first));
    for (const l of by("cover")) out.push(say.cover(said(l, plan)));
    for (const l of by("fill")) out.push(say.fill(said(l, plan)));
    first = false;
  }
  return out.join(" ");
}
export const isOfLiquid = (l: Line, plan: Plan): boolean => kindOf(l, plan) === "of-liquid";
