import type { TouchSort } from "@/core/care/care";
import { TOUCH_WORDS } from "@/core/care/care";
import { printDay } from "@/core/day";
import type { Body } from "@/core/journal/events";
import type { Entry } from "@/core/journal/fold";
import type { Stands } from "@/core/kitchen/cooling";
import { MATERIALS } from "@/core/material/catalogue";
import type { Line } from "@/core/plan/plan";
import { METRIC, type Measures } from "@/core/reading/measures";
import { capital, listed } from "@/core/words";
import { WRINGING_WORDS } from "../plan/step-words";

const TOUCHED: Readonly<Record<TouchSort, string>> = {
  shake: "Shaken",
  turn: "Turned",
  "push-under": "Floaters pushed under",
  "let-out": "Gas let out",
  "top-up": "Looked at, and topped up",
  look: "Looked at",
  taste: "Tasted",
  strain: TOUCH_WORDS.strain,
};

export const STANDS_WORDS: Readonly<Record<Stands, string>> = {
  lidded: "lid on",
  open: "lid off",
  draught: "lid off, in a draught",
  iced: "in a sink of iced water",
  fridge: "in the fridge",
};

const READ_WORDS: Readonly<Record<Body<"read">["what"], readonly [words: string, unit: string]>> = {
  temperature: ["Thermometer", ""],
  room: ["The kitchen", ""],
  ph: ["pH", ""],
  brix: ["Refractometer", "°Bx"],
  gravity: ["Hydrometer", ""],
  depth: ["Dipstick", ""],
  weight: ["Scale", ""],
  taste: ["Taste", ""],
  level: ["Level", ""],
};

export const TASTES = ["sweet", "sharp", "hot", "bitter", "herb"] as const;
export const HOW_STRONG = ["none", "a little", "some", "much", "very"] as const;

/** What things are called where an entry is told: a line of the plan by its id, and the household's measures. */
export interface Telling {
  readonly lineName: (id: string) => string;
  readonly measures: Measures;
  /** A move of the making in a word or two; nothing where it is not known any more. */
  readonly moveName?: (id: string) => string | undefined;
  /** The entry of a number, where another speaks of it. */
  readonly entryOf?: (seq: number) => Entry | undefined;
}
export const PLAINLY: Telling = { lineName: (id) => id, measures: METRIC };

function steppedWords({ move, did }: Body<"stepped">, moveName: Telling["moveName"]): string {
  const name = capital(moveName?.(move) ?? "a move done");
  return did === "done" ? `${name}.` : `${name}: passed over.`;
}

export const namedMaterial = (material: string): string =>
  MATERIALS.get(material)?.row.names[0] ?? material.replace(/^own-/, "").replace(/-/g, " ");
const saidLine = (l: Line): string => `${l.amount} ${namedMaterial(l.material)}`;
const because = (why: string | undefined): string => (why ? `, ${why}` : "");

/** What an instrument showed, in the measure it is read in here. */
function shownBy(what: Body<"read">["what"], value: number, m: Measures): string {
  switch (what) {
    case "temperature":
    case "room":
      return m.temperature(value);
    case "depth":
    case "level":
      return m.length(value);
    case "weight":
      return m.massExact(value);
    case "ph":
    case "brix":
    case "gravity":
    case "taste":
      return `${value} ${READ_WORDS[what][1]}`.trim();
  }
}

function readWords({ what, value, words, by }: Body<"read">, m: Measures): string {
  const [name] = READ_WORDS[what];
  const is = value === undefined ? "" : `: ${shownBy(what, value, m)}`;
  return `${name}${is}${by && by !== "hand" ? `, by ${by}` : ""}.${words ? ` ${words}` : ""}`;
}

function tastedWords(b: Body<"tasted">): string {
  const said = TASTES.flatMap((t) => (b[t] === undefined ? [] : [`${t} ${HOW_STRONG[b[t]]}`]));
  const ready = b.ready === undefined ? [] : [b.ready ? "ready to strain" : "not ready yet"];
  return `Tasted: ${[...said, ...(b.words ? [b.words] : []), ...ready].join(", ") || "no word of it"}.`;
}

