import type { NameSpan } from "./names";
import { HOW_MUCH, Lead, isSmall } from "./lead";
import type { Piece } from "./piece";
import type { Token } from "./tokens";

export interface Range {
  readonly from: number;
  readonly to: number;
}
/** Pieces that are a name, known or not, with the pieces before and behind that are said of it. */
export interface Anchor extends Range {
  readonly spans: readonly NameSpan[];
  /** How many words of it nobody knows. */
  readonly words: number;
  /** The first piece that is said of it, and the one after the last. */
  readonly lead: number;
  readonly tail: number;
}

const IN_GROUP: ReadonlySet<Piece["is"]> = new Set(["name", "word", "part"]);

/**
 * Whether an everyday word stands right before a name, and so is part of it: “wall germander”, “hedge garlic”. Right behind an amount it is part of a
 * name nobody knows, too: “1 kg ice plant”.
 */
const leadsName = (p: Piece, next: Piece | undefined, before: Piece | undefined): boolean =>
  p.is === "everyday" &&
  p.senses.everyday === true &&
  (next?.is === "name" || (next?.is === "word" && before?.is === "amount"));

/** The piece after a name that begins at one: names, unknown words and parts side by side, with hyphens, and “of the” between unknown ones. */
function groupEnd(pieces: readonly Piece[], t: readonly Token[], from: number): number {
  let end = from + 1;
  for (;;) {
    const next = pieces[end];
    if (!next) return end;
    const low = t[next.from]!.low;
    const after = pieces[end + 1];
    if (IN_GROUP.has(next.is)) end++;
    else if (low === "-" && t[next.from]!.glued && after && IN_GROUP.has(after.is) && t[after.from]!.glued)
      end += 2;
    else if (pieces[end - 1]!.is === "word" && low === "of" && after) {
      // “lily of the valley”, “star of Bethlehem”.
      const k = t[after.from]!.low === "the" ? end + 2 : end + 1;
      if (pieces[k]?.is !== "word" && pieces[k]?.is !== "everyday") return end;
      end = k + 1;
    } else return end;
  }
}

const holds = (p: Piece | undefined): boolean =>
  p?.senses.jar === true || (p?.is === "amount" && p.q.is === "vague" && p.q.word.startsWith("jar"));

type Group = Omit<Anchor, "lead" | "tail">;
function groupsIn(pieces: readonly Piece[], t: readonly Token[], prose: boolean): Group[] {
  const groups: Group[] = [];
  for (let i = 0; i < pieces.length; i++) {
    const p = pieces[i]!;
    if (p.is !== "name" && p.is !== "word" && !leadsName(p, pieces[i + 1], pieces[i - 1])) continue;
    // “a 1 litre preserving jar”.
    if (p.is === "word" && holds(pieces[i + 1])) continue;
    const to = groupEnd(pieces, t, i);
    const spans: NameSpan[] = [];
    let words = 0;
    for (let k = i; k < to; k++) {
      const x = pieces[k]!;
      if (x.is === "name") spans.push(x.span);
      else if (x.is === "word" || x.is === "everyday") words++;
    }
    groups.push({ from: i, to, spans, words });
    i = to - 1;
  }
  if (groups.length > 0) return groups;
  // “1 cup herbs of choice”, “1 cup of love”: only a part is named, and of nothing, or what nobody eats.
  const part = prose ? -1 : pieces.findIndex((p) => p.is === "part" || p.is === "everyday");
  return part < 0 ? [] : [{ from: part, to: groupEnd(pieces, t, part), spans: [], words: 1 }];
}

const TAIL: ReadonlySet<Piece["is"]> = new Set([
  "form", "kept", "packing", "by", "strength", "water", "taste", "optional", "made", "part", "each", "less", "asmuch", "against", "per", "fault",
]); // prettier-ignore

/** How far what is said behind a name goes among other things that are said: to what is done, or to another thing. */
function tailEnd(
  pieces: readonly Piece[],
  t: readonly Token[],
  g: Group,
  most: number,
  hasAmount: boolean,
): number {
  let end = g.to;
  let amount = hasAmount;
  for (let k = g.to; k < most; k++) {
    const p = pieces[k]!;
    const next = k + 1 < most ? pieces[k + 1] : undefined;
    if (p.is === "open") {
      const close = pieces.findIndex((x, i) => i > k && x.is === "close");
      if (close < 0 || close >= most) return end;
      end = (k = close) + 1;
    } else if (p.is === "amount") {
      const other =
        pieces[k - 1]?.is === "slash" || pieces[k - 1]?.is === "less" || pieces[k - 1]?.is === "or";
      if (amount && !other) return end;
      amount = true;
      end = k + 1;
    } else if (TAIL.has(p.is)) end = k + 1;
    else if (p.is === "comma" || p.is === "and" || p.is === "or" || p.is === "colon") {
      const goesOn =
        next !== undefined &&
        ((TAIL.has(next.is) && next.is !== "part") || (next.is === "amount" && (!amount || p.is === "or")));
      if (!goesOn || (p.is === "and" && next.is === "amount")) return end;
    } else if (p.is === "deed" && p.senses.kept && pieces[k - 1]?.is === "comma") end = k + 1;
    else if (p.is !== "slash" && !(p.is === "mark" && t[p.from]!.low !== ".") && !isSmall(p, t)) return end;
  }
  return end;
}

