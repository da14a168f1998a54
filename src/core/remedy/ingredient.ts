import { type Result, fail, fault, ok, under } from "../fault";
import { MATERIALS, type Catalogue, named, search } from "../material/catalogue";
import { CUTS, FORMS, type Cut, type Form } from "../material/classes";
import { type Material, formsOf } from "../material/material";
import { type Amount, parseHead } from "../quantity/amount";
import { printCount } from "../quantity/number";
import type { Household } from "../quantity/units";
import type { Line } from "./plan";

const FORM_WORDS: Readonly<Record<string, Form>> = { ...(Object.fromEntries(FORMS.map((f) => [f, f])) as Record<string, Form>), dry: "dried", powder: "powdered", ground: "powdered" };
const CUT_WORDS: Readonly<Record<string, Cut>> = { ...(Object.fromEntries(CUTS.map((c) => [c, c])) as Record<string, Cut>), minced: "grated", rubbed: "chopped", cut: "chopped", cracked: "crushed", bruised: "crushed", diced: "chopped", shredded: "grated" };

export interface Spoken {
  readonly amount: string | undefined;
  readonly form: Form | undefined;
  readonly cut: Cut | undefined;
  /** What is left: the material's name. */
  readonly name: string;
}

/** Takes a typed line apart: `2 cups grated ginger, fresh` → amount, form, cut and name. Faults are the amount's. */
export function takeApart(text: string, household: Household): Result<Spoken> {
  const t = text.trim();
  const startsWithNumber = /^[\d½⅓⅔¼¾⅛⅜⅝⅞.−-]|^(?:a|an|one|two|three|four|five|six|seven|eight|nine|ten|half|quarter|third)\b/i.test(t);
  let amount: string | undefined;
  let rest = t;
  if (startsWithNumber && !named(t)) {
    const head = parseHead(t, household);
    if (!head.ok) {
      // “-1 cup thyme” is a wrong amount; “a bay leaf” merely begins with a word that is also a number.
      if (/^[\d½⅓⅔¼¾⅛⅜⅝⅞.−-]/.test(t) || head.faults[0]!.name !== "NotAnAmount") return head;
    } else {
      rest = head.value.rest;
      amount = t.slice(0, t.length - rest.length).replace(/\s+of\s*$/i, "").trim();
      // A piece counted by its own name: “2 lemons”.
      if (head.value.amount.kind === "count" && head.value.amount.unit === "piece" && rest !== "") amount = t.slice(0, t.indexOf(rest)).trim();
    }
  }
  let form: Form | undefined;
  let cut: Cut | undefined;
  const words = rest
    .replace(/[(),]/g, " ")
    .split(/\s+/)
    .filter((w) => {
      const low = w.toLowerCase();
      if (low === "") return false;
      if (FORM_WORDS[low] && !form) return void (form = FORM_WORDS[low]);
      if (CUT_WORDS[low] && !cut) return void (cut = CUT_WORDS[low]);
      return low !== "of" && low !== "and" && low !== "the" && low !== "finely" && low !== "roughly";
    });
  return ok({ amount, form, cut, name: words.join(" ") });
}

/** A typed line as a line of a plan. An amount left out is a usual one: a third of the jar dried, half of it fresh, a part of a liquid. */
export function readIngredient(text: string, household: Household, catalogue: Catalogue = MATERIALS, chosen?: Material): Result<Line> {
  const spoken = takeApart(text, household);
  if (!spoken.ok) return fail(...under(["amount"], spoken.faults));
  const { amount, form, cut, name } = spoken.value;
  if (name === "" && !chosen) return fail(fault("NotAMaterial", "Name what goes in: “1½ cups hyssop, dried”.", ["material"]));
  const material = chosen ?? named(name, catalogue) ?? search(name, catalogue, 1)[0]?.material;
  if (!material) return fail(fault("UnknownMaterial", `“${name}” is not among the materials. Try a plainer name, or add it to your stores.`, ["material"]));
  const plant = material.kind === "plant";
  const forms = formsOf(material);
  const usual = plant ? (form === "fresh" || form === "frozen" || form === "wilted" ? "1/2 jar" : "1/3 jar") : "1 part";
  return ok({ material: material.row.id, ...(plant && form && forms.includes(form) ? { form } : {}), ...(plant && cut ? { cut } : {}), amount: amount ?? usual });
}

/** An amount's text, times a factor; shares and measures scale, goals and fillings stay as they are. */
export function scaleText(text: string, amount: Amount, by: number): string {
  switch (amount.kind) {
    case "measure": {
      const n = (x: number): string => printCount(Number((x * by).toPrecision(3)));
      const range = amount.count.low === amount.count.high ? n(amount.count.value) : `${n(amount.count.low)}–${n(amount.count.high)}`;
      return `${range} ${amount.count.value * by > 1 ? amount.unit.many : amount.unit.one}`;
    }
    case "count":
      return `${printCount(Number((amount.count.value * by).toPrecision(2)))} ${amount.unit}${amount.count.value * by > 1 ? "s" : ""}`;
    case "part":
      return `${printCount(Number((amount.count.value * by).toPrecision(3)))} ${amount.count.value * by > 1 ? "parts" : "part"}`;
    case "jar":
      return `${printCount(Number(Math.min(1, amount.count.value * by).toPrecision(3)))} jar`;
    default:
      return text;
  }
}
