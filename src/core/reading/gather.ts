import { type AmountSaid, type Gathered, nothingGathered } from "./gathered";
import type { Material } from "../material/material";
import { exactly } from "../estimate";
import { type Amount, counted } from "../quantity/amount";
import type { CountUnit } from "../quantity/units";
import type { Range } from "./anchors";
import { isPartOf, nameWord } from "./names";
import { saysNumber } from "./numbers";
import type { Piece } from "./piece";
import type { Role } from "./said";
import type { Token } from "./tokens";

/** Pieces that are a remark wherever they stand beside a name. */
const NOTED: ReadonlySet<Piece["is"]> = new Set(["kept", "everyday", "deed", "time", "warmth", "opens"]);
/** Pieces that may stand within a remark and end none. */
const WITHIN: ReadonlySet<Piece["is"]> = new Set(["idle", "mark", "and", "or", "each"]);

/** Takes the pieces that are said of one thing into their slots; what has none is a remark, or a doubt. */
export class Gathering {
  readonly found = nothingGathered();
  private note: Range | undefined;
  /** In a remark that a word opened, which goes on to the next comma. */
  private opened = false;
  private takesOff = false;
  /** A dash or dots stood last. */
  private parted = false;
  /** The last piece was a word that tells plants apart, and stands alone so far. */
  private tells = false;
  /** Pieces named before their number: “garlic cloves, 10”. */
  private waits:
    | { readonly unit: CountUnit; readonly many: boolean; readonly at: Range; readonly soft: boolean }
    | undefined;

  constructor(
    private readonly text: string,
    private readonly t: readonly Token[],
    private readonly material: Material | undefined,
    /** What it is counted by. */
    private readonly counts: readonly string[],
  ) {}

  claim(role: Role, p: Range): void {
    this.found.claims.push({ role, from: this.t[p.from]!.from, to: this.t[p.to - 1]!.to });
  }

  /** @param behind whether it stands behind the name */
  take(p: Piece, behind: boolean): void {
    // “cut into cubes - 1 medium”: behind a dash or dots stands how much, not more of the remark.
    const parted = this.parted && p.is === "amount";
    const low = this.t[p.from]!.low;
    this.parted = p.is === "mark" && (low === "-" || low === ".") && !this.t[p.from + 1]?.glued;
    if (this.opened && !ENDS_REMARK.has(p.is) && !parted) return this.remark(p);
    if (NOTED.has(p.is)) {
      if (p.is === "opens" && behind) this.opened = true;
      if (p.senses.work) this.found.work = true;
      // “3 peppercorns, white”, “clover, red”: a word that makes another plant of it is no remark.
      const tells = behind && !this.note && TELLS_APART.has(this.t[p.from]!.low);
      // Of a longer remark, as “white part only”, it is no more than a word.
      if (this.tells && !tells) this.found.doubts.pop();
      if (tells) this.found.doubts.push({ from: p.from, to: p.to });
      this.tells = tells;
      if (p.is !== "opens" || behind) this.remark(p);
      return;
    }
    if (!WITHIN.has(p.is)) this.tells = false;
    if (this.note && !WITHIN.has(p.is)) this.endNote();
    this.opened = false;
    this.slot(p, behind);
  }

  /** A bracket that names something is a remark as a whole: “(about 2 lemons)”. */
  aside(inner: readonly Piece[]): void {
    this.endNote();
    for (const p of inner) this.remark(p);
    this.endNote();
  }

  /** One more piece of a remark; an unknown word in it is a doubt, since it may go in. */
  private remark(p: Piece): void {
    if (p.is === "mark") return;
    if (p.is === "word") this.found.doubts.push({ from: p.from, to: p.to });
    this.note = { from: this.note?.from ?? p.from, to: p.to };
  }

  private endNote(): void {
    const { note, t } = this;
    this.note = undefined;
    if (!note) return;
    this.found.notes.push(this.text.slice(t[note.from]!.from, t[note.to - 1]!.to));
    this.claim("note", note);
  }