/** Whether a name stands in a bracket behind another, and is no other way to have it: “lemon juice (about 2 lemons)”. */
function isAside(pieces: readonly Piece[], from: number, at: number): boolean {
  for (let k = at - 1; k >= from; k--) {
    const { is } = pieces[k]!;
    if (is === "close" || is === "or") return false;
    if (is === "open") return pieces.findIndex((p, i) => i > at && p.is === "close") > at;
  }
  return false;
}

/** Words that make of the name behind them a remark on the one before: “2 tbsp honey for the vinegar”. */
const OPENS = new Set(["for", "from", "like", "than", "before", "after", "until", "per", "beside"]);

/** Whether a name without an amount of its own stands in a remark on the thing before. */
function isRemarked(pieces: readonly Piece[], t: readonly Token[], lead: number, from: number): boolean {
  if (pieces.slice(lead, from).some((p) => HOW_MUCH.has(p.is))) return false;
  let k = lead - 1;
  while (k >= 0 && isSmall(pieces[k]!, t) && !OPENS.has(t[pieces[k]!.from]!.low)) k--;
  const p = pieces[k];
  return p !== undefined && (p.is === "opens" || p.is === "idle") && OPENS.has(t[p.from]!.low);
}

/**
 * Every name in the pieces, with what is said of it.
 * @param prose among sentences, where what is said behind a name ends at what is done; in a line all of it is of the thing
 */
export function anchorsIn(pieces: readonly Piece[], t: readonly Token[], prose: boolean): Anchor[] {
  const anchors: Anchor[] = [];
  const groups = groupsIn(pieces, t, prose);
  groups.forEach((g) => {
    const last = anchors.at(-1);
    const least = last?.to ?? 0;
    const has = (from: number, to: number): boolean => pieces.slice(from, to).some((p) => HOW_MUCH.has(p.is));
    const wants = last !== undefined && !has(last.lead, last.from);
    const lead = new Lead(pieces, t, g.from, least, wants).run();
    if (last && isAside(pieces, last.to, g.from)) return;
    // “1 green chilli, slit”: behind a comma, words nobody knows are a doubt about the thing before.
    const unknown = g.spans.length === 0 && pieces[g.from - 1]?.is === "comma" && !has(lead, g.from);
    if (!prose && last && unknown) return;
    if (!prose && last && isRemarked(pieces, t, lead, g.from)) return;
    if (last) {
      const tail = prose ? tailEnd(pieces, t, last, lead, !wants) : lead;
      anchors[anchors.length - 1] = { ...last, tail };
    }
    const { from, to, spans, words } = g;
    anchors.push({ from, to, spans, words, lead, tail: pieces.length });
  });
  const last = anchors.at(-1);
  if (last && prose) {
    const has = pieces.slice(last.lead, last.from).some((p) => HOW_MUCH.has(p.is));
    anchors[anchors.length - 1] = { ...last, tail: tailEnd(pieces, t, last, pieces.length, has) };
  }
  return postfix(anchors, pieces);
}

/** “honey 1 cup vinegar 2 cups”: where every amount stands behind its name, none is taken for the next one’s. */
function postfix(anchors: Anchor[], pieces: readonly Piece[]): Anchor[] {
  if (anchors.length < 2) return anchors;
  const amountIn = (from: number, to: number): boolean =>
    pieces.slice(from, to).some((p) => p.is === "amount");
  const [first, last] = [anchors[0]!, anchors.at(-1)!];
  if (amountIn(first.lead, first.from) || !amountIn(last.to, last.tail)) return anchors;
  if (!anchors.slice(1).every((a) => amountIn(a.lead, a.from))) return anchors;
  return anchors.map((a, i) => {
    const next = anchors[i + 1];
    return { ...a, lead: i === 0 ? a.lead : a.from, tail: next ? next.from : a.tail };
  });
}
