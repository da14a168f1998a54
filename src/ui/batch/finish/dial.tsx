"use client";
import { useState } from "react";
import {
  DIAL_BY,
  type Dial,
  type DialBy,
  type DialPlace,
  NONE_OF_IT,
  figureAt,
  goalOf,
  into,
  shareAt,
  shareOf,
} from "@/core/advice/finish-dial";
import { beforeFinish } from "@/core/reckoning/in-the-pot";
import { SWEETNESS, shareWords } from "@/core/words";
import { DialBar, type DialNotch } from "../../figures/dial-bar";
import { substanceOf } from "../../figures/substance";
import { verdictHead } from "../../plan/verdict-words";
import type { Finishing } from "./use-finishing";

const BY_WORDS: Readonly<Record<DialBy, string>> = {
  share: "by its share",
  brix: "to a sweetness",
  acid: "to a sharpness",
  abv: "to a strength",
};
const UNIT: Readonly<Record<Exclude<DialBy, "share">, string>> = {
  brix: SWEETNESS,
  acid: "% acid",
  abv: "% alcohol",
};

const RICH: readonly (readonly [number, string])[] = [
  [0.25, "a quarter"],
  [0.5, "half"],
  [0.75, "three quarters"],
  [1, "even"],
  [1.5, "one and a half"],
  [2, "twice"],
];
const SPARE: readonly (readonly [number, string])[] = [
  [0.1, "a tenth"],
  [0.2, "a fifth"],
  [0.25, "a quarter"],
  [1 / 3, "a third"],
  [0.5, "half"],
];

/** Round figures along the dial: 5, 10 or 20 % of sugar apart, and so on. */
function roundFigures(dial: Dial, by: Exclude<DialBy, "share">): DialNotch[] {
  const all = dial.points.map((p) => p.figures[by]);
  const [low, high] = [Math.min(...all), Math.max(...all)];
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20].find((s) => (high - low) / s <= 8) ?? 25;
  const first = Math.ceil(low / step);
  return Array.from({ length: Math.floor(high / step) - first + 1 }, (_, i) => (first + i) * step).flatMap(
    (x) => {
      const at = shareAt(dial, by, x);
      return at === undefined ? [] : [{ at, words: `${Number(x.toFixed(1))} ${UNIT[by]}` }];
    },
  );
}

function notchesOf(dial: Dial, by: DialBy): DialNotch[] {
  const none = { at: 0, words: `no ${dial.name}` };
  if (by !== "share") return [none, ...roundFigures(dial, by).filter((n) => n.at > dial.most / 50)];
  const shares = dial.most > 0.6 ? RICH : SPARE;
  return [none, ...shares.filter(([s]) => s <= dial.most + 1e-9).map(([at, words]) => ({ at, words }))];
}

function toneOf(p: DialPlace): "good" | "plain" | "bad" {
  if (p.verdict.place === "cupboard") return "good";
  return p.verdict.place === "fridge" ? "plain" : "bad";
}

/** What the dial is read in; the one it is read in now is no button. */
function By({ by, on, ask }: { by: DialBy; on: boolean; ask: (by: DialBy) => void }) {
  if (on)
    return (
      <span className="px-2 min-h-11 inline-flex items-center bg-glaze font-semibold">{BY_WORDS[by]}</span>
    );
  return (
    <button type="button" className="plain min-h-11 px-2" onClick={() => ask(by)}>
      {BY_WORDS[by]}
    </button>
  );
}

/** One line of what goes in, dialled: by its share, or to what it is to come to; and where along it the bottle keeps how long. */
export function FinishDial({ f, dial }: { f: Finishing; dial: Dial }) {
  const [asked, ask] = useState<DialBy>("share");
  const by = dial.by.includes(asked) ? asked : "share";
  const found = f.got?.reckoning.lines.find((l) => l.id === dial.line);
  const stuff = f.got?.program.lines.find((l) => l.line.id === dial.line)?.stuff;
  const ml = f.got ? beforeFinish(f.got.program).ml : 1;
  const at = found ? found.ml.value / ml : 0;
  const set = (share: number): void =>
    f.amount(
      dial.line,
      by === "share" || share < 0.002 ? shareOf(share) : goalOf(by, figureAt(dial, by, share)),
    );
  const here = f.got ? verdictHead(f.got.reckoning.verdict) : undefined;
  return (
    <section aria-label={`Dial ${dial.name}`} className="pt-2">
      {dial.by.length > 1 && (
        <p role="group" aria-label="Dialled" className="flex flex-wrap gap-x-1 text-[1.0625rem]">
          <span className="quiet self-center pr-2">{dial.name}, dialled</span>
          {DIAL_BY.filter((b) => dial.by.includes(b)).map((b) => (
            <By key={b} by={b} on={b === by} ask={ask} />
          ))}
        </p>
      )}
      <DialBar
        name={`How much ${dial.name}`}
        at={at}
        most={dial.most}
        notches={notchesOf(dial, by)}
        substance={stuff ? substanceOf(stuff) : "honey"}
        says={`${at < 0.002 ? `no ${dial.name}` : `${shareWords(at)} of the liquid`}${here ? `: ${here.place} ${here.life}` : ""}`}
        stretches={dial.places.map((p) => ({
          from: p.from,
          to: p.to,
          tone: toneOf(p),
          words: placeWords(p),
          label: `: as much ${dial.name} as keeps so`,
          go: () => f.amount(dial.line, goesTo(p, at, dial.most)),
        }))}
        move={set}
      />
    </section>
  );
}

const goesTo = (p: DialPlace, at: number, most: number): string => {
  const share = into(p, at, most);
  return share < 0.002 ? NONE_OF_IT : shareOf(share);
};

function placeWords({ verdict }: DialPlace): readonly string[] {
  const head = verdictHead(verdict);
  return [head.place.replace(/[:.]$/, "").toLowerCase(), head.life.replace(/\.$/, "")].filter(
    (w) => w !== "",
  );
}
