import { isFault } from "../../fault";
import { oftenAt } from "./how-often";
import type { Plan, SteepPlace, Wringing } from "../../plan/plan";
import type { UnitSystem } from "../../quantity/units";
import { readMeasured } from "../../reading/amounts";
import type { Deed } from "../../reading/deeds";
import { type Duration, durationAt, isTimeWord, printDuration } from "../../reading/durations";
import { numberAt } from "../../reading/numbers";
import { readReduction } from "../../reading/reductions";
import { sensesOf } from "../../reading/lexicon";
import { temperatureAt, warmthAt } from "../../reading/temperatures";
import { type Token, says } from "../../reading/tokens";
import { PLACES, among, deedOf, noVerb } from "./verbs";

/** One thing a sentence says to do, with all that is said of it; amounts and times as typed, or as they can be read again. */
export interface Act {
  readonly deed: Deed;
  /** The token it stands at, and its word. */
  readonly at: number;
  readonly word: string;
  for?: Duration;
  forText?: string;
  toC?: number;
  reduce?: string;
  lid?: "on" | "off";
  loses?: string;
  place?: SteepPlace;
  how?: Wringing;
  hot?: boolean;
  shake?: NonNullable<Plan["shake"]>;
  /** How full a jar is filled, as a share. */
  share?: number;
}
export interface Acts {
  readonly acts: readonly Act[];
  /** Tokens that said a time, a temperature, a share or how often, and were heard. */
  readonly heard: (k: number) => boolean;
}

const UNTIL = ["until", "once", "when", "below", "under", "cool", "cooled", "to"];

class ActReader {
  readonly acts: Act[] = [];
  readonly heard: boolean[] = [];
  private readonly hasTime: boolean;
  private waiting: Partial<Act> = {};
  private i = 0;

  constructor(
    private readonly text: string,
    private readonly t: readonly Token[],
    private readonly named: (k: number) => boolean,
    private readonly system: UnitSystem,
  ) {
    this.hasTime = t.some((x) => x.kind === "word" && isTimeWord(x.low));
  }

  run(): void {
    while (this.i < this.t.length) {
      const free = !this.named(this.i);
      if (free && (this.often() || this.temperature() || this.left() || this.lasting() || this.warmth()))
        continue;
      if (this.cloth() || this.deed()) continue;
      this.attributes(this.i);
      this.i++;
    }
  }

  private put(deed: Deed): Act {
    const act: Act = { deed, at: this.i, word: this.t[this.i]!.low, ...this.waiting };
    this.waiting = {};
    this.acts.push(act);
    return act;
  }
  private get on(): Partial<Act> {
    return this.acts.at(-1) ?? this.waiting;
  }
  private hear(next: number): true {
    for (let k = this.i; k < next; k++) this.heard[k] = true;
    this.i = next;
    return true;
  }
  private slice(from: number, to: number): string {
    return this.text.slice(this.t[from]!.from, this.t[to - 1]!.to);
  }

  private often(): boolean {
    const often = oftenAt(this.t, this.i);
    if (!often) return false;
    this.on.shake ??= often.shake;
    return this.hear(often.next);
  }

  private temperature(): boolean {
    const found = temperatureAt(this.t, this.i, this.system === "us" ? "F" : "C");
    if (!found) return false;
    const last = this.acts.at(-1);
    const cools =
      last &&
      last.deed !== "cool" &&
      last.deed !== "warm" &&
      among(this.t, Math.max(last.at, this.i - 6), 7, UNTIL);
    if (cools) this.put("cool");
    this.on.toC = found.celsius;
    return this.hear(found.next);
  }

  /** “until half remains”, “until only a third is left”. */
  private left(): boolean {
    const { t, i } = this;
    if (!["until", "till"].includes(t[i]!.low)) return false;
    for (let k = i + 2; k < Math.min(t.length, i + 9); k++) {
      if (!["remains", "remain", "left", "remaining"].includes(t[k]!.low)) continue;
      for (let from = i + 1; from < k; from++) {
        const end = ["is", "are", "of"].includes(t[k - 1]!.low) ? k - 1 : k;
        const said = from < end ? `to ${this.slice(from, end)}` : "";
        if (!readReduction(said, this.system).ok) continue;
        this.reduction(said);
        return this.hear(k + 1);
      }
    }
    return false;
  }