const timedWords = (b: Body<"timed">): string =>
  b.did === "stopped"
    ? "A clock stopped."
    : `Clock: ${b.words}, ${b.low === b.high ? b.low : `${b.low} to ${b.high}`} min.`;

/** One entry as a sentence. */
export function entryWords(e: Entry, telling: Telling = PLAINLY): string {
  const { lineName, measures, moveName } = telling;
  switch (e.type) {
    case "begun":
      return `Begun as ${(e.body as Body<"begun">).code}.`;
    case "added": {
      const b = e.body as Body<"added">;
      return `${capital(lineName(b.line))} is in: ${b.amount}.`;
    }
    case "left-out": {
      const b = e.body as Body<"left-out">;
      return `Left out ${lineName(b.line)}${because(b.why)}.`;
    }
    case "swapped": {
      const b = e.body as Body<"swapped">;
      return `In place of ${lineName(b.line)} went ${saidLine(b.for)}${because(b.why)}.`;
    }
    case "extra":
      return `Also went in ${saidLine((e.body as Body<"extra">).line)}.`;
    case "touched":
      return `${TOUCHED[(e.body as Body<"touched">).what]}.`;
    case "topped-up":
      return `Topped up with ${saidLine((e.body as Body<"topped-up">).line)}.`;
    case "read":
      return readWords(e.body as Body<"read">, measures);
    case "stepped":
      return steppedWords(e.body as Body<"stepped">, moveName);
    case "timed":
      return timedWords(e.body as Body<"timed">);
    case "stood":
      return `The pan stands ${STANDS_WORDS[(e.body as Body<"stood">).as]}.`;
    case "probed":
      return (e.body as Body<"probed">).did === "in"
        ? "The thermometer stands in it."
        : "The thermometer was taken out.";
    case "tasted":
      return tastedWords(e.body as Body<"tasted">);
    case "rewindowed": {
      const b = e.body as Body<"rewindowed">;
      return `Its window is now ${printDay(b.earliest, "long", e.day)} to ${printDay(b.latest, "long", e.day)}, best ${printDay(b.best, "long", e.day)}: ${b.why}.`;
    }
    case "pictured":
      return `A photograph${because((e.body as Body<"pictured">).words)}.`;
    case "noted":
      return (e.body as Body<"noted">).text;
    case "strained": {
      const b = e.body as Body<"strained">;
      if (b.stays === "all") return "Ended without a cloth: the plants stay in.";
      const some = b.stays === "some" ? " Some of the plants stay in." : "";
      return `Strained, ${WRINGING_WORDS[b.how]}: ${b.measured}.${b.marc ? ` The marc weighed ${b.marc}.` : ""}${some}`;
    }
    case "finished": {
      const b = e.body as Body<"finished">;
      return b.lines.length === 0
        ? "Nothing more went in."
        : `Into it went ${listed(b.lines.map((l) => `${namedMaterial(l.material)}, ${l.amount}`))}.`;
    }
    case "bottled": {
      const b = e.body as Body<"bottled">;
      const own = b.own ? ` The maker’s own date, ${printDay(b.own.bestBy, "long", e.day)}` : "";
      const why = b.own?.reason ? `: ${b.own.reason}` : "";
      return `Bottled: ${b.bottles.map((x) => measures.volume(x.ml)).join(", ")}.${own ? `${own}${why}.` : ""}`;
    }
    case "corrected": {
      const b = e.body as Body<"corrected">;
      const of = telling.entryOf?.(b.seq);
      const which = of && of.type !== "corrected" ? `“${entryWords(of, telling)}”` : `Entry ${b.seq}`;
      return `Put right: ${which}${b.why ? `, ${b.why}` : ""}`;
    }
    case "discarded":
      return `Discarded: ${(e.body as Body<"discarded">).why}`;
  }
}
