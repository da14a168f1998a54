import { type Asked, askedOfVessel } from "../../reckoning/fullest";
import { isPot } from "../../vessel/vessel";
import { capital } from "../../words";
import { type Raised, type Rule, type Situation, has, stepThat } from "../caution";

const ROUND_ML = 10;
const about10 = (ml: number): string => `${Math.round(ml / ROUND_ML) * ROUND_ML} mL`;
/** How full a vessel may be, as a share of its brim: at rest, at a simmer, boiling with sugar in it, under pressure, under pressure with what foams. */
const ROOM = { rest: 1, simmer: 0.9, syrup: 3 / 4, pressure: 2 / 3, foam: 1 / 2 } as const;
/** Share of sugar by weight from which a boil rises. */
const SYRUP_RISES = 0.4;

const foams = (s: Situation): boolean =>
  s.program.lines.some(
    (l) =>
      l.stage === "jar" &&
      (has(l, "mucilage", "fibre") || l.stuff.class === "berry" || l.stuff.class === "fruit"),
  );

/** How full the vessel may be for what is done in it. */
function roomFor(a: Asked, s: Situation): number {
  switch (a.do) {
    case "pressure":
      return foams(s) ? ROOM.foam : ROOM.pressure;
    case "simmer":
    case "reduce":
      return a.sugar >= SYRUP_RISES ? ROOM.syrup : ROOM.simmer;
    case "add":
    case "steep":
    case "strain":
    case "cool":
    case "bottle":
      return ROOM.rest;
  }
}

/** The first step that wants more room than there is, and the first that leaves too little for what rises. */
function overflows(s: Situation): readonly Raised[] {
  const v = s.program.vessel;
  if (!v) return [];
  const asked = askedOfVessel(s.program).map((a) => ({
    a,
    share: a.fullestMl / v.solid.brimMl,
    room: roomFor(a, s),
  }));
  const over = asked.find((x) => x.share > ROOM.rest);
  const fix = (room: number, fullest: number): string =>
    `Take a vessel of ${about10(fullest / room)} or more, or make it in two.`;
  if (over)
    return [
      {
        severity: "stop",
        says: `It runs over: ${about10(over.a.fullestMl)} ${STANDS[over.a.do]} in a vessel that holds ${about10(v.solid.brimMl)}.`,
        todo: fix(over.room, over.a.fullestMl),
        about: { what: "step", step: over.a.step },
      },
    ];
  const tight = asked.find((x) => x.share > x.room);
  if (!tight) return [];
  const pressed = tight.a.do === "pressure";
  return [
    {
      severity: pressed ? "stop" : "caution",
      says: pressed
        ? `The pressure pot is too full: ${about10(tight.a.fullestMl)} of ${about10(v.solid.brimMl)}; ${foams(s) ? "half, for what foams" : "two thirds"} is the most.`
        : `${about10(tight.a.fullestMl)} at the boil in a vessel of ${about10(v.solid.brimMl)} leaves no room to rise.`,
      todo: fix(tight.room, tight.a.fullestMl),
      about: { what: "step", step: tight.a.step },
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