  /** Boiled down so far: said twice, it is one boiling down. */
  private reduction(said: string): void {
    const last = this.acts.at(-1);
    if (last?.deed === "reduce" && last.reduce === undefined) last.reduce = said;
    else this.put("reduce").reduce = said;
  }

  private lasting(): boolean {
    const { t, i } = this;
    if (!this.hasTime) return false;
    const one = durationAt(t, i);
    if (!one?.ok || ["every", "per", "each", "after"].includes(t[i - 1]?.low ?? "")) return false;
    let { duration, next } = one.value;
    let typed: string | undefined;
    // “45 minutes to 1 hour” is one time.
    const two = ["to", "-", "or"].includes(t[next]?.low ?? "") ? durationAt(t, next + 1) : undefined;
    if (two?.ok && two.value.duration.days.value > duration.days.value) {
      const [low, high] = [duration.days.value, two.value.duration.days.value];
      const [by, unit] = high < 1 ? ([1440, "min"] as const) : ([1, "day"] as const);
      const count = { low: low * by, value: ((low + high) / 2) * by, high: high * by };
      duration = { count, unit, more: [], days: { low, value: (low + high) / 2, high } };
      typed = printDuration(duration);
      next = two.value.next;
    }
    // A second length of time belongs to what comes, or says the same again: “20 minutes, or 30 for roots”.
    const act = this.on.for === undefined ? this.on : this.waiting;
    act.for = duration;
    act.forText = typed ?? this.slice(i, next).replace(/\.$/, "");
    return this.hear(next);
  }

  private warmth(): boolean {
    const found = warmthAt(this.t, this.i);
    if (!found) return false;
    const last = this.acts.at(-1);
    // “keep at room temperature” cools nothing.
    if (last?.deed !== "keep" && last?.deed !== "steep") {
      const act = last?.deed === "cool" ? last : this.put("cool");
      act.toC ??= found.celsius;
    }
    return this.hear(found.next);
  }

  /** “through a fine strainer” strains, whatever the verb. */
  private cloth(): boolean {
    const { low } = this.t[this.i]!;
    if (!sensesOf(low).cloth || this.acts.at(-1)?.deed === "strain") return false;
    if (!among(this.t, Math.max(0, this.i - 5), Math.min(5, this.i), ["through"])) return false;
    this.put("strain");
    this.i++;
    return true;
  }

  private deed(): boolean {
    const { t, i } = this;
    const deed = t[i]!.kind === "word" ? deedOf(t[i]!.low) : undefined;
    if (!deed || noVerb(t, i, this.named) || this.denied()) return false;
    const next = (k: number): true => {
      this.i = k;
      return true;
    };
    if (deed === "simmer" && /^cook/.test(t[i]!.low) && this.acts.at(-1)?.deed === "pressure")
      return next(i + 1);
    const reduced = this.reduced(deed);
    if (reduced !== undefined) return next(reduced);
    // “bring to a simmer” is on the way there, unless it says how long.
    const onTheWay = t[i]!.low === "simmer" && ["a", "the"].includes(t[i - 1]?.low ?? "");
    const act = this.put(onTheWay ? "boil" : deed);
    act.how ??= howOf(act.word);
    if (act.word.startsWith("refrigerate")) act.place = "fridge";
    return next(i + 1);
  }

  /** “do not boil”, “no need to strain”. */
  private denied(): boolean {
    for (let k = this.i - 1; k >= Math.max(0, this.i - 3) && this.t[k]!.kind !== "mark"; k--)
      if (["not", "dont", "never", "no", "without"].includes(this.t[k]!.low)) return true;
    return false;
  }

