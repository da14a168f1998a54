import { type Material } from "../material/material";
import { type Anchor, type Range, anchorsIn } from "./anchors";
import { piecesOf } from "./fit-amount";
import { Gathering } from "./gather";
import type { Gathered } from "./gathered";
import { sensesOf } from "./lexicon";
import { type Named, type NameSpan, isPartOf, meantBy } from "./names";
import { namesOf } from "./names-of";
import type { Piece } from "./piece";
import { PieceReader } from "./pieces";
import type { ReadingContext } from "./said";
import type { Token } from "./tokens";

/** One thing that is said, with all that is said of it. */
export interface Thing extends Readonly<Gathered> {
  /** What bears its name; none where nobody knows it, several where it must be asked. */
  readonly names: readonly Named[];
  /** Known names inside a longer one that is not known: “lemon” of “lemon myrtle”. */
  readonly inside: readonly Material[];
  /** Its name as typed. */
  readonly typed: string;
  /** Tokens of the name, and of all that is said of it. */
  readonly name: Range;
  readonly all: Range;
  /** The same thing said another way: “1 cup dried or 2 cups fresh”. */
  readonly other: Thing | undefined;
}
export type Joint = "and" | "or" | "none";

/** What a plant alone has. */
const ORGANS: ReadonlySet<string> = new Set([
  "leaf",
  "root",
  "bark",
  "flower",
  "stem",
  "bud",
  "needle",
  "twig",
  "blossom",
]);

/** What a text says, taken apart once. */
export interface Things {
  readonly text: string;
  readonly tokens: readonly Token[];
  readonly pieces: readonly Piece[];
  readonly things: readonly Thing[];
  /** What joins each thing to the one before. */
  readonly joints: readonly Joint[];
  /** Whether a piece is of no thing. */
  readonly isFree: (piece: number) => boolean;
}

/** The materials a name may mean, by the part of the plant that is said with it. */
function byPart(names: readonly Named[], parts: readonly string[]): readonly Named[] {
  const meant = meantBy(names);
  if (meant.length < 2 || parts.length === 0) return meant;
  const such = names.filter((n) => parts.every((part) => isPartOf(n.material, part)));
  const any = such.length > 0 ? such : names.filter((n) => parts.some((part) => isPartOf(n.material, part)));
  return any.length > 0 ? any.map((n) => ({ ...n, bare: undefined })).map(plainNamed) : meant;
}
const plainNamed = ({ material, alias, loose }: Named): Named => ({ material, alias, loose });

class Assembly {
  constructor(
    private readonly text: string,
    private readonly t: readonly Token[],
    private readonly pieces: readonly Piece[],
    private readonly chosen: Material | undefined,
  ) {}

  private slice(from: number, to: number): string {
    return to > from ? this.text.slice(this.t[from]!.from, this.t[to - 1]!.to) : "";
  }

  thing(a: Anchor): Thing {
    const { pieces } = this;
    const [lead, tail] = [pieces.slice(a.lead, a.from), pieces.slice(a.to, a.tail)];
    const or = alternative(lead, tail);
    const main = this.one(a, or ? or.first[0] : lead, or ? or.first[1] : tail);
    return or ? { ...main, other: this.one(a, or.second[0], or.second[1]) } : main;
  }

  private one(a: Anchor, lead: readonly Piece[], tail: readonly Piece[]): Thing {
    const group = this.pieces.slice(a.from, a.to);
    const parts: string[] = [];
    for (const some of [lead, group, tail]) for (const p of some) if (p.is === "part") parts.push(p.part);
    const known = a.words === 0 && a.spans.length === 1 ? byPart(a.spans[0]!.names, parts) : [];
    const material = this.chosen ?? known[0]?.material ?? a.spans[0]?.names[0]?.material;
    const g = new Gathering(this.text, this.t, material, material ? piecesOf(material) : []);
    this.takeAll(lead, g, false);
    const name = { from: group[0]!.from, to: group.at(-1)!.to };
    for (const p of group)
      if (p.is === "part") g.part(p, true);
      else g.claim("name", p);
    const specific = this.takeAll(tail, g, true);
    const found = g.finish();
    const names = this.named(a, narrowed(known, specific), found);
    return Object.assign(found, {
      names,
      inside: names.length > 0 ? [] : a.spans.flatMap((s) => meantBy(s.names).map((n) => n.material)),
      typed: this.slice(name.from, this.nameEnd(group, material)),
      name,
      all: { from: this.pieces[a.lead]!.from, to: this.pieces[a.tail - 1]!.to },
      other: undefined,
    });
  }

  /** Where a name ends: what it is counted by is no part of it, as in “3 rosemary sprigs”. */
  private nameEnd(group: readonly Piece[], m: Material | undefined): number {
    let end = group.length;
    const counts = m ? piecesOf(m) : [];
    for (
      let p = group[end - 1]!;
      end > 1 && p.is === "part" && p.count && counts.includes(p.count);
      p = group[end - 1]!
    )
      end--;
    return group[end - 1]!.to;
  }