  private slot(p: Piece, behind: boolean): void {
    const { found } = this;
    switch (p.is) {
      case "amount":
        return this.amount(p);
      case "strength":
        found.strength ??= p.q;
        return this.claim("strength", p);
      case "water":
        found.water = p.percent;
        return this.claim("water", p);
      case "form":
        return this.form(p);
      case "packing":
        found.packing = p.packing;
        return this.claim("packing", p);
      case "by":
        found.by = p.by;
        return this.claim("packing", p);
      case "made":
        if (!found.made.includes(p.made)) found.made.push(p.made);
        return this.claim("made", p);
      case "part":
        return this.part(p, behind);
      case "taste":
      case "optional":
      case "each":
      case "not":
        found[p.is] = true;
        return this.claim("sign", p);
      case "equal":
        found.equal = true;
        return this.claim("amount", p);
      case "or":
        found.either = true;
        return this.claim("sign", p);
      case "less":
        this.takesOff = true;
        return this.claim("sign", p);
      case "asmuch":
        found.asMuch = p.by;
        return this.claim("amount", p);
      case "against":
        found.against = { span: p.span };
        return this.claim("amount", p);
      case "per":
        found.per = p.ml;
        return this.claim("amount", p);
      case "fault":
        found.fault ??= p.fault;
        return;
      case "container":
        if (found.amounts.length === 0) found.doubts.push({ from: p.from, to: p.to });
        return this.claim("amount", p);
      case "word":
      case "name":
        found.doubts.push({ from: p.from, to: p.to });
        return;
      case "comma":
      case "and":
      case "slash":
      case "colon":
      case "open":
      case "close":
      case "mark":
      case "idle":
      case "time":
      case "warmth":
      case "deed":
      case "kept":
      case "opens":
      case "everyday":
        return;
    }
  }

  private form(p: Extract<Piece, { is: "form" }>): void {
    const { found } = this;
    if (p.form && !found.forms.includes(p.form)) found.forms.push(p.form);
    if (p.cut) found.cut ??= p.cut;
    if (p.work) found.work = true;
    if (p.senses.made && !found.made.includes(p.senses.made)) found.made.push(p.senses.made);
    if (!p.form && !p.cut && !p.senses.made) found.notes.push(this.t[p.from]!.text);
    this.claim("form", p);
  }

  private amount(p: Extract<Piece, { is: "amount" }>): void {
    const { found, waits } = this;
    this.claim("amount", p);
    if (this.takesOff) {
      found.less = p.q;
      this.takesOff = false;
      return;
    }
    const a = p.q.is === "amount" ? p.q.amount : undefined;
    const last = found.amounts.at(-1);
    // “1 head garlic, cloves peeled”: what it comes apart into.
    if (last && p.q.is === "vague" && p.q.word === "some" && !this.numbered(p)) {
      found.notes.push(this.text.slice(this.t[p.from]!.from, this.t[p.to - 1]!.to));
      return;
    }
    // “1 whole head”: the number stands before the words of work.
    if (
      last &&
      p.q.is === "amount" &&
      a?.kind === "count" &&
      a.unit !== "piece" &&
      isBareCount2(last.q) &&
      !this.numbered(p)
    ) {
      found.amounts.splice(-1, 1, {
        q: { ...p.q, amount: counted(a.unit, last.q.amount.count) },
        at: { from: last.at.from, to: p.to },
      });
      return;
    }
    if (waits && p.q.is === "amount" && a?.kind === "count" && a.unit === "piece") {
      this.waits = undefined;
      found.amounts.push({ q: { ...p.q, amount: counted(waits.unit, a.count) }, at: p });
      return;
    }
    // What is gathered by the sprig is fresh.
    if (waits?.unit === "sprig" && a?.kind === "count" && a.unit === "handful") found.work = true;
    if (a?.kind === "cover" && a.term && isCover(found.amounts.at(-1)))
      found.amounts.splice(-1, 1, { q: p.q, at: p });
    else found.amounts.push({ q: p.q, at: p });
  }

