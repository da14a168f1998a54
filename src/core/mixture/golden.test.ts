import { chance } from "../../../tests/chance";
import { figure, golden } from "../../../tests/golden";
import { phOf, titratableMol } from "./acidity";
import { activityOf, drynessOf, honeyActivity, honeyLikeness } from "./activity";
import { abvOfMassShare, massShareOfAbv } from "./alcohol";
import {
  ALKALINITY,
  COLUMNS,
  COMPONENT_NAMES,
  DI,
  MONO,
  type Mixture,
  WATER,
  massOf,
  nothing,
} from "./components";
import { FIGURES, figuresInto, sameFiguresInto } from "./figures";
import { volumeOf } from "./volume";

/** A mixture by what is in it, g; alkalinity in mEq. */
const of = (parts: Partial<Record<(typeof COMPONENT_NAMES)[number] | "alkalinity", number>>): Mixture => {
  const m = nothing();
  for (const [name, grams] of Object.entries(parts))
    m[name === "alkalinity" ? ALKALINITY : COMPONENT_NAMES.indexOf(name as never)] = grams;
  return m;
};

/** Each thing by itself in water, what kitchens pour, and the edges where one law hands over to another. */
const NAMED: readonly (readonly [string, Mixture])[] = [
  ["nothing", nothing()],
  ["a speck", of({ water: 1e-10 })],
  ["water", of({ water: 100 })],
  ...COMPONENT_NAMES.slice(1).map((name) => [`a tenth ${name}`, of({ water: 90, [name]: 10 })] as const),
  ...COMPONENT_NAMES.slice(1).map((name) => [`half ${name}`, of({ water: 50, [name]: 50 })] as const),
  ["nothing but grounds", of({ insoluble: 20 })],
  ["vinegar that bases hold", of({ water: 95, acetic: 5, alkalinity: 40 })],
  ["more base than acid", of({ water: 95, acetic: 0.5, alkalinity: 40 })],
  ["lemon, half answered", of({ water: 91, citric: 6, malic: 0.5, mono: 2, alkalinity: 50 })],
  ["a dry honey", of({ water: 16, mono: 75, di: 8, gluconic: 0.5 })],
  ["a wet honey", of({ water: 21, mono: 72, di: 6, gluconic: 0.5 })],
  ["honey let down to where it is honey no more", of({ water: 30, mono: 62, di: 6 })],
  ["honey with a drop of spirit", of({ water: 18, mono: 74, di: 7, ethanol: 0.6 })],
  ["half honey, half sugar", of({ water: 22, mono: 40, di: 38 })],
  ["an oxymel", of({ water: 55, mono: 38, di: 4, acetic: 2.5, soluble: 0.5, alkalinity: 12 })],
  ["a syrup with glycerin", of({ water: 40, di: 40, glycerol: 20 })],
  ["brine with vinegar", of({ water: 90, salt: 6, acetic: 4 })],
  ["an elixir", of({ water: 45, ethanol: 30, mono: 20, soluble: 3, insoluble: 2, alkalinity: 5 })],
];

/** Others by lot: any of it in any company. */
function byLot(): readonly (readonly [string, Mixture])[] {
  const c = chance(1207);
  return Array.from({ length: 40 }, (_, i) => {
    const m = nothing();
    for (let k = 0; k < COLUMNS; k++) if (k === WATER || c.next() < 0.35) m[k] = c.from(0.1, 60);
    return [`by lot ${i + 1}`, m] as const;
  });
}

function lineOf(name: string, m: Mixture): string {
  const into = new Float64Array(2 * FIGURES.length);
  figuresInto(m, into, 0);
  const figures = FIGURES.map((f, i) => `${f} ${figure(into[i])}`).join(" · ");
  // The same liquid in another amount: only what counts amounts differs.
  sameFiguresInto(m.map((x) => x / 3) as Mixture, into, FIGURES.length, 0);
  const third = FIGURES.map((_, i) => figure(into[FIGURES.length + i])).join(" ");
  const near = [2, into[7]! - 0.005, into[7]! + 0.1, 9].map((ph) => figure(phOf(m, volumeOf(m), ph)));
  const honey = `honey ${figure(honeyLikeness(m))} dry ${figure(massOf(m) > 0 ? drynessOf(m) : 0)} acid ${figure(titratableMol(m))}`;
  return `${name}: ${figures} | ${third} | ${near.join(" ")} | ${honey}`;
}

test("the figures of a hundred liquids", () => {
  golden(
    "mixture",
    [...NAMED, ...byLot()].map(([name, m]) => lineOf(name, m)),
  );
});

test("spirits, honeys and sugars on the way from one to the other", () => {
  const steps = Array.from({ length: 21 }, (_, i) => i / 20);
  golden("mixture-laws", [
    ...steps.map((x) => `abv ${x}: mass ${figure(massShareOfAbv(x))}, of mass ${figure(abvOfMassShare(x))}`),
    ...[-1, 1.2].map((x) => `abv ${x}: mass ${figure(massShareOfAbv(x))}`),
    ...steps.map((x) => `honey of ${10 + 60 * x} % water: ${figure(honeyActivity(10 + 60 * x))}`),
    ...steps.map((x) => {
      const m = nothing();
      [m[WATER], m[MONO], m[DI]] = [24, 76 * x, 76 * (1 - x)];
      return `mono ${x}: ${figure(activityOf(m))} in ${figure(volumeOf(m))} mL`;
    }),
  ]);
});
