import { CASES, type Case, USUAL } from "../../../tests/golden-plans";
import { figure, golden } from "../../../tests/golden";
import type { Estimate } from "../estimate";
import { MATERIALS } from "../material/catalogue";
import { stuffOf } from "../material/material";
import { linesOf } from "../plan/edit";
import { printAmount } from "../reading/print";
import { FIGURES } from "../mixture/figures";
import { comparedFigure } from "./compared";
import { whenBegins, whenDone } from "./in-the-pot";
import { reckonProgram } from "./reckon";
import { resolve } from "./resolve";
import { reformed, sayIn, sayingNow, sayingsOf } from "./restate";
import { spoonOf } from "./spoon";
import { whereItWent } from "./went";

const COMPARED = [
  "yield",
  "sweetness",
  "sharpness",
  "strength",
  "keeping",
  "herb",
  "sugar",
  "alcohol",
] as const;
const of = (e: Estimate): string => `${figure(e.value)} ${figure(e.low)} ${figure(e.high)}`;

/** Everything a plan comes to, a line each. */
function told({ name, plan, happened }: Case): string[] {
  const p = resolve(plan, {}, happened);
  if (!p.ok)
    return [
      `${name} | fault ${p.faults.map((f) => `${f.name} ${f.path.join(".")} ${f.message}`).join("; ")}`,
    ];
  const r = reckonProgram(p.value);
  const say = (what: string, words: string): string => `${name} | ${what} | ${words}`;
  const w = whereItWent(p.value, r);
  const spoon = spoonOf(r);
  return [
    ...r.lines.map((l, i) =>
      say(
        `line ${l.name}`,
        `${of(l.grams)} ml ${of(l.ml)} dry ${figure(l.dryG)} ${p.value.lines[i]!.because}`,
      ),
    ),
    ...(["jar", "strained", "finished"] as const).flatMap((at) =>
      FIGURES.map((f) => say(`${at} ${f}`, of(r[at][f]))),
    ),
    say("herb per mL", of(r.herbPerMl)),
    say("because", r.finished.ml.because.join("; ")),
    say("ledger", Object.values(r.ledger).map(figure).join(" ")),
    say(
      "part",
      `${figure(r.partMl)} measured ${figure(p.value.measuredMl)} heat ${figure(p.value.heatMinutes)}`,
    ),
    say("working", `${r.working.place} ${r.working.because} ${figure(r.working.mostDays)}`),
    ...r.standings.map((s) => say("standing", JSON.stringify(s))),
    say(
      "verdict",
      `${r.verdict.place} ${r.verdict.row.id} ${r.verdict.life.days} fridge ${r.verdict.fridge.days} opened ${r.verdict.opened.days} vetoes ${r.verdict.vetoes.map((v) => v.id).join(",") || "none"}`,
    ),
    say("so", [r.bottledHot, r.honeyAlone, r.unknownVinegar].join(" ")),
    say("refused", r.refused.map((f) => f.name).join(",") || "none"),
    say("cooling", r.cooling ? JSON.stringify(r.cooling) : "none"),
    say("shares", r.shares ? Object.values(r.shares).map(figure).join(" ") : "none"),
    say(
      "went",
      `${[w.poured, w.fromPlants, w.closedUp, w.boiledOff, w.held, w.onCloth, w.out].map(figure).join(" ")} more ${w.wringMore ? `${w.wringMore.how} ${figure(w.wringMore.ml)}` : "none"}`,
    ),
    say("spoon", `${of(spoon.herb)}, ${of(spoon.sugar)}, ${of(spoon.alcohol)}`),
    ...COMPARED.map((c) => say(`compared ${c}`, of(comparedFigure(r, c)))),
    ...p.value.read.steps.map((s) => {
      const pot = (is: ReturnType<typeof whenBegins>): string => Object.values(is).map(figure).join(" ");
      return say(`pot at ${s.do}`, `${pot(whenBegins(p.value, s.id))} then ${pot(whenDone(p.value, s.id))}`);
    }),
  ];
}

/** The short of it: what comes out, how it keeps. */
const inShort = (c: Case): string[] =>
  told(c).filter((l) =>
    /\| (?:fault|finished (?:ml|brix|acid|ph|aw|abv|index)|verdict|working|herb per mL|went)/.test(l),
  );

test("every figure of every case stands as it was last read", () =>
  golden("reckoning", [...CASES.flatMap(told), ...USUAL.flatMap(inShort)]));

test("every way to say an amount, and every form, is said as it was", () => {
  const said = CASES.slice(0, 14).flatMap(({ name, plan }) =>
    linesOf(plan).flatMap((l) => {
      const m = MATERIALS.get(l.material);
      const s = m ? stuffOf(m, { form: l.form, cut: l.cut }) : undefined;
      const p = resolve(plan);
      const line = p.ok ? p.value.lines.find((x) => x.line.id === l.id) : undefined;
      if (!s?.ok || !line || !p.ok) return [];
      const { amount, grams } = line;
      const by = { vessel: p.value.vessel, partMl: p.value.partMl };
      const now = sayingNow(amount, s.value);
      return [
        `${name} | ${l.material} says ${now ?? "none"}`,
        ...sayingsOf(s.value, plan.units).map((to) => {
          const is = sayIn(grams, s.value, to, plan.units, by);
          return `${name} | ${l.material} in ${to} | ${is.ok ? is.value : is.faults[0]!.name}`;
        }),
        ...(["dried", "fresh"] as const).map((form) => {
          const is = reformed(l, { form }, plan.units, by);
          return `${name} | ${l.material} as ${form} | ${is.ok ? JSON.stringify(is.value) : is.faults[0]!.name}`;
        }),
        `${name} | ${l.material} printed | ${printAmount(amount, plan.units)}`,
      ];
    }),
  );
  golden("restated", said);
});
