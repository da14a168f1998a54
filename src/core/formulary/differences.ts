import { MATERIALS, type Catalogue } from "../material/catalogue";
import { linesOf } from "../plan/edit";
import type { Line, Plan, Step } from "../plan/plan";
import { readAmount } from "../reading/amounts";
import { printAmount } from "../reading/print";
import { VESSELS } from "../vessel/catalogue";

/** One thing two plans say differently: what it is of, how it was and is, and both in words. */
export interface Difference {
  readonly about:
    | { readonly line: string }
    | { readonly step: string }
    | { readonly of: "vessel" | "lid" | "shake" | "taken" | "name" };
  readonly was: string;
  readonly is: string;
  readonly words: string;
}

const amountOf = (l: Line, units: Plan["units"]): string => {
  const read = readAmount(l.amount, units);
  return read.ok ? printAmount(read.value, units) : l.amount;
};

/** Lines that are the same one: by id, which edits keep, where the thing is the same; else by what goes in, in order. */
function paired(
  a: readonly Line[],
  b: readonly Line[],
): readonly (readonly [Line | undefined, Line | undefined])[] {
  const left = new Set(a);
  const pairs: [Line | undefined, Line | undefined][] = [];
  for (const is of b) {
    const was =
      [...left].find((x) => x.id === is.id && x.material === is.material) ??
      [...left].find((x) => x.material === is.material) ??
      [...left].find((x) => x.id === is.id && !b.some((y) => y.material === x.material));
    if (was) left.delete(was);
    pairs.push([was, is]);
  }
  return [...pairs, ...[...left].map((x) => [x, undefined] as const)];
}

const stepKey = (s: Exclude<Step, { do: "add" }>): string => {
  switch (s.do) {
    case "simmer":
      return `${s.for}${s.lid === "off" ? ", lid off" : ""}`;
    case "pressure":
      return s.for;
    case "steep":
      return s.for;
    case "reduce":
      return s.to;
    case "cool":
      return s.to;
    case "strain":
      return s.how;
    case "bottle":
      return s.hot ? "hot" : "";
  }
};
const PLACE: Readonly<Record<string, string>> = {
  "dark-cupboard": "in the dark",
  counter: "on the counter",
  "sunny-sill": "on a sunny sill",
  fridge: "in the fridge",
};
const DOES: Readonly<Record<Exclude<Step["do"], "add">, string>> = {
  simmer: "simmer",
  reduce: "boil down to",
  pressure: "under pressure",
  steep: "steep",
  cool: "cool to",
  strain: "strain,",
  bottle: "bottle",
};

/** Whether a line goes in after the cloth. */
const isLate = (plan: Plan, id: string): boolean => {
  const cut = plan.steps.findIndex((s) => s.do === "strain");
  return cut >= 0 && plan.steps.findIndex((s) => s.do === "add" && s.what.some((l) => l.id === id)) > cut;
};

function ofLines(a: Plan, b: Plan, nameOf: (id: string) => string): Difference[] {
  return paired(linesOf(a), linesOf(b)).flatMap(([was, is]): Difference[] => {
    if (!is)
      return [
        {
          about: { line: was!.id },
          was: amountOf(was!, a.units),
          is: "",
          words: `no ${nameOf(was!.material)}`,
        },
      ];
    const name = nameOf(is.material);
    const about = { line: is.id };
    const amount = amountOf(is, b.units);
    if (!was) return [{ about, was: "", is: amount, words: `${amount} ${name}, new` }];
    const out: Difference[] = [];
    if (was.material !== is.material)
      out.push({ about, was: nameOf(was.material), is: name, words: `${name} for ${nameOf(was.material)}` });
    const before = amountOf(was, a.units);
    if (before !== amount)
      out.push({ about, was: before, is: amount, words: `${name} ${before} → ${amount}` });
    const how = (l: Line): string => [l.form, l.cut, l.strength].filter(Boolean).join(", ");
    if (how(was) !== how(is))
      out.push({
        about,
        was: how(was),
        is: how(is),
        words: `${name} ${how(was) || "as it comes"} → ${how(is) || "as it comes"}`,
      });
    const [then, now] = [isLate(a, was.id), isLate(b, is.id)];
    if (then !== now) {
      const said = (late: boolean): string => (late ? "after straining" : "from the start");
      out.push({ about, was: said(then), is: said(now), words: `${name} ${said(now)}` });
    }
    return out;
  });
}

function ofSteps(a: Plan, b: Plan): Difference[] {
  const steps = (p: Plan) => p.steps.filter((s): s is Exclude<Step, { do: "add" }> => s.do !== "add");
  const left = [...steps(a)];
  const out: Difference[] = [];
  for (const is of steps(b)) {
    const at = left.findIndex((x) => x.id === is.id && x.do === is.do);
    const found = at >= 0 ? at : left.findIndex((x) => x.do === is.do);
    const [was] = found >= 0 ? left.splice(found, 1) : [];
    const about = { step: is.id };
    if (!was) {
      out.push({ about, was: "", is: stepKey(is), words: `${DOES[is.do]} ${stepKey(is)}`.trim() + ", new" });
      continue;
    }
    if (stepKey(was) !== stepKey(is))
      out.push({
        about,
        was: stepKey(was),
        is: stepKey(is),
        words: `${DOES[is.do]} ${stepKey(was)} → ${stepKey(is)}`,
      });
    if (was.do === "steep" && is.do === "steep" && was.in !== is.in) {
      const said = (x: string | undefined): string => (x ? PLACE[x]! : "anywhere");
      out.push({
        about,
        was: said(was.in),
        is: said(is.in),
        words: `it stands ${said(was.in)} → ${said(is.in)}`,
      });
    }
  }
  for (const was of left)
    out.push({
      about: { step: was.id },
      was: stepKey(was),
      is: "",
      words: `no ${DOES[was.do].replace(/,$/, "")} ${stepKey(was)}`.trim(),
    });
  return out;
}

const vesselName = (v: Plan["vessel"]): string => {
  if (v === undefined) return "any vessel";
  return typeof v === "string" ? (VESSELS.get(v)?.name ?? v) + sizeOf(v) : v.name;
};
const sizeOf = (id: string): string => {
  const v = VESSELS.get(id);
  return v && !v.name.includes(v.size) ? `, ${v.size}` : "";
};

/** What changed from one plan to another, in the order of the later one; empty where they come to the same. */
export function differences(a: Plan, b: Plan, catalogue: Catalogue = MATERIALS): Difference[] {
  const own = new Map([...(a.materials ?? []), ...(b.materials ?? [])].map((m) => [m.id, m.names[0]!]));
  const nameOf = (id: string): string => catalogue.get(id)?.row.names[0] ?? own.get(id) ?? id;
  const plain: Difference[] = [];
  const put = (of: "vessel" | "lid" | "shake" | "taken", was: string, is: string): void => {
    if (was !== is)
      plain.push({ about: { of }, was, is, words: `${of} ${was || "unsaid"} → ${is || "unsaid"}` });
  };
  const [va, vb] = [vesselName(a.vessel), vesselName(b.vessel)];
  if (va !== vb) plain.push({ about: { of: "vessel" }, was: va, is: vb, words: `${va} → ${vb}` });
  put("shake", a.shake?.replaceAll("-", " ") ?? "", b.shake?.replaceAll("-", " ") ?? "");
  put("taken", a.taken ?? "", b.taken ?? "");
  return [...ofLines(a, b, nameOf), ...ofSteps(a, b), ...plain];
}
