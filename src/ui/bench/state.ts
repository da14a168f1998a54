import type { Line, Plan, Step } from "@/core/remedy/plan";
import { MATERIALS } from "@/core/material/catalogue";
import { KIND_WORDS, type Kind } from "@/core/remedy/plan";
import type { Household } from "@/core/quantity/units";
import { type Usual, emptyPlan, roleOf } from "@/core/remedy/ways";

/** What the Bench holds: the plan, whether its name was typed, and the ids it will be begun under. */
export interface Bench {
  readonly plan: Plan;
  readonly named: boolean;
  readonly id: string;
  readonly key: string;
  readonly reasons: Readonly<Record<string, string>>;
  /** What is to be begun after this: the other jar of a batch in two. */
  readonly rest: readonly Plan[];
  /** A shop's bottle to set the cost against, as typed. */
  readonly shop: { readonly price: string; readonly ml: string };
}

/** A clear Bench, in the cautious way of a kind. */
export const fresh = (household: Household, usualJar: string, usual: Usual, kind: Kind = "oxymel"): Bench => ({ plan: emptyPlan(kind, household, usualJar, usual), named: false, id: crypto.randomUUID(), key: crypto.randomUUID(), reasons: {}, rest: [], shop: { price: "", ml: "" } });

export interface History {
  readonly now: Bench;
  readonly past: readonly Bench[];
  readonly future: readonly Bench[];
  /** What the last change was about; changes of one drag share it and undo as one. */
  readonly about: string | undefined;
}

export type Action = { readonly do: "change"; readonly to: Bench; readonly about?: string } | { readonly do: "undo" } | { readonly do: "redo" } | { readonly do: "replace"; readonly to: Bench };

const MOST = 200;

/** History as pure steps; a change with the same `about` as the last one joins it. */
export function step(h: History, a: Action): History {
  switch (a.do) {
    case "change": {
      if (a.about !== undefined && a.about === h.about) return { ...h, now: a.to, future: [] };
      return { now: a.to, past: [...h.past.slice(-MOST), h.now], future: [], about: a.about };
    }
    case "undo": {
      const last = h.past.at(-1);
      return last ? { now: { ...last, id: h.now.id, key: h.now.key }, past: h.past.slice(0, -1), future: [h.now, ...h.future], about: undefined } : h;
    }
    case "redo": {
      const next = h.future[0];
      return next ? { now: { ...next, id: h.now.id, key: h.now.key }, past: [...h.past, h.now], future: h.future.slice(1), about: undefined } : h;
    }
    case "replace":
      return { now: a.to, past: [], future: [], about: undefined };
  }
}

/** A new line goes in with the first things; herbs stand before what is poured over them. */
export function addLine(plan: Plan, line: Line): Plan {
  const s = plan.steps.findIndex((x) => x.do === "add");
  if (s < 0) return { ...plan, steps: [{ do: "add", what: [line] }, ...plan.steps] };
  return {
    ...plan,
    steps: plan.steps.map((x, i): Step => {
      if (i !== s || x.do !== "add") return x;
      const pour = roleOf(line) === "herb" ? x.what.findIndex((l) => roleOf(l) !== "herb") : -1;
      const what = [...x.what];
      what.splice(pour < 0 ? what.length : pour, 0, line);
      return { ...x, what };
    }),
  };
}

/** A name from what is in it: “Hyssop & fennel seed oxymel”. */
export function usualName(plan: Plan): string {
  const herbs = [...new Set(plan.steps.flatMap((s) => (s.do === "add" ? s.what : [])).filter((l) => roleOf(l) === "herb").map((l) => MATERIALS.get(l.material)?.row.names[0] ?? l.material))];
  const kind = KIND_WORDS[plan.kind].name;
  if (herbs.length === 0) return `A new ${kind}`;
  const first = herbs[0]!;
  const words = herbs.length === 1 ? first : herbs.length === 2 ? `${first} & ${herbs[1]}` : `${first}, ${herbs[1]} & more`;
  return `${words[0]!.toUpperCase()}${words.slice(1)} ${kind}`.slice(0, 80);
}
