import { beforeFinish } from "../reckoning/in-the-pot";
import { exactly } from "../estimate";
import type { Batch } from "../journal/fold";
import { reckonMade } from "../journal/reckon";
import type { Verdict } from "../keeping/verdict";
import { isSweet } from "../material/material";
import type { Line } from "../plan/plan";
import { printAmount } from "../reading/print";
import type { Program, Resolved } from "../reckoning/program";
import type { Reckoning } from "../reckoning/reckon";
import { goesIn, shareOf } from "./finish-dial";

/** What a spoon may say of a finished liquid. */
export const TOO = ["sharp", "sweet", "hot"] as const;
export type Too = (typeof TOO)[number];

/** A change to what goes in, the smallest that a tongue would notice. */
export interface Answer {
  readonly id: string;
  readonly name: string;
  /** mL more of it, as measured; less than nothing where less goes in. */
  readonly moreMl: number;
  readonly lines: readonly Line[];
  readonly after: Reckoning;
  /** Whether it still keeps where, and as long as, it did. */
  readonly keeps: boolean;
}

/**
 * How sharp, sweet or hot it tastes, in no unit: sour and sweet hide each other, and heat goes by the herb in a mL, which sugar softens. Kitchen
 * judgement; only the direction and the size of a step are used.
 */
function tasteOf(too: Too, { finished: f, herbPerMl }: Reckoning): number {
  switch (too) {
    case "sharp":
      return f.acid.value / (10 + f.brix.value);
    case "sweet":
      return f.brix.value / (1 + f.acid.value);
    case "hot":
      return herbPerMl.value * (1 - f.brix.value / 200);
  }
}

/** A step that is tasted: about a sixth, between what is just noticed of sour and of sweet. Published difference limens lie at 0.1 to 0.25. */
const NOTICED = 1 / 6;
const BISECTIONS = 14;
/** Of one thing, no more than this share of the liquid at once. */
const MOST = 1;

/** Whether a liquid keeps no shorter than another, wherever it stands. */
const keepsAsLong = (a: Verdict, b: Verdict): boolean =>
  (a.cupboard?.days ?? 0) >= (b.cupboard?.days ?? 0) &&
  a.fridge.days >= b.fridge.days &&
  (!a.coolDark || b.coolDark || b.cupboard === null);

interface Candidate {
  readonly id: string;
  readonly name: string;
  /** The lines with so large a share of the liquid more of it; less where it takes away. */
  readonly at: (share: number) => readonly Line[];
  readonly sign: 1 | -1;
  /** The most that can be taken away, as a share. */
  readonly most: number;
}

const withAmount = (lines: readonly Line[], id: string, amount: string): readonly Line[] =>
  lines.map((l) => (l.id === id ? { ...l, amount } : l));

/** The first id of the page's own that is free. */
function fresh(lines: readonly Line[]): string {
  for (let i = 1; ; i++) if (!lines.some((l) => l.id === `taste${i}`)) return `taste${i}`;
}

class Tasting {
  private readonly liquidMl: number;

  constructor(
    private readonly too: Too,
    private readonly lines: readonly Line[],
    private readonly p: Program,
    private readonly now: Reckoning,
    private readonly reckon: (lines: readonly Line[]) => Reckoning | undefined,
  ) {
    this.liquidMl = Math.max(1, beforeFinish(p).ml);
  }

  private share(l: Resolved): number {
    return l.grams / l.stuff.bulkLoose / this.liquidMl;
  }
  private readonly mine = (): readonly Resolved[] =>
    this.p.lines.filter(
      (l) => l.stage === "finish" && !l.stuff.plant && this.lines.some((x) => x.id === l.line.id),
    );

  private moved(l: Resolved, sign: 1 | -1): Candidate {
    const is = this.share(l);
    return {
      ...{
        id: `${sign > 0 ? "more" : "less"}-${l.stuff.id}`,
        name: l.stuff.name,
        sign,
        most: sign > 0 ? MOST : is,
      },
      at: (share) => withAmount(this.lines, l.line.id, shareOf(is + sign * share)),
    };
  }

