import { ml as carriedMl } from "../../quantity/carried";
import { type Asked, askedOfVessel } from "../../reckoning/fullest";
import { foams, overfullOf } from "../../reckoning/overfull";
import { isPot } from "../../vessel/vessel";
import { capital } from "../../words";
import { type Raised, type Rule, type Situation, stepThat } from "../caution";

const ROUND_ML = 10;
const about10 = (ml: number): string => carriedMl(Math.round(ml / ROUND_ML) * ROUND_ML);
/** The first step that wants more room than there is, and the first that leaves too little for what rises. */
function overflows(s: Situation): readonly Raised[] {
  const over = overfullOf(s.program);
  const v = s.program.vessel;
  if (!over || !v) return [];
  const { asked, room, runsOver } = over;
  const [stands, holds] = [about10(asked.fullestMl), about10(v.solid.brimMl)];
  const todo = `Take a vessel of ${about10(asked.fullestMl / room)} or more, or make it in two.`;
  const about = { what: "step" as const, step: asked.step };
  if (runsOver)
    return [
      {
        severity: "stop",
        says: `It runs over: ${stands} ${STANDS[asked.do]} in a vessel that holds ${holds}.`,
        ...{ todo, about },
      },
    ];
  if (asked.do === "pressure") {
    const most = foams(s.program) ? "half, for what foams" : "two thirds";
    return [
      {
        severity: "stop",
        says: `The pressure pot is too full: ${stands} of ${holds}; ${most} is the most.`,
        ...{ todo, about },
      },
    ];
  }
  return [
    {
      severity: "caution",
      says: `${stands} at the boil in a vessel of ${holds} leaves no room to rise.`,
      ...{ todo, about },
    },
  ];
}
const STANDS: Readonly<Record<Asked["do"], string>> = {
  add: "would stand",
  steep: "would stand",
  simmer: "would boil",
  reduce: "would boil",
  pressure: "would stand under pressure",
  strain: "would stand",
  cool: "would stand",
  bottle: "would stand",
};

/** Of the water that is there, how much may boil away by the clock before the pan scorches; and the least that covers a base, cm. */
const [DRIES, FILM_CM] = [0.85, 0.4];
function boilsDry(s: Situation): readonly Raised[] {
  const across = s.program.vessel && isPot(s.program.vessel) ? s.program.vessel.mouthCm : undefined;
  const film = across === undefined ? 0 : (Math.PI / 4) * across * across * FILM_CM;
  const dry = askedOfVessel(s.program).find(
    (a) =>
      (a.do === "simmer" || a.do === "reduce") && (a.dries > DRIES || (a.dries > 0.1 && a.endsMl < film)),
  );
  if (!dry) return [];
  return [
    {
      severity: dry.dries > DRIES ? "stop" : "caution",
      says: `By then ${about10(dry.endsMl)} would be left in the pan, and it burns.`,
      todo: "Put the lid on, let it simmer for less long, or begin with more water.",
      about: { what: "step", step: dry.step },
    },
  ];
}

/** What each step asks of the vessel it is done in. */
export const VESSEL: readonly Rule[] = [
  {
    id: "overflows",
    basis:
      "what stands in a vessel at its fullest, by the ledger; a simmer needs room to rise, syrup and fruit more; pressure pots two thirds, half for what foams",
    stages: ["plan", "make"],
    fires: overflows,
  },
  {
    id: "boils-dry",
    basis:
      "water that boils away by the clock, against the water that is there; what is left in a film on the base burns",
    stages: ["plan", "make"],
    fires: boilsDry,
  },
  {
    id: "pressure",
    basis: "steam burns; foaming fruit blocks the valve; only what is made for pressure holds it",
    stages: ["plan", "make"],
    fires: (s) => {
      const step = stepThat(s, (x) => x.do === "pressure");
      if (step === undefined) return [];
      const about = { what: "step" as const, step };
      const v = s.program.vessel;
      if (v && v.sort !== "pressure-pot")
        return [
          {
            severity: "stop",
            says: `${capital(v.name)} holds no pressure.`,
            todo: "Choose a pressure pot, or let it simmer instead: at least a quarter of an hour for what has to be cooked.",
            about,
          },
        ];
      return [
        {
          severity: "note",
          says: "Under pressure: two thirds full at most, half for foaming berries.",
          todo: "Let the pressure fall by itself; steam burns.",
          about,
        },
      ];
    },
  },
];
