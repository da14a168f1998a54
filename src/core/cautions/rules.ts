import type { Reckoning } from "../remedy/reckon";
import type { Program, Resolved } from "../remedy/resolve";

/** `never`: no reason is accepted. `stop`: change the plan or give a reason that is kept. `caution`: must be seen. `note`: good to know. */
export type Severity = "never" | "stop" | "caution" | "note";

export interface Situation {
  readonly program: Program;
  readonly reckoning: Reckoning;
}

export interface Caution {
  readonly id: string;
  readonly severity: Severity;
  /** What is so, one calm sentence. */
  readonly says: string;
  /** What to do about it. */
  readonly todo: string;
  /** Step and place of the line it is about, where it is about one. */
  readonly line?: readonly [step: number, place: number];
  /** Short words for the bottle's label, where it goes there. */
  readonly label?: string;
}

export interface Rule {
  readonly id: string;
  readonly basis: string;
  readonly fires: (s: Situation) => readonly Omit<Caution, "id">[];
}

const has = (l: Resolved, tag: string): boolean => l.stuff.tags.includes(tag);
const at = (l: Resolved): readonly [number, number] => [l.step, l.place];
const cap = (s: string): string => s[0]!.toUpperCase() + s.slice(1);
const lines = (s: Situation, test: (l: Resolved) => boolean): readonly Resolved[] => s.program.lines.filter(test);
const sour = (s: Situation): boolean => s.program.lines.some((l) => l.stuff.class === "vinegar") || s.reckoning.jar.acid.value > 0.5;
const eachLine = (test: (l: Resolved, s: Situation) => boolean, make: (l: Resolved, s: Situation) => Omit<Caution, "id" | "line">) => (s: Situation) => lines(s, (l) => test(l, s)).map((l) => ({ ...make(l, s), line: at(l) }));