  private numbered(p: Piece): boolean {
    const t = this.t[p.from]!;
    return t.kind === "number" || t.low === "a" || t.low === "an" || saysNumber(t.low);
  }

  /** “3 rosemary sprigs”, “1 cinnamon stick”, “garlic cloves, 10”, “nettle tops”. */
  part(p: Extract<Piece, { is: "part" }>, behind: boolean): void {
    const { found } = this;
    const { part, count } = p;
    const counts = count !== undefined && this.counts.includes(count);
    const isOnePart = this.material !== undefined && isPartOf(this.material, part);
    const last = found.amounts.at(-1);
    const a = last?.q.is === "amount" ? last.q.amount : undefined;
    this.claim("name", p);
    if (counts && a?.kind === "count" && a.unit === "piece" && last?.q.is === "amount") {
      const how = { ...(a.size ? { size: a.size } : {}), ...(a.hedge ? { hedge: a.hedge } : {}) };
      last.q = { ...last.q, amount: counted(count, a.count, how) };
    } else if (counts && a?.kind === "count" && a.unit === "handful" && count === "sprig") found.work = true;
    else if (counts && !last && behind) {
      const low = this.t[p.from]!.low;
      this.waits = { unit: count, many: nameWord(low) !== low, at: p, soft: isOnePart && !ALONE.has(count) };
    }
    // “1 head garlic, cloves peeled”, “½ cup garlic cloves”: what it comes apart into.
    else if (counts && last && !isOnePart) {
      if (a?.kind !== "measure" || a.dimension !== "length") found.notes.push(this.t[p.from]!.text);
    } else found.parts.push(part);
  }

  /** What is left when all is taken: a last remark; “cinnamon stick” is one, “garlic cloves” does not say how many. */
  finish(): Gathered {
    this.endNote();
    const { found, waits } = this;
    if (waits && !waits.soft && found.amounts.length === 0)
      found.amounts.push({
        q: waits.many
          ? { is: "vague", word: "some", count: exactly(1), next: waits.at.to }
          : { is: "amount", amount: counted(waits.unit, exactly(1)), next: waits.at.to },
        at: waits.at,
      });
    return found;
  }
}
const isBareCount2 = (
  q: AmountSaid,
): q is AmountSaid & { is: "amount"; amount: Extract<Amount, { kind: "count" }> } =>
  q.is === "amount" && q.amount.kind === "count" && q.amount.unit === "piece";
/** “cover with honey … by an inch”: the depth is said apart. */
const isCover = (x: Gathered["amounts"][number] | undefined): boolean =>
  x?.q.is === "amount" && x.q.amount.kind === "cover" && x.q.amount.term === undefined;
/** Words by which one plant is told from another. */
// prettier-ignore
const TELLS_APART: ReadonlySet<string> = new Set([
  "black", "white", "red", "green", "blue", "yellow", "purple", "pink", "brown", "grey", "wild", "sweet", "bitter", "wood", "water", "sea", "marsh", "mountain", "field", "hedge",
  "meadow", "holy", "common", "blessed", "dead", "stinging", "creeping", "dwarf", "giant", "false", "true", "american", "chinese", "indian", "mexican", "russian", "hot",
]);
/** Pieces that stand for one where they stand alone; a leaf or a sprig does not. */
const ALONE: ReadonlySet<CountUnit> = new Set<CountUnit>([
  "stick",
  "pod",
  "head",
  "bulb",
  "knob",
  "clove",
  "stalk",
  "slice",
  "star",
]);
const ENDS_REMARK: ReadonlySet<Piece["is"]> = new Set([
  "comma",
  "open",
  "close",
  "optional",
  "taste",
  "colon",
]);