  /** “reduce by half”, “boil down to a pint”; “reduce the heat” reduces nothing. @returns the token after it, where it is no other deed */
  private reduced(deed: Deed): number | undefined {
    const { t, i } = this;
    const heats = deed === "boil" || deed === "simmer";
    const down = heats && (among(t, i + 1, 4, ["down"]) || among(t, i + 1, 3, ["until", "till"]));
    if (deed !== "reduce" && !down) return undefined;
    const heat = deed === "reduce" && among(t, i + 1, 3, ["heat", "flame", "temperature"]);
    const found = heat ? undefined : this.reductionFrom(i);
    if (!found) {
      const said = deed === "reduce" && (heat || this.acts.at(-1)?.deed === "reduce");
      return said ? i + 1 : undefined;
    }
    this.reduction(found.said);
    for (let k = i; k < found.next; k++) this.heard[k] = true;
    return found.next;
  }

  /** A reduction behind “reduce”: “by half”, “to 2 cups”, “to a third”. */
  private reductionFrom(i: number): { readonly said: string; readonly next: number } | undefined {
    const { t } = this;
    if (t[i]!.low.startsWith("halv")) return { said: "by half", next: i + 1 };
    for (let k = i; k < Math.min(t.length, i + 8); k++) {
      if (t[k]!.low !== "by" && t[k]!.low !== "to") continue;
      const from = ["almost", "about", "nearly", "roughly", "around"].includes(t[k + 1]?.low ?? "")
        ? k + 2
        : k + 1;
      for (let end = Math.min(t.length, from + 5); end > from; end--) {
        const said = `${t[k]!.text} ${this.slice(from, end)}`;
        if (readReduction(said, this.system).ok) return { said, next: end };
      }
    }
    return undefined;
  }

  private attributes(k: number): void {
    const { t, on: act } = this;
    const { low } = t[k]!;
    const place = this.named(k) ? undefined : PLACES[low];
    if (place && act.place === undefined) act.place = place;
    if (low === "covered" || says(t, k, "lid", "on")) act.lid = "on";
    if (low === "uncovered" || says(t, k, "lid", "off")) act.lid = "off";
    if (["squeezing", "wringing", "wrung", "squeezed"].includes(low)) act.how = "wrung";
    if (["pressing", "pressed"].includes(low) && act.deed === "strain") act.how = "pressed";
    if (low === "losing") this.losing(k, act);
    if (low === "hot" && act.deed === "bottle") act.hot = true;
    const share = this.shareBefore(k);
    if (share !== undefined) act.share = share;
  }

  /** A measured amount right behind “losing”. */
  private losing(k: number, act: Partial<Act>): void {
    for (let end = Math.min(this.t.length, k + 5); end > k + 1; end--) {
      const said = this.slice(k + 1, end);
      if (!readMeasured(said, this.system).ok) continue;
      act.loses = said;
      for (let h = k; h < end; h++) this.heard[h] = true;
      return;
    }
  }

  /** “a third full”, “half of the way”, “halfway”. */
  private shareBefore(k: number): number | undefined {
    const { t } = this;
    const { low } = t[k]!;
    if (low === "halfway") return 1 / 2;
    const ofJar = low === "jar" && says(t, k - 2, "of", "the");
    const full = low === "full" || (low === "way" && (says(t, k - 2, "of", "the") || says(t, k - 1, "half")));
    if (!ofJar && !full) return undefined;
    const end = ofJar ? k - 2 : k;
    for (let from = Math.max(0, end - 5); from < end; from++) {
      const n = numberAt(t, from);
      if (!n || isFault(n) || n.span.value >= 1 || n.next < end - 3) continue;
      for (let h = from; h <= k; h++) this.heard[h] = true;
      return n.span.value;
    }
    return undefined;
  }
}

function howOf(word: string): Wringing | undefined {
  if (/^(?:squeez|wring|wrung)/.test(word)) return "wrung";
  if (/^press/.test(word)) return "pressed";
  return /^drain/.test(word) ? "drained" : undefined;
}

/** Everything a sentence says to do, in order. */
export function actsOf(
  text: string,
  t: readonly Token[],
  named: (k: number) => boolean,
  system: UnitSystem,
): Acts {
  const reader = new ActReader(text, t, named, system);
  reader.run();
  return { acts: reader.acts, heard: (k) => reader.heard[k] === true };
}