  private added(material: string, name: string, strength?: string): Candidate {
    const id = fresh(this.lines);
    const line = (share: number): Line => ({
      ...{
        id,
        material,
        amount: printAmount({ kind: "of-liquid", count: exactly(Number(share.toPrecision(2))) }, "us"),
      },
      ...(strength === undefined ? {} : { strength }),
    });
    return { id: `add-${material}`, name, sign: 1, most: MOST, at: (share) => [...this.lines, line(share)] };
  }

  candidates(): readonly Candidate[] {
    const mine = this.mine();
    const sweet = mine.filter((l) => isSweet(l.stuff));
    const more = sweet.length > 0 ? sweet.map((l) => this.moved(l, 1)) : [this.added("honey", "honey")];
    const vinegar = this.p.lines.find((l) => l.stuff.class === "vinegar");
    switch (this.too) {
      case "sharp":
        return [...more, this.added("water", "water")];
      case "sweet":
        return [
          ...sweet.map((l) => this.moved(l, -1)),
          vinegar
            ? this.added(vinegar.stuff.id, vinegar.stuff.name, vinegar.line.strength)
            : this.added("lemon-juice", "lemon juice"),
        ];
      case "hot":
        return [
          ...more,
          vinegar
            ? this.added(vinegar.stuff.id, vinegar.stuff.name, vinegar.line.strength)
            : this.added("water", "water"),
        ];
    }
  }

  /** The smallest share that is tasted, and from there the smallest that keeps the verdict; the tasted one where none does. */
  answer(c: Candidate): Answer | undefined {
    const goal = tasteOf(this.too, this.now) * (1 - NOTICED);
    const at = (share: number): Reckoning | undefined => this.reckon(c.at(share));
    const tasted = (r: Reckoning | undefined): r is Reckoning =>
      r !== undefined && tasteOf(this.too, r) <= goal;
    if (!tasted(at(c.most))) return undefined;
    let [low, high] = [0, c.most];
    for (let i = 0; i < BISECTIONS; i++) {
      const mid = (low + high) / 2;
      if (tasted(at(mid))) high = mid;
      else low = mid;
    }
    const tries = [high, ...[1.15, 1.3, 1.5, 1.75, 2, 2.5, 3, 4].map((k) => high * k)].filter(
      (x) => x <= c.most,
    );
    const kept = tries.find((x) => {
      const r = at(x);
      return tasted(r) && keepsAsLong(r.verdict, this.now.verdict);
    });
    const share = kept ?? high;
    const after = at(share);
    if (!after) return undefined;
    const lines = c.at(share);
    return {
      ...{ id: c.id, name: c.name, moreMl: c.sign * share * this.liquidMl, lines, after },
      keeps: kept !== undefined,
    };
  }
}

/**
 * What may be done about a finished liquid that is too sharp, too sweet or too hot: the smallest change of each thing that a tongue would notice,
 * those that keep the verdict first, the least of them first. About a hundred reckonings: for a press, not for a keystroke.
 */
export function answersTo(too: Too, batch: Batch, lines: readonly Line[]): readonly Answer[] {
  const reckon = (some: readonly Line[]) =>
    reckonMade(batch, { ...batch.making, finished: some.filter(goesIn) });
  const now = reckon(lines);
  if (!now.ok || !(tasteOf(too, now.value.reckoning) > 0)) return [];
  const t = new Tasting(too, lines.filter(goesIn), now.value.program, now.value.reckoning, (some) => {
    const r = reckon(some);
    return r.ok ? r.value.reckoning : undefined;
  });
  return t
    .candidates()
    .flatMap((c) => t.answer(c) ?? [])
    .sort((a, b) => Number(b.keeps) - Number(a.keeps) || Math.abs(a.moreMl) - Math.abs(b.moreMl));
}
