import { capital } from "../../words";
import { sentence } from "./people/concern";
import { CERTAIN, LOOKALIKES } from "./lookalikes";
import { hurtWords } from "./never";
import { isWet } from "../../material/material";
import { UNNAMED } from "../../material/unnamed";
import type { Resolved } from "../../reckoning/program";
import {
  EVERYWHERE,
  IN_THE_KITCHEN,
  type Raised,
  type Rule,
  type Situation,
  allTagged,
  beside,
  eachLine,
  has,
  heatAfter,
  names,
  tagged,
  inHand,
} from "../caution";

/** A plant somebody wrote down, which no list knows. */
const isWrittenDown = (s: Situation, l: Resolved): boolean =>
  s.program.plan.materials?.some((m) => m.id === l.stuff.id && m.source === "own" && !m.holds?.length) ===
  true;

const ELDER_DONE = 15;
const uncooked = (l: Resolved, minutes: number): boolean => has(l, "raw-toxic") && minutes < ELDER_DONE;

export const PLANTS: readonly Rule[] = [
  {
    id: "raw-elder",
    basis:
      "elder holds cyanogenic glycosides and a lectin until it is cooked; drying or freezing does not replace cooking",
    stages: EVERYWHERE,
    fires: eachLine(
      (l, s) =>
        uncooked(l, heatAfter(s, l)) && (!inHand(l) || s.program.plan.steps.some((x) => x.do === "strain")),
      (l) => ({
        severity: "stop",
        says: `${capital(l.stuff.name)} must be cooked; dried or frozen is still raw.`,
        todo: `Choose a heated way: at least ${ELDER_DONE} minutes at a simmer.`,
      }),
    ),
  },
  {
    id: "elder-parts",
    basis: "leaf, bark, stem and unripe berry of elder are poisonous, and stay so",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "elder-parts"),
      (l) => ({
        severity: "stop",
        says: `${capital(l.stuff.name)} is poisonous; only ripe elderberries, cooked, are food.`,
        todo: "Take it out.",
      }),
    ),
  },
  {
    id: "elder-stripping",
    basis: "stems and unripe berries hold most of what is poisonous",
    stages: ["make"],
    fires: eachLine(
      (l) => has(l, "raw-toxic") && isWet(l.stuff) && inHand(l),
      () => ({
        severity: "caution",
        says: "Strip the elder first: ripe berries only, no green ones, no stem thicker than a hair, no leaf.",
        todo: "Float the berries in cold water and skim off what floats green.",
      }),
    ),
  },
  {
    id: "elder-marc",
    basis: "the seeds keep their cyanogenic glycosides unless cooked through",
    stages: ["strain"],
    fires: (s) => {
      const l = tagged(s, "raw-toxic").find(inHand);
      return l
        ? [
            {
              severity: heatAfter(s, l) < ELDER_DONE ? "caution" : "note",
              says: "Spent elder seeds are not for eating raw, nor ground to powder.",
              todo: "Compost them.",
              about: beside(l),
            },
          ]
        : [];
    },
  },
  {
    id: "cook-first",
    basis:
      "parasorbic acid in raw rowan; raw shiitake causes a rash, and many mushrooms upset the stomach raw",
    stages: ["plan", "make", "strain"],
    fires: eachLine(
      (l, s) => has(l, "cook-first") && heatAfter(s, l) < ELDER_DONE,
      (l) => ({
        severity: "caution",
        says: `${capital(l.stuff.name)} is not for eating or steeping raw.`,
        todo: "Simmer it a quarter of an hour, or choose a heated way.",
      }),
    ),
  },
  {
    id: "mushroom",
    basis: "wild mushrooms are mistaken for deadly ones; raw ones are badly digested",
    stages: ["plan", "make"],
    fires: eachLine(
      (l, s) =>
        l.stuff.class === "mushroom" &&
        !has(l, "cook-first") &&
        (isWet(l.stuff) || heatAfter(s, l) < ELDER_DONE),
      (l) => ({
        severity: "caution",
        says: isWet(l.stuff)
          ? `${capital(l.stuff.name)}: a wild mushroom only from someone who knows, for certain.`
          : `${capital(l.stuff.name)} wants heat to give anything up.`,
        todo: isWet(l.stuff) ? CERTAIN : "Simmer it before or after the cold steep.",
      }),
    ),
  },
  ...LOOKALIKES,
  {
    id: "cassia",
    basis:
      "coumarin in cassia exceeds the EFSA tolerable daily intake at about a teaspoon a day; Ceylon cinnamon holds little",
    stages: ["plan", "label"],
    fires: eachLine(
      (l) => has(l, "coumarin") && l.stuff.id.startsWith("cinnamon"),
      (l) => ({
        severity: "note",
        says: sentence("{plants} {holds|hold} coumarin.", [l], []),
        todo: "For daily use take Ceylon cinnamon, which holds little.",
      }),
    ),
  },
  {
    id: "coumarin",
    basis: "coumarin of sweetgrass and sweet clover; mouldy sweet clover forms an anticoagulant",
    stages: ["plan", "make"],
    fires: eachLine(
      (l) => has(l, "coumarin") && !l.stuff.id.startsWith("cinnamon"),
      (l) => ({
        severity: "caution",
        says: `${capital(l.stuff.name)} holds coumarin; mouldy, it thins the blood dangerously.`,
        todo: "Only clean and quickly dried, very little; never if it smells of mould.",
      }),
    ),
  },
  {
    id: "nutmeg",
    basis: "myristicin; a whole nutmeg has poisoned adults",
    stages: ["plan", "make"],
    fires: allTagged(["nutmeg"], (l) => ({
      severity: l.reduce((g, x) => g + x.grams, 0) > 5 ? "caution" : "note",
      says: `${capital(names(l))}: a pinch flavours, a few spoons poison.`,
      todo: "Stay under a teaspoon to the batch.",
    })),
  },
  {
    id: "wild-cherry",
    basis: "prunasin in wild cherry bark releases cyanide",
    stages: ["plan", "make", "label"],
    fires: allTagged(["cyanide"], (l) => ({
      severity: "caution",
      says: sentence("{plants} {releases|release} a little cyanide.", l, []),
      todo: "Small amounts, in short courses; not wilted leaves, not in pregnancy, not for children.",
      label: "Small amounts only; not for children.",
    })),
  },
  {
    id: "stones-out",
    basis: "cyanogenic glycosides in the kernels of apricot, cherry, plum and sloe",
    stages: ["plan", "make", "strain"],
    fires: allTagged(["kernel"], (l) => ({
      severity: "note",
      says: `${capital(names(l))}: stones out, or left whole.`,
      todo: "Crack and crush none of them.",
    })),
  },
  {
    id: "pips",
    basis: "amygdalin in apple seeds",
    stages: ["make"],
    fires: allTagged(["apple-seed"], () => ({
      severity: "note",
      says: "Apple pips: core the fruit, or leave the pips whole.",
      todo: "Crush none.",
    })),
  },
  {
    id: "hairs",
    basis: "barbed hairs of rose hip and mullein irritate the throat",
    stages: ["plan", "strain"],
    fires: allTagged(["hairs"], (l) => ({
      severity: "note",
      says: sentence("{plants} {sheds|shed} fine hairs that scratch the throat.", l, []),
      todo: "Strain through a close cloth or a paper filter, twice.",
    })),
  },
  {
    id: "liver-alkaloids",
    basis: "unsaturated pyrrolizidine alkaloids scar the liver (EMA public statement)",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "pyrrolizidine"),
      (l) => ({
        severity: "stop",
        says: `${capital(l.stuff.name)} can hold alkaloids that scar the liver.`,
        todo: "Leave it out of anything that is swallowed.",
      }),
    ),
  },
  {
    id: "own-plant",
    basis:
      "what nobody here knows cannot be judged; a Latin name, genus and species, is what tells one plant from another",
    stages: EVERYWHERE,
    fires: (s) =>
      s.program.lines
        .filter((l) => l.stuff.plant && inHand(l) && isWrittenDown(s, l) && l.stuff.id !== UNNAMED.id)
        .flatMap((l): Raised[] => {
          const raise = (severity: "caution" | "note", says: string, todo: string): Raised[] => [
            { severity, says, todo, about: beside(l) },
          ];
          if (l.line.gathered === true)
            return raise(
              "caution",
              `${capital(l.stuff.name)} is gathered, and only its maker knows what it is.`,
              CERTAIN,
            );
          return l.stuff.latin
            ? []
            : raise(
                "note",
                `${capital(l.stuff.name)} has no Latin name here, so only its maker knows what it is.`,
                "Write the Latin name down with it; the figures are those of its kind.",
              );
        }),
  },
  {
    id: "restricted-plant",
    basis:
      "plants of concern in published lists; each stands with its source in the table of plants that hurt",
    stages: EVERYWHERE,
    fires: eachLine(
      (l) => has(l, "restricted"),
      (l) => ({
        severity: "stop",
        says: hurtWords(l)?.says ?? `${capital(l.stuff.name)} is on lists of plants that have harmed.`,
        todo: `Leave it out of anything that is swallowed, or ask somebody licensed.${hurtWords(l)?.todo ?? ""}`,
      }),
    ),
  },
  {
    id: "laxative",
    basis: "anthranoid laxatives: monograph limits of one to two weeks, not under twelve years",
    stages: EVERYWHERE,
    fires: allTagged(["laxative"], (l) => ({
      severity: "caution",
      says: sentence("{plants} {purges|purge}.", l, []),
      todo: "Short use only, with water; not for children, in pregnancy or with bowel trouble.",
      label: "Strong laxative: short use, not for children.",
    })),
  },
  {
    id: "fibre",
    basis: "fibre that gels can choke and blocks medicines",
    stages: EVERYWHERE,
    fires: allTagged(["fibre"], (l) => ({
      severity: "caution",
      says: sentence("{plants} {swells|swell} to a gel.", l, []),
      todo: "Always with plenty of water, not for children, and an hour apart from medicines.",
      label: "Take with plenty of water; not for children.",
    })),
  },
  {
    id: "foraging",
    basis: "ordinary foraging practice and plant-protection law",
    stages: ["plan", "make"],
    fires: (s) => {
      const wild = s.program.lines.filter(
        (l) => has(l, "wild") && (l.stuff.form === "fresh" || l.stuff.form === "wilted"),
      );
      return wild.length > 0
        ? [
            {
              severity: "note",
              says: `Gathering ${names(wild)}: away from roads and sprays, above dog height.`,
              todo: "Leave most of it standing, and mind the local rules.",
              about: beside(wild[0]!),
            },
          ]
        : [];
    },
  },
  {
    id: "citrus-peel",
    basis: "waxes and fungicides on citrus skins",
    stages: IN_THE_KITCHEN,
    fires: (s) => {
      const l = s.program.lines.filter((x) => has(x, "citrus") && x.stuff.plant);
      return l.length > 0
        ? [
            {
              severity: "note",
              says: `${capital(names(l))}: unwaxed, and washed in hot water.`,
              todo: "Zest before you juice.",
              about: beside(l[0]!),
            },
          ]
        : [];
    },
  },
];
