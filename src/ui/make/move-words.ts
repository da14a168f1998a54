import { addDays, printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import type { Move } from "@/core/make/move";
import { KIND } from "@/core/plan/kinds";
import { linesOf } from "@/core/plan/edit";
import type { Cooked, Step } from "@/core/plan/plan";
import { beforeFinish } from "@/core/reckoning/in-the-pot";
import { closingOf } from "@/core/keeping/closing";
import { capital, listed } from "@/core/words";
import { spanWords } from "../kitchen/time";
import { PLACE_WORDS } from "../plan/step-words";
import type { useUnits } from "../kit/units";

/** What a move is said in: what to do, why, and what the bar says once it is done. */
export interface MoveWords {
  readonly head: string;
  readonly why: string;
  readonly bar: string;
  /** In the list and beside the tick. */
  readonly short: string;
}

export interface Saying {
  readonly batch: Batch;
  readonly r: BatchReckoning;
  readonly units: Pick<ReturnType<typeof useUnits>, "length" | "temperature" | "volume" | "volumeExact">;
  readonly today: string;
}

const namesOf = ({ r }: Saying, m: Move): string =>
  listed([...new Set(m.lines.map((id) => r.reckoning.lines.find((l) => l.id === id)?.name ?? id))]);

function stepOf<D extends Step["do"]>(
  { batch }: Saying,
  m: Move,
  sort: D,
): Extract<Step, { do: D }> | undefined {
  const s = batch.plan.steps.find((x) => x.id === m.step);
  return s?.do === sort ? (s as Extract<Step, { do: D }>) : undefined;
}

const said = (head: string, why: string, bar: string, short: string): MoveWords => ({
  head,
  why,
  bar,
  short,
});

/** How a jar is left, in words: where and until when. */
function putBy(s: Saying, m: Move): MoveWords {
  const step = stepOf(s, m, "steep");
  const where = s.r.reckoning.working.place === "fridge" ? "in the fridge" : undefined;
  const place = where ?? (step?.in ? PLACE_WORDS[step.in] : "in a dark cupboard");
  const w = s.r.care.window;
  const until = w
    ? `Strain it from ${printDay(addDays(s.batch.begunDay, w.earliest), "long", s.today)}, best ${printDay(addDays(s.batch.begunDay, w.best), "long", s.today)}.`
    : "";
  return said(`Put it ${place}.`, until, "It stands there", "put by");
}

function lidWords({ r }: Saying): MoveWords {
  const loose = closingOf(r.reckoning.verdict) === "loose" || r.care.rules.some((x) => x.sort === "let-out");
  const metal = r.program.vessel?.lid === "metal" || r.program.vessel?.lid === "coated-metal";
  const sour = r.reckoning.jar.ph.low < 4.6;
  const close = loose ? "close it, but not tight" : "close it";
  const paper = r.program.lines.some((l) => l.stuff.class === "vinegar")
    ? "Vinegar eats metal: baking paper between keeps rust out of the jar."
    : "What is sour eats metal: baking paper between keeps rust out of the jar.";
  const gas = "It may make gas, and gas must find a way out.";
  if (metal && sour)
    return said(
      `Paper under the lid, then ${close}.`,
      loose ? `${paper} ${gas}` : paper,
      "It is closed",
      "closed",
    );
  const why = loose ? gas : "A clean rim closes tight; wipe it first.";
  return said(`${capital(close)}.`, why, "It is closed", "closed");
}

function cover({ r, units }: Saying): MoveWords {
  const fit = r.reckoning.fit;
  const floats =
    fit && fit.floaters.length > 0 ? `${capital(listed(fit.floaters.slice(0, 2)))} will rise again. ` : "";
  const low =
    fit && fit.coverDay1Cm < 1 ? ` By tomorrow it wants about ${units.volume(fit.topUpMl)} more.` : "";
  return said(
    "Push everything under.",
    `${floats}What stands out of the liquid spoils.${low}`,
    "All is under",
    "under",
  );
}

type Sort = Move["sort"];
/** The words of some sorts of move. */
type Words<S extends Sort> = Readonly<Record<S, (s: Saying, m: Move, names: string) => MoveWords>>;

const COOK: Readonly<Record<Cooked, string>> = {
  simmered: "Simmer",
  steamed: "Steam",
  blanched: "Blanch",
  roasted: "Roast",
};

/** What hands do at the table. */
const AT_THE_TABLE = {
  gather: (_s, _m, names) =>
    said(
      "Get everything to hand.",
      `${capital(names)}. Vessel, lid and spoon clean and dry.`,
      "It is all here",
      "gathered",
    ),
  wash: (_s, _m, names) =>
    said(
      `Wash ${names}, and dry well.`,
      "Water left on the leaf thins what is to keep it.",
      "Washed and dry",
      "washed",
    ),
  peel: (_s, _m, names) =>
    said(`Peel ${names}.`, "The back of a spoon takes a thin skin off without the root.", "Peeled", "peeled"),
  strip: (_s, _m, names) =>
    said(
      `Strip ${names} from the stalks.`,
      "Stalks make it bitter; of some berries they are the part to fear.",
      "Stripped",
      "stripped",
    ),
  zest: (_s, _m, names) =>
    said(`Zest ${names} first.`, "A fruit that is squeezed already is hard to zest.", "Zested", "zested"),
  crush: (_s, m, names) =>
    said(
      `Crush ${names}.`,
      m.clock
        ? "Garlic rests ten minutes before acid or heat stops it."
        : "Broken open, it gives what it has.",
      "Crushed",
      "crushed",
    ),
  chop: (_s, _m, names) => said(`Cut ${names} small.`, "More of it meets the liquid.", "Cut", "cut"),
  grate: (_s, _m, names) =>
    said(`Grate ${names}, the window open.`, "Last of all: it bites the eyes.", "Grated", "grated"),
  "cook-first": ({ batch }, m, names) => {
    const cooked = linesOf(batch.plan).find((l) => l.id === m.lines[0])?.cooked;
    const how = cooked ? COOK[cooked.how] : "Cook";
    return said(
      `${how} ${names} ${cooked ? `for ${cooked.for} ` : ""}in a pan of its own.`,
      "Lid on. Let it cool until the hand can bear it before it goes in.",
      "It is cooked",
      "cooked",
    );
  },
  add: (_s, _m, names) => said(capital(names), "", "It is in", names),
  cover: (s) => cover(s),
  lid: (s) => lidWords(s),
  own: ({ batch }, m) =>
    said(
      batch.plan.steps.find((s) => s.id === m.step)?.words ?? "",
      "As the recipe says, in its own words.",
      "Done",
      "as the recipe says",
    ),
  shake: ({ batch }) =>
    KIND[batch.plan.kind].touch === "turn"
      ? said("Turn it over once.", "So that the honey finds its way between the leaves.", "Turned", "turned")
      : said("Shake it well.", "So that nothing settles dry.", "Shaken", "shaken"),
  label: ({ batch, today }) =>
    said(
      `Name it: ${batch.code}, ${printDay(today, "long", today)}.`,
      "Tape and a marker are enough; the week to strain belongs on it.",
      "It has its name",
      "named",
    ),
  "put-by": putBy,
} satisfies Partial<Words<Sort>>;

/** Boiled down to a mark on the stick where there is one, else as the plan says. */
function reduced(s: Saying, m: Move): MoveWords {
  if (m.wants?.what !== "depth")
    return said(
      `Boil it down to ${stepOf(s, m, "reduce")?.to ?? ""}.`,
      "Lid off; a stir whenever you pass.",
      "It is down",
      "boiled down",
    );
  return said(
    `Simmer it down to the ${s.units.length(m.wants.stopCm)} mark.`,
    `${s.units.volumeExact(m.wants.toMl)} stay. Lid off, a lazy bubble; a stir whenever you pass.`,
    "It stands at the mark",
    "boiled down",
  );
}

function cooled({ units }: Saying, m: Move): MoveWords {
  const to = m.wants?.what === "temperature" ? units.temperature(m.wants.celsius) : "the warmth of a hand";
  return said(`Let it cool to ${to}.`, "Honey keeps its scent below that.", `It is at ${to}`, "cooled");
}

/** What is done at the stove, and after it. */
const AT_THE_STOVE = {
  heat: (_s, m) =>
    said(
      "Bring it to the boil.",
      `About ${spanWords(m.wait.value)} on a home hob.`,
      "It boils",
      "on the boil",
    ),
  simmer: (s, m) => {
    const step = stepOf(s, m, "simmer");
    return said(
      `Simmer it ${step?.for ?? ""}, lid ${step?.lid ?? "on"}.`,
      "A lazy bubble; the clock rings.",
      "It simmers: set the clock",
      "simmered",
    );
  },
  pressure: (s, m) =>
    said(
      `Under pressure ${stepOf(s, m, "pressure")?.for ?? ""}.`,
      "Count from full pressure; let it fall by itself after.",
      "It is at pressure: set the clock",
      "under pressure",
    ),
  mash: () => said("Mash the fruit in the pot.", "More comes through the cloth.", "Mashed", "mashed"),
  reduce: reduced,
  steep: (s, m) =>
    said(
      `Off the heat; let it stand ${stepOf(s, m, "steep")?.for ?? ""}.`,
      "Lid on, so that what is fragrant stays.",
      "It stands: set the clock",
      "stood",
    ),
  strain: () =>
    said("Strain it, and measure.", "Damp cloth in the sieve, over a jug.", "Strain it", "strained"),
  cool: cooled,
  finish: ({ r, units }, _m, names) =>
    said(
      `${capital(names)}, to the measure.`,
      `How much goes by what the jug shows; ${units.volumeExact(beforeFinish(r.program).ml)} as it stands.`,
      "Measure it in",
      "measured in",
    ),
  bottle: (_s, m) =>
    said(
      m.hands === "hot" ? "Bottle it while it is hot." : "Bottle it.",
      "Clean bottles; the name on before it is put away.",
      "Bottle it",
      "bottled",
    ),
} satisfies Partial<Words<Sort>>;

/** Every sort of move has its words: the compiler finds one that has none. */
const WORDS: Words<Sort> = { ...AT_THE_TABLE, ...AT_THE_STOVE };

/** A move in the house's words. */
export const moveWords = (s: Saying, m: Move): MoveWords => WORDS[m.sort](s, m, namesOf(s, m));