  /** Takes what is said before or behind the name. @returns who bears a name that stands alone in a bracket */
  private takeAll(tail: readonly Piece[], g: Gathering, behind: boolean): readonly Named[] {
    let specific: readonly Named[] = [];
    for (let k = 0; k < tail.length; k++) {
      const p = tail[k]!;
      const close = p.is === "open" ? tail.findIndex((x, i) => i > k && x.is === "close") : -1;
      const inner = close > k ? tail.slice(k + 1, close) : [];
      if (!inner.some((x) => x.is === "name" || x.is === "word" || x.is === "not")) {
        g.take(p, behind);
        continue;
      }
      const named = inner.filter((x) => x.is !== "idle");
      if (named.length === 1 && named[0]!.is === "name") specific = meantBy(named[0]!.span.names);
      g.aside(inner);
      k = close;
    }
    return specific;
  }

  /** Who bears the name, with the part of the plant that was said; none where that part is not known. */
  private named(a: Anchor, known: readonly Named[], { parts }: Gathered): readonly Named[] {
    if (this.chosen) return [{ material: this.chosen, alias: "", loose: false }];
    const [one] = known;
    if (known.length !== 1 || !one || parts.length === 0) return known;
    // Water has no leaves: “water pepper leaves” is a plant, and not this.
    if (one.material.kind === "stuff") return parts.some((part) => ORGANS.has(part)) ? [] : known;
    return parts.some((part) => isPartOf(one.material, part)) || a.spans[0]!.names.length > 1 ? known : [];
  }
}

/** “mint (peppermint)”, “elder (the flowers)”: the name in the bracket says which. */
function narrowed(known: readonly Named[], specific: readonly Named[]): readonly Named[] {
  if (specific.length !== 1 || known.length === 0) return known;
  const among = known.some((n) => n.material === specific[0]!.material);
  return among || known.every((n) => n.loose || n.bare) ? specific : known;
}

type Sides = readonly [lead: readonly Piece[], tail: readonly Piece[]];
/** “1 cup dried or 2 cups fresh elderberries”, “2 tbsp thyme (dried) or 6 sprigs fresh”: what is said before the *or*, and behind it. */
function alternative(
  lead: readonly Piece[],
  tail: readonly Piece[],
): { readonly first: Sides; readonly second: Sides } | undefined {
  const amounts = (p: readonly Piece[]): boolean => p.some((x) => x.is === "amount");
  const before = lead.findIndex((p) => p.is === "or");
  if (before >= 0) {
    const [first, second] = [lead.slice(0, before), lead.slice(before + 1)];
    return amounts(first) && amounts(second) ? { first: [first, tail], second: [second, tail] } : undefined;
  }
  const behind = tail.findIndex((p) => p.is === "or");
  if (behind < 0) return undefined;
  const [first, second] = [tail.slice(0, behind), tail.slice(behind + 1)];
  return (amounts(lead) || amounts(first)) && amounts(second)
    ? { first: [lead, first], second: [[], second] }
    : undefined;
}

/** What stands between two things: “or”, or anything that joins or parts them. */
function jointBefore(pieces: readonly Piece[], a: Anchor, b: Anchor): Joint {
  const between = pieces.slice(a.to, b.from);
  if (between.some((p) => p.is === "or" || p.is === "slash")) return "or";
  return between.some((p) => p.is !== "idle") ? "and" : "none";
}

/** A plant named without its part takes the part said of the next: “fennel and caraway seeds”. */
function sharedParts(things: readonly Thing[]): readonly Thing[] {
  if (things.length < 2) return things;
  return things.map((x, i) => {
    const next = things[i + 1];
    if (!next || x.names.length === 0 || !x.names.every((n) => n.bare)) return x;
    const last = next.typed.split(/\s+/).at(-1)!.toLowerCase();
    const names = byPart(x.names, [...next.parts, last.replace(/s$/, "")]);
    return names.length === 1 ? { ...x, names } : x;
  });
}

/** “sage, thyme and lavender, all fresh”: the form of the last is that of all. */
function allAlike(things: readonly Thing[], t: readonly Token[]): readonly Thing[] {
  const k = t.findIndex((x, i) => x.low === "all" && sensesOf(t[i + 1]?.low ?? "").form !== undefined);
  const form = k < 0 ? undefined : sensesOf(t[k + 1]!.low).form;
  if (!form || things.length < 2) return things;
  return things.map((x) => (x.forms.length === 0 && x.all.from < k ? { ...x, forms: [form] } : x));
}

/** What is said in a text, each thing with all that is said of it: the one place where a line, a list and a sentence are taken apart. */
export function thingsIn(
  text: string,
  tokens: readonly Token[],
  ctx: ReadingContext,
  prose = false,
  spans: readonly NameSpan[] = namesOf(tokens, ctx, piecesOf),
): Things {
  const pieces = new PieceReader(text, tokens, ctx, spans, prose).run();
  const anchors = anchorsIn(pieces, tokens, prose);
  const assembly = new Assembly(text, tokens, pieces, ctx.chosen);
  const things = allAlike(sharedParts(anchors.map((a) => assembly.thing(a))), tokens);
  const joints = anchors.map((a, i): Joint => (i === 0 ? "none" : jointBefore(pieces, anchors[i - 1]!, a)));
  const of = new Uint8Array(pieces.length);
  for (const a of anchors) of.fill(1, a.lead, a.tail);
  return { text, tokens, pieces, things, joints, isFree: (k) => of[k] === 0 };
}