/** Every rule has a basis in docs/cautions.md. The engine runs on every change of a plan, at straining, at bottling and for the label. */
export const RULES: readonly Rule[] = [
  { id: "honey-under-twelve-months", basis: "infant botulism; general paediatric guidance", fires: (s) => (lines(s, (l) => l.stuff.class === "honey").length > 0 ? [{ severity: "note", says: "Honey is in this.", todo: "Not for anyone under twelve months. The label will say so.", label: "Contains honey: never for a child under 12 months." }] : []) },
  { id: "aristolochic", basis: "aristolochic acids damage the kidneys; regulators have withdrawn such plants", fires: eachLine((l) => has(l, "aristolochic"), (l) => ({ severity: "never", says: `${cap(l.stuff.name)} carries aristolochic acids, which destroy kidneys.`, todo: "Take it out. Root ginger is a different plant and fine." })) },
  { id: "narrow-margin-poison", basis: "poisonous at or near any dose a kitchen can measure", fires: eachLine((l) => has(l, "poison"), (l) => ({ severity: "never", says: `${cap(l.stuff.name)} is a poison with no safe kitchen dose.`, todo: "Take it out." })) },
  { id: "not-food-alcohol", basis: "denatured and isopropyl alcohol are poisonous", fires: eachLine((l) => has(l, "not-food"), (l) => ({ severity: "never", says: `${cap(l.stuff.name)} is not food.`, todo: "Only spirit sold for drinking goes in." })) },
  { id: "essential-oil", basis: "essential oils are not taken by mouth here", fires: eachLine((l) => has(l, "essential-oil"), () => ({ severity: "never", says: "Essential oils are not taken by mouth.", todo: "Use the plant itself." })) },
  { id: "kernels", basis: "cyanogenic glycosides in stone-fruit kernels", fires: eachLine((l) => has(l, "kernel-eaten"), () => ({ severity: "never", says: "Kernels release cyanide when crushed or steeped.", todo: "Take them out, and leave plum stones out whole." })) },
  { id: "raw-elder", basis: "elder holds cyanogenic glycosides and a lectin until it is cooked; drying or freezing does not replace cooking", fires: eachLine((l, s) => has(l, "raw-toxic") && s.program.heatMinutes < 15, (l) => ({ severity: "stop", says: `${cap(l.stuff.name)} must be cooked; dried or frozen is still raw.`, todo: "Choose a heated way: at least 15 minutes at a simmer." })) },
  { id: "liver-alkaloids", basis: "unsaturated pyrrolizidine alkaloids", fires: eachLine((l) => has(l, "pyrrolizidine"), (l) => ({ severity: "stop", says: `${cap(l.stuff.name)} can hold alkaloids that scar the liver.`, todo: "Leave it out of anything that is swallowed." })) },
  { id: "with-any-medicine", basis: "induces enzymes that clear many medicines", fires: eachLine((l) => has(l, "interacts"), (l) => ({ severity: "caution", says: `${cap(l.stuff.name)} weakens many medicines.`, todo: "Not for anyone on a medicine without a pharmacist's word.", label: "Not with medicines unless a pharmacist agrees." })) },
  { id: "metal-lid-on-vinegar", basis: "acetic acid corrodes bare metal", fires: (s) => (s.program.vessel && sour(s) && (s.program.vessel.lid === "metal" || s.program.vessel.lid === "coated-metal") && s.program.vessel.sort === "jar" ? [{ severity: s.program.vessel.lid === "metal" ? "caution" : "note", says: s.program.vessel.lid === "metal" ? "Vinegar eats a bare metal lid." : "Vinegar finds its way under a coated metal lid.", todo: "Use a plastic or glass lid, or lay paper between." }] : []) },
  { id: "weak-vinegar", basis: "preserving guidance asks for vinegar of at least 5 % acidity as bought", fires: eachLine((l) => l.stuff.class === "vinegar" && !has(l, "acetic-unknown") && l.stuff.composition[3]! < 0.048, (l) => ({ severity: "caution", says: `This ${l.stuff.name} is under 5 % acid.`, todo: "Take one marked 5 % or more; plant water thins it further." })) },
  { id: "unknown-vinegar", basis: "acidity of home-made vinegar varies from 2 to 7 %", fires: eachLine((l) => has(l, "acetic-unknown"), () => ({ severity: "caution", says: "Home-made vinegar has an unknown strength.", todo: "Test it and type its strength, or it is kept in the fridge." })) },
  { id: "low-acid-in-honey", basis: "Clostridium botulinum in low-acid plant pieces held in honey", fires: (s) => (s.reckoning.verdict.vetoes.some((v) => v.id === "low-acid-fresh-in-honey") ? [{ severity: "stop", says: "Fresh garlic or root in plain honey can grow what cannot be seen or smelled.", todo: "Keep it in the fridge and use it within the month, dry it first, or add vinegar." }] : []) },
  { id: "base-in-vinegar", basis: "carbonates neutralise acid and release carbon dioxide", fires: (s) => (s.reckoning.verdict.vetoes.some((v) => v.id === "base-in-vinegar") ? [{ severity: "stop", says: "Chalk, shell, ash or soda eats the acid that keeps this, and makes gas.", todo: "Take it out." }] : []) },
  { id: "works-in-fridge", basis: "working-jar rows of the reckoning", fires: (s) => (s.program.steep !== undefined && s.reckoning.working.place === "fridge" && !s.program.plan.steps.some((x) => x.do === "steep" && x.in === "fridge") ? [{ severity: "stop", says: `As planned it is ${s.reckoning.working.words.replace(/;.*/, "")}.`, todo: "Let it work in the fridge, take a stronger vinegar, or put in less fresh or dried plant." }] : []) },
  { id: "spirit-on-the-boil", basis: "ethanol vapour catches fire", fires: (s) => { const order = s.program.plan.steps; const hot = order.findIndex((x) => x.do === "simmer" || x.do === "reduce" || x.do === "pressure"); return lines(s, (l) => l.stuff.class === "spirit" && hot >= 0 && order.some((x, i) => i > l.step && (x.do === "simmer" || x.do === "reduce" || x.do === "pressure"))).map((l) => ({ severity: "stop" as const, says: "Spirit on the boil can catch fire, and the alcohol leaves.", todo: "Add it after the heat is off and the pot has cooled.", line: at(l) })); } },
  { id: "gloves", basis: "capsaicin and mustard oils burn skin and eyes", fires: (s) => { const l = lines(s, (x) => has(x, "hot") || has(x, "pungent")); return l.length > 0 ? [{ severity: "note", says: `${cap(l.map((x) => x.stuff.name).slice(0, 2).join(" and "))} ${l.length > 1 ? "bite" : "bites"}.`, todo: "Gloves on, window open, hands off the eyes.", line: at(l[0]!) }] : []; } },
  { id: "herb-above", basis: "plant matter standing in air moulds", fires: (s) => (s.reckoning.fit && s.reckoning.fit.coverDay1Cm < 0 && s.program.steep !== undefined ? [{ severity: "caution", says: `By tomorrow herb would stand ${Math.abs(s.reckoning.fit.coverDay1Cm).toFixed(1)} cm above the liquid.`, todo: "Less herb, more liquid, or a weight to hold it under." }] : []) },
  { id: "drinks", basis: "dried plant matter swells", fires: (s) => (s.reckoning.fit && s.reckoning.fit.drinksMl > 15 && s.program.steep !== undefined ? [{ severity: "note", says: `The herb drinks about ${Math.round(s.reckoning.fit.drinksMl / 5) * 5} mL.`, todo: "Look again tomorrow and top up to the mark." }] : []) },
  { id: "pregnancy", basis: "traditional and pharmacological cautions; see docs/cautions.md", fires: (s) => { const l = lines(s, (x) => has(x, "pregnancy") || has(x, "pregnancy-stop")); return l.length > 0 ? [{ severity: l.some((x) => has(x, "pregnancy-stop")) ? "caution" : "note", says: `${cap(l.map((x) => x.stuff.name).slice(0, 3).join(", "))}: not in pregnancy or while nursing without licensed advice.`, todo: "Ask a midwife, practitioner or pharmacist first.", label: "Not in pregnancy or nursing without licensed advice.", line: at(l[0]!) }] : []; } },
];

const RANK: Readonly<Record<Severity, number>> = { never: 0, stop: 1, caution: 2, note: 3 };

/** Every caution a plan raises, gravest first, each once. */
export function cautionsOf(s: Situation): Caution[] {
  return RULES.flatMap((r) => r.fires(s).map((c) => ({ id: r.id, ...c }))).sort((a, b) => RANK[a.severity] - RANK[b.severity]);
}

/** The fixed line shown in one unobtrusive place. */
export const NOT_ADVICE = "Not medical advice; ask a licensed practitioner or pharmacist. Where something is sold or given away, local food law applies.";
