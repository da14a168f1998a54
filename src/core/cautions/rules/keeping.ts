import { celsius } from "../../quantity/carried";
import { inFingers, measuresIn } from "../../reading/measures";
import { printDay } from "../../day";
import { asItLeftTheCloth } from "../../reckoning/reckon";
import { closingOf } from "../../keeping/closing";
import { capital, counted, sweetness } from "../../words";
import type { Kind } from "../../plan/plan";
import type { JudgedStanding } from "../../reckoning/standing";
import {
  EVERYWHERE,
  type Rule,
  type Situation,
  beside,
  besideStep,
  eachLine,
  has,
  stepThat,
  tagged,
} from "../caution";
import { ACETIC } from "../../mixture/components";

/** g of acetic acid in a gram of a vinegar marked 5 %, with a little room for its own salts. */
const MARKED_FIVE = 0.048;
/** Liquid thinned to under this share of its vinegar's acid by what is in the jar is worth saying. */
const THINNED = 0.6;

/** Whether it is sealed, or works at room temperature for a day or more: where what grows without air has its time. */
const standsWarm = (s: Situation): boolean =>
  s.reckoning.working.because !== "glycerin" &&
  (s.reckoning.honeyAlone ||
    s.reckoning.verdict.row.cupboard !== null ||
    s.program.standings.some((x) => x.in !== "fridge" && x.days.high >= 1));

/** What would make a jar of this kind strong enough to stand. */
const STRONGER: Readonly<Record<Kind, string>> = {
  oxymel: "take a stronger vinegar, or put in less fresh plant",
  "fire-cider": "take a stronger vinegar, or put in less fresh plant",
  vinegar: "take a stronger vinegar, or put in less fresh plant",
  tincture: "take a stronger spirit, or put in less fresh plant",
  honey: "dry the herb first and take ripe honey, under 18.6 % water",
  syrup: "cook it and strain it the same day",
};

function standingWords(s: Situation, x: JudgedStanding): { says: string; todo: string } {
  const todo = `Let it work in the fridge, or ${STRONGER[s.program.plan.kind]}.`;
  switch (x.wrong!) {
    case "belongs-in-the-fridge":
      return s.reckoning.unknownVinegar && x.working.place === "fridge"
        ? { says: "The vinegar's strength is not known, so this may not stand at room temperature.", todo }
        : {
            says: "As planned it is not sour, strong or dry enough to stand at room temperature.",
            todo,
          };
    case "too-long-for-weak-spirit":
      return {
        says: "Under a quarter alcohol it stands two weeks at room temperature, not longer.",
        todo: "Strain it within two weeks, take a stronger spirit, or let it work in the fridge.",
      };
    case "infusion-too-long":
      return {
        says: "Nothing in it keeps it that long at room temperature.",
        todo: "Four hours at most, or let it stand in the fridge.",
      };
  }
}

/** % water of a jar of honey and dried herb, at the end that hurts, past which it ferments more easily than not: a typed 18.6 stays under it. */
const MOIST_JAR = 19.15;

