import type { Day } from "../day";
import { type CameFrom, PLACE_CLASSES, type PlaceClass } from "../journal/events";
import type { Catalogue } from "../material/catalogue";
import type { Form } from "../material/classes";
import { type Material, formsOf } from "../material/material";
import { KIND } from "../plan/kinds";
import { lineOfSaid } from "../plan/said-line";
import { type Kind, type Line } from "../plan/plan";
import type { Nameless } from "../plan/ids";
import type { UnitSystem } from "../quantity/units";
import { readMeasured } from "../reading/amounts";
import { NOT_KNOWN } from "../reading/print";
import type { Market } from "../reading/measures";
import type { Place } from "../stores/settings";
import { VESSELS, isFilledInto, soldIn } from "../vessel/catalogue";
import type { Vessel } from "../vessel/vessel";
import { capital } from "../words";
import type { Listed } from "./listed";
import type { Heated, Standing } from "./standing";
import { type ThingSaid, thingsSaid } from "./things-said";

/** What stands in the fields of one row, as typed; empty where nobody said. */
export interface StandForm {
  readonly as: "jar" | "bottles" | "";
  readonly from: CameFrom;
  readonly name: string;
  readonly kind: Kind | "";
  readonly on: Day | "";
  readonly contents: string;
  /** Which part is meant by a bare plant's name, by that name. */
  readonly parts: Readonly<Record<string, string>>;
  readonly more: boolean;
  readonly jar: string;
  readonly bottle: string;
  readonly count: string;
  /** How much is in each, as typed. */
  readonly each: string;
  readonly place: string;
  readonly heated: Heated | "";
  readonly opened: Day | "";
  readonly bestBy: Day | "";
  readonly note: string;
}
export type Asked = Partial<Record<keyof StandForm, string>>;

export interface StandContext {
  readonly today: Day;
  readonly system: UnitSystem;
  readonly catalogue: Catalogue;
  readonly market: Market;
  readonly places: readonly Place[];
}

/** A vessel is called by less than it holds to the brim, by this share at the most. */
const CALLED_WITHIN = 1.13;
/** The vessel that is called by so much, mL, the first of such as are offered; else the smallest it goes into, or the largest there is. */
function vesselFor(ml: number, these: readonly Vessel[]): string {
  const called = these.find((v) => v.solid.brimMl >= ml * 0.99 && v.solid.brimMl <= ml * CALLED_WITHIN);
  const by = [...these].sort((a, b) => a.solid.brimMl - b.solid.brimMl);
  return (called ?? by.find((v) => v.solid.brimMl >= ml) ?? by.at(-1))?.id ?? "";
}
export const jarsOf = (market: Market): readonly Vessel[] =>
  soldIn(market).filter((v) => v.sort === "jar" || v.sort === "crock");
export const bottlesOf = (market: Market): readonly Vessel[] => soldIn(market).filter(isFilledInto);

/** Bottles as they are offered for a kind: those it is usually kept in first. */
function bottlesFor(kind: Kind | undefined, market: Market): readonly Vessel[] {
  const sorts: readonly string[] = kind ? KIND[kind].bottles.sorts : ["bottle"];
  const rank = (v: Vessel): number => (sorts.includes(v.sort) ? sorts.indexOf(v.sort) : sorts.length);
  return [...bottlesOf(market)].sort((a, b) => rank(a) - rank(b));
}

/** The household's own place of a sort, by its id; nothing where it has none. */
const placeOf = (of: PlaceClass | undefined, places: readonly Place[]): string =>
  places.find((p) => p.class === of)?.id ?? "";

/** A row's fields as they stand when its line was read. @param volume how a volume is typed in this household */
export function formOf(l: Listed, c: StandContext, volume: (ml: number) => string): StandForm {
  const each = l.leftMl ?? l.ml;
  return {
    ...{ as: l.as ?? "", from: l.from, name: l.name, kind: l.kind ?? "", on: l.on ?? "" },
    contents: l.things.map((x) => said(x)).join(", "),
    parts: {},
    more: l.things.length === 0,
    jar: l.as === "jar" && l.ml !== undefined ? vesselFor(l.ml, jarsOf(c.market)) : "",
    bottle: l.as !== "jar" && l.ml !== undefined ? vesselFor(l.ml, bottlesFor(l.kind, c.market)) : "",
    count: String(l.count ?? 1),
    each: l.as === "jar" || each === undefined ? "" : volume(each),
    place: placeOf(l.place, c.places),
    heated: l.heated ?? "",
    ...{ opened: l.opened ?? "", bestBy: l.bestBy ?? "" },
    note: l.note,
  };
}

const said = ({ typed, line }: ThingSaid): string =>
  [line?.amount?.text, typed].filter((x) => x !== undefined).join(" ");

/** A thing as it was understood, for the eye. */
export interface Understood {
  readonly typed: string;
  readonly materials: readonly Material[];
  /** The line it becomes, once it is known which is meant. */
  readonly line: Nameless<Line> | undefined;
}

const FRESHEST = ["fresh", "frozen"] as const;
/** The form a plant of which nobody said in what form it went in is taken in: the fresh, which keeps less. */
const freshest = (m: Material): Form | undefined =>
  m.kind === "plant" ? FRESHEST.find((f) => formsOf(m).includes(f)) : undefined;

/** The line a thing becomes once it is known which is meant; what was not said of it stays not known. */
function lineOf(x: ThingSaid, parts: StandForm["parts"]): Nameless<Line> | undefined {
  const meant =
    x.materials.length === 1 ? x.materials[0] : x.materials.find((m) => m.row.id === parts[x.typed]);
  if (!meant) return undefined;
  const form = freshest(meant);
  const taken = form ? { form, took: ["form" as const] } : {};
  if (!x.line) return { material: meant.row.id, amount: NOT_KNOWN, ...taken };
  const { took: _took, ...line } = lineOfSaid(x.line);
  const took = (_took ?? []).filter((t) => t !== "amount" && t !== "form");
  const isTaken = _took?.includes("form") === true;
  return {
    ...line,
    amount: x.line.amount ? line.amount : NOT_KNOWN,
    ...(took.length > 0 ? { took } : {}),
    ...(isTaken ? taken : {}),
  };
}

/** What is in it, a thing between commas each; what is no name of anything here is given back as it was typed. */
export function understood(
  f: Pick<StandForm, "contents" | "parts">,
  c: Pick<StandContext, "system" | "catalogue">,
): { readonly things: readonly Understood[]; readonly unknown: readonly string[] } {
  const things: Understood[] = [];
  const unknown: string[] = [];
  for (const words of f.contents.split(/[,;\n]| and /i).map((w) => w.trim())) {
    if (words === "") continue;
    const found = thingsSaid(words, c, undefined);
    if (found.length === 0) unknown.push(words);
    for (const x of found) things.push({ typed: x.typed, materials: x.materials, line: lineOf(x, f.parts) });
  }
  return { things, unknown };
}

const ofBottles = (f: StandForm): boolean => f.as === "bottles";

/** What is still to be said of a jar or of bottles, by field, in words that say what would be right. */
function asks(f: StandForm, c: StandContext): Asked {
  const ask: { -readonly [K in keyof Asked]: string } = {};
  if (f.as === "") ask.as = "Say whether it is a jar at work or bottles.";
  if (f.name.trim() === "") ask.name = "Say what it is, like “fire cider”.";
  if (f.kind === "") ask.kind = "Say what kind of remedy it is: its days and its place go by that.";
  if (f.on === "")
    ask.on = f.from === "made" ? "Say since when, as near as you know." : "Say when it came to you.";
  else if (f.on > c.today) ask.on = "That has not happened yet. Give the day it was begun or came.";
  if (f.as === "jar" && f.jar === "") ask.jar = "Choose the jar it stands in, or the one nearest to it.";
  if (!ofBottles(f)) return ask;
  const count = Number(f.count);
  if (!(Number.isInteger(count) && count >= 1 && count <= 100)) ask.count = "Say how many: 1 to 100.";
  if (f.bottle === "") ask.bottle = "Choose the bottle, or the one nearest to it.";
  if (f.place === "") ask.place = "Say where it stands.";
  if (f.opened !== "" && f.opened > c.today) ask.opened = "That has not happened yet.";
  return ask;
}

/** mL in each of the bottles; a full one where nobody said. */
function eachOf(f: StandForm, c: StandContext): number | string {
  const vessel = VESSELS.get(f.bottle);
  if (f.each.trim() === "") return vessel?.fillMl ?? "Choose the bottle first.";
  const read = readMeasured(f.each, c.system);
  if (!read.ok) return read.faults[0]!.message;
  const ml = read.value.si.value;
  if (read.value.dimension !== "volume") return "Say it as a volume, like “250 mL” or “1 cup”.";
  if (vessel && ml > vessel.solid.brimMl * 1.02)
    return `So much does not go into a ${vessel.size} ${vessel.sort}. Say less, or choose a larger one.`;
  return ml;
}

/** What is written down of a row, or what is still to be said of it. @param ids an id for each bottle */
export function standingOf(
  f: StandForm,
  c: StandContext,
  ids: (n: number) => string,
): { readonly standing?: Standing; readonly asked: Asked } {
  const ask: { -readonly [K in keyof Asked]: string } = { ...asks(f, c) };
  const { things, unknown } = understood(f, c);
  const open = things.find((x) => !x.line);
  if (open) ask.parts = `Say which part of ${open.typed} it was.`;
  const each = ofBottles(f) ? eachOf(f, c) : 0;
  if (typeof each === "string") ask.each = each;
  if (Object.keys(ask).length > 0 || typeof each === "string" || f.as === "" || f.kind === "")
    return { asked: ask };
  const at = c.places.find((p) => p.id === f.place);
  // A name nobody here knows is a plant nobody can judge, and stays in the note.
  const note = [f.note, ...unknown.map((w) => `In it: ${w}.`)].filter((w) => w !== "").join("\n");
  return {
    asked: {},
    standing: {
      ...{ as: f.as, from: f.from, name: capital(f.name.trim()), kind: f.kind, on: f.on },
      contents: things.map((x) => x.line!),
      unnamed: f.more || unknown.length > 0,
      ...(f.as === "jar" ? { vessel: f.jar } : {}),
      bottles: ofBottles(f)
        ? Array.from({ length: Number(f.count) }, (_, i) => ({
            ...{ id: ids(i), vessel: f.bottle, ml: each },
            place: at?.class ?? PLACE_CLASSES[1],
            ...(at ? { at: at.id } : {}),
          }))
        : [],
      ...(ofBottles(f) && f.heated !== "" ? { heated: f.heated } : {}),
      ...(ofBottles(f) && f.opened !== "" ? { opened: f.opened } : {}),
      ...(f.bestBy !== "" && f.as === "bottles" ? { bestBy: f.bestBy } : {}),
      ...(note ? { note } : {}),
    },
  };
}