export const KEEPING: readonly Rule[] = [
  {
    id: "low-acid-in-honey",
    basis: "Clostridium botulinum in low-acid plant pieces held without air, acid or alcohol",
    stages: EVERYWHERE,
    fires: (s) =>
      s.reckoning.verdict.vetoes.some((v) => v.id === "low-acid-fresh") && standsWarm(s)
        ? [
            {
              severity: "stop",
              says: "Fresh garlic, root or another low-acid plant without enough acid or alcohol can grow what cannot be seen or smelled.",
              todo: "Keep it in the fridge and use it within the month, dry the plant first, or add vinegar.",
            },
          ]
        : [],
  },
  {
    id: "base-in-vinegar",
    basis: "carbonates neutralise acid and release carbon dioxide",
    stages: EVERYWHERE,
    fires: (s) =>
      s.reckoning.verdict.vetoes.some((v) => v.id === "base-in-vinegar")
        ? tagged(s, "base")
            .slice(0, 1)
            .map((l) => ({
              severity: "stop" as const,
              says: "Chalk, shell, ash or soda eats the acid that keeps this, and makes gas.",
              todo: "Take it out.",
              about: beside(l),
            }))
        : [],
  },
  {
    id: "works-in-fridge",
    basis: "working-jar rows of the reckoning; a steep nothing keeps goes by the second stage of cooling",
    stages: ["plan", "make"],
    fires: (s) =>
      s.reckoning.standings.flatMap((x) => {
        if (x.wrong === undefined) return [];
        return [{ severity: "stop" as const, ...standingWords(s, x), about: besideStep(x.step) }];
      }),
  },
  {
    id: "weak-vinegar",
    basis: "preserving guidance asks for vinegar of at least 5 % acidity as bought",
    stages: ["plan", "make"],
    fires: eachLine(
      (l) =>
        l.stuff.class === "vinegar" &&
        !has(l, "acetic-unknown") &&
        l.stuff.composition[ACETIC]! < MARKED_FIVE,
      (l) => ({
        severity: "caution",
        says: `This ${l.stuff.name} is under 5 % acid.`,
        todo: "Take one marked 5 % or more; plant water thins it further.",
      }),
    ),
  },
  {
    id: "unknown-vinegar",
    basis: "acidity of home-made vinegar varies from 2 to 7 %",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "acetic-unknown"),
      () => ({
        severity: "caution",
        says: "Home-made vinegar has an unknown strength.",
        todo: "Test it and type its strength, or it is kept in the fridge.",
      }),
    ),
  },
  {
    id: "thinned-vinegar",
    basis: "plant water and plant bases use up the acid that keeps it",
    stages: ["plan", "make"],
    fires: (s) => {
      const v = s.program.lines.filter((l) => l.stuff.class === "vinegar" && l.stage === "jar");
      const poured = v.reduce((ml, l) => ml + l.grams / l.stuff.density, 0);
      const sweet = s.program.lines.some(
        (l) =>
          l.stage === "jar" &&
          (l.stuff.class === "honey" ||
            l.stuff.class === "sugar" ||
            l.stuff.class === "syrup" ||
            l.stuff.class === "water"),
      );
      if (poured <= 0 || sweet) return [];
      const had = (100 * v.reduce((g, l) => g + l.grams * l.stuff.composition[ACETIC]!, 0)) / poured;
      const left = s.reckoning.jar.acetic.value;
      return left < THINNED * had
        ? [
            {
              severity: "caution",
              says: `What is in the jar thins the vinegar from ${had.toFixed(1)} to ${left.toFixed(1)} % acid.`,
              todo: "Less fresh plant, or a stronger vinegar.",
              about: beside(v[0]!),
            },
          ]
        : [];
    },
  },
  {
    id: "wet-honey",
    basis: "honey over 18.6 % water is outside the best grade, over 20 % is likely to ferment",
    stages: ["plan", "make", "bottle"],
    fires: eachLine(
      (l) => l.stuff.class === "honey" && l.stuff.composition[0]! > 0.186,
      (l) => ({
        severity: l.stuff.composition[0]! > 0.2 ? "caution" : "note",
        says: `This ${l.stuff.name} holds ${(100 * l.stuff.composition[0]!).toFixed(1)} % water and may ferment.`,
        todo: "Use a drier one where honey alone must keep, or keep it cold.",
      }),
    ),
  },
  {
    id: "stood-too-long",
    basis:
      "a liquid that nothing keeps has its days in the fridge from the cloth on, whatever is made of it later; J",
    stages: ["make", "strain", "bottle", "label"],
    fires: (s) => {
      const { waitedDays } = s.program.happened;
      if (!s.reckoning.verdict.vetoes.some((v) => v.id === "stood-too-long") || waitedDays === undefined)
        return [];
      const keeps = asItLeftTheCloth(s.program, s.reckoning.strained).words;
      return [
        {
          severity: "never",
          says: `It has stood ${counted(waitedDays, "day")} since the cloth, and as it came out of it it keeps ${keeps} in the fridge.`,
          todo: "Throw it out: neither sugar nor boiling mends that. Where the day of the straining is wrong, put that right.",
          about: { what: "whole" },
        },
      ];
    },
  },
  {
    id: "moist-honey",
    basis: "yeasts of honey wake from some 19 % water on; what stands in it brings a little more",
    stages: ["plan", "make"],
    fires: (s) => {
      const honey = s.program.lines.find((l) => l.stuff.class === "honey");
      const { honeyAlone, verdict, jar } = s.reckoning;
      const isMoist = honeyAlone && verdict.cupboard !== null && jar.water.high > MOIST_JAR;
      return honey && isMoist && s.reckoning.standings.length > 0
        ? [
            {
              severity: "stop",
              says: `With the herb in it this honey holds up to ${jar.water.high.toFixed(1)} % water: it may ferment where it stands.`,
              todo: "Take a drier honey, let it stand in the fridge, or say why, and watch for fizz.",
              about: beside(honey),
            },
          ]
        : [];
    },
  },
  {
    id: "ours-best-by",
    basis: "what is made of a bottle is good no longer than the bottle; our judgement",
    stages: ["plan", "make", "bottle"],
    fires: eachLine(
      (l) => l.stuff.bestBy !== undefined,
      (l, s) => {
        const past = l.stuff.bestBy! < s.today;
        return {
          severity: past ? "caution" : "note",
          says: `${l.stuff.name} ${past ? "was" : "is"} best by ${printDay(l.stuff.bestBy!, "year")}.`,
          todo: past
            ? "It is past its day: leave it out."
            : "What is made of it is promised no longer, whatever else goes in.",
        };
      },
    ),
  },
  {
    id: "thin-syrup",
    basis: "sugar under 66 °Bx does not keep itself",
    stages: ["plan", "bottle", "label"],
    fires: (s) =>
      s.program.plan.kind === "syrup" &&
      s.reckoning.verdict.place === "fridge" &&
      s.reckoning.finished.brix.value > 20
        ? [
            {
              severity: "note",
              says: `At ${sweetness(s.reckoning.finished.brix.value)} this syrup is too thin for the cupboard.`,
              todo: "Fridge or ice box; a cupboard wants 66 % sugar, boiled and bottled hot.",
            },
          ]
        : [],
  },
  {
    id: "cool-it-fast",
    basis: "two-stage cooling of the FDA Food Code",
    stages: ["make"],
    fires: (s) =>
      s.program.heatMinutes > 0 &&
      !s.reckoning.bottledHot &&
      s.reckoning.strained.ph.high > 4.6 &&
      s.reckoning.strained.aw.value > 0.92
        ? [
            {
              severity: "note",
              says: "Warm and not sour: it must not stand.",
              todo: `From ${celsius(60)} to ${celsius(21)} within two hours and to ${celsius(5)} within six; stand the pot in cold water.`,
              about: {
                what: "step",
                step: stepThat(s, (x) => x.do === "simmer" || x.do === "pressure" || x.do === "reduce")!,
              },
            },
          ]
        : [],
  },
  {
    id: "herb-above",
    basis: "plant matter standing in air moulds",
    stages: ["plan", "make"],
    fires: (s) =>
      s.reckoning.fit && s.reckoning.fit.coverDay1Cm < 0 && s.program.steep !== undefined
        ? [
            {
              severity: "caution",
              says: `By tomorrow herb would stand ${inFingers(Math.abs(s.reckoning.fit.coverDay1Cm))} above the liquid.`,
              todo: "Less herb, more liquid, or a weight to hold it under.",
              about: { what: "vessel" },
            },
          ]
        : [],
  },
  {
    id: "drinks",
    basis: "dried plant matter swells",
    stages: ["plan", "make"],
    fires: (s) =>
      s.reckoning.fit && s.reckoning.fit.drinksMl > 15 && s.program.steep !== undefined
        ? [
            {
              severity: "note",
              says: `The herb drinks about ${measuresIn(s.program.plan.units).about(Math.round(s.reckoning.fit.drinksMl / 5) * 5)}.`,
              todo: "Look again after a day and top up to the mark.",
              about: { what: "vessel" },
            },
          ]
        : [],
  },
  {
    id: "honey-over-raw-root",
    basis: "low-acid plant under honey alone stands without acid until the vinegar is in",
    stages: ["make"],
    fires: (s) => {
      if (s.program.read.steps[0]?.do !== "add") return [];
      const at = (f: (x: (typeof s.program.lines)[number]) => boolean): number => {
        const l = s.program.lines.filter((x) => x.step === 0 && f(x));
        return l.length > 0 ? l[0]!.place : -1;
      };
      const honey = at((x) => x.stuff.class === "honey");
      const vinegar = at((x) => x.stuff.class === "vinegar");
      const low = s.program.lines.find(
        (x) => has(x, "low-acid") || (x.stuff.class === "root" && x.stuff.form === "fresh"),
      );
      return low && honey >= 0 && vinegar > honey
        ? [
            {
              severity: "caution",
              says: `Honey goes over the ${low.stuff.name} first: the vinegar follows the same day.`,
              todo: "Stir it through to the bottom; honey alone does not keep fresh root or bulb.",
              about: beside(low),
            },
          ]
        : [];
    },
  },
  {
    id: "marc",
    basis: "spent matter is no safer than it was",
    stages: ["strain"],
    fires: (s) =>
      s.program.lines.some((l) => l.stuff.plant) &&
      !s.program.lines.some((l) => has(l, "raw-toxic", "kernel", "cook-first", "pyrrolizidine"))
        ? [
            {
              severity: "note",
              says: "The marc: eat only what was safe to eat before it went in.",
              todo: "A second, weaker run, seasoning, compost or hens; what was hot or bitter stays so.",
              about: { what: "whole" },
            },
          ]
        : [],
  },
  {
    id: "lid-loose",
    basis:
      "honey thinned past its keeping may ferment, and a shut bottle bursts; ordinary food-safety guidance",
    stages: ["bottle"],
    fires: ({ reckoning: { verdict } }) =>
      closingOf(verdict) === "loose" && verdict.place !== "do-not-keep"
        ? [
            {
              severity: "note",
              says: "It may work on and make gas: shut tight, a bottle can burst.",
              todo: "Leave the lid loose, a quarter turn back; clamp nothing down.",
              about: { what: "whole" },
            },
          ]
        : [],
  },
  {
    id: "discard-signs",
    basis: "ordinary food-safety guidance",
    stages: ["bottle", "label"],
    fires: (s) => [
      {
        severity: "note",
        says:
          closingOf(s.reckoning.verdict) === "loose"
            ? "Fine bubbles may come, and its loose lid lets them out. Mould, slime, a wrong smell, a lid that bulges all the same or a leak: throw it out untasted."
            : "Mould, gas where none belongs, slime, a wrong smell, a bulging lid or a leak: throw it out untasted.",
        todo: "When in doubt, throw it out. Alcohol or vinegar does not make a mouldy jar good.",
        about: { what: "whole" },
      },
    ],
  },
  {
    id: "not-juice",
    basis: "dark remedies are poured for juice",
    stages: ["bottle", "label"],
    fires: (s) => {
      const l = s.program.lines.filter(
        (x) => x.stuff.class === "berry" || x.stuff.class === "fruit" || has(x, "stains"),
      );
      return l.length > 0 && s.program.plan.kind !== "honey"
        ? [
            {
              severity: "note",
              says: `${capital(s.program.plan.name)} looks like juice.`,
              todo: "The label says it is not.",
              about: { what: "whole" },
              label: "Not juice.",
            },
          ]
        : [];
    },
  },
];
