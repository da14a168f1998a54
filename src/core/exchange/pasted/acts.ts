import type { Plan, SteepPlace, Wringing } from "../../plan/plan";
import type { UnitSystem } from "../../quantity/units";
import type { Duration } from "../../reading/durations";
import { isFault, numberAt } from "../../reading/numbers";
import { type Token, says, standsAt } from "../../reading/tokens";
import { noVerb } from "./no-verb";
import { amountBehind, leftOver, reductionFrom } from "./said-reductions";
import { WARMTH, lastingAt, oftenAt, temperatureAt } from "./said-times";
import { DEEDS, type Deed, PLACE_WORDS } from "./verbs";
import { among } from "./words-near";

/** One thing a sentence says to do, with all that is said of it. */
export interface Act {
  readonly deed: Deed;
  /** The token it stands at, and its word. */
  readonly at: number;
  readonly word: string;
  for?: Duration;
  /** The duration as typed. */
  forText?: string;
  toC?: number;
  toText?: string;
  /** What is boiled down to, as typed. */
  reduce?: string;
  lid?: "on" | "off";
  /** What boils away, as typed. */
  loses?: string;
  place?: SteepPlace;
  how?: Wringing;
  hot?: boolean;
  shake?: NonNullable<Plan["shake"]>;
  /** How full a jar is filled, as a share. */
  share?: number;
}

const CLOTHS: readonly string[] = ["strainer", "cheesecloth", "muslin", "colander", "sieve", "teatowel"];
const UNTIL: readonly string[] = ["until", "once", "when", "below", "under", "cool", "cooled"];
const HOW: Readonly<Record<string, Wringing>> = {
  squeeze: "wrung",
  squeezing: "wrung",
  wring: "wrung",
  press: "pressed",
  drain: "drained",
};

/** Goes through a sentence once. What is said of nothing that is done yet waits for the next thing that is. */
class ActReader {
  readonly acts: Act[] = [];
  private waiting: Partial<Act> = {};
  private i = 0;

  constructor(
    private readonly text: string,
    private readonly t: readonly Token[],
    private readonly named: (k: number) => boolean,
    private readonly system: UnitSystem,
    private readonly degrees: "C" | "F",
  ) {}

  run(): Act[] {
    while (this.i < this.t.length) {
      const went =
        this.often() ||
        this.temperature() ||
        this.left() ||
        this.times() ||
        this.cloth() ||
        this.lasting() ||
        this.warmth() ||
        this.deed();
      if (went) continue;
      this.attributes(this.i);
      this.i++;
    }
    return this.acts;
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
  private to(next: number): true {
    this.i = next;
    return true;
  }

  private often(): boolean {
    const often = oftenAt(this.t, this.i);
    if (!often) return false;
    this.on.shake = often.shake;
    return this.to(often.next);
  }

  private temperature(): boolean {
    const found = temperatureAt(this.t, this.i, this.text, this.degrees);
    if (!found) return false;
    const last = this.acts.at(-1);
    if (last && ["add", "warm", "steep", "keep"].includes(last.deed) && among(this.t, 0, this.i, UNTIL))
      this.put("cool");
    const act = this.on;
    act.toC = found.c;
    act.toText = found.text;
    return this.to(found.next);
  }

  private left(): boolean {
    const left = leftOver(this.t, this.i, this.text, this.system);
    if (left === undefined) return false;
    this.put("reduce").reduce = left;
    return this.to(this.i + 3);
  }

  /** “3 times a day”. */
  private times(): boolean {
    if (
      !["times", "x"].includes(this.t[this.i + 1]?.low ?? "") ||
      !among(this.t, this.i + 2, 2, ["a", "daily", "per"])
    )
      return false;
    this.on.shake ??= "daily";
    return this.to(this.i + 4);
  }

  /** “through a fine strainer” strains, whatever the verb. */
  private cloth(): boolean {
    if (!CLOTHS.includes(this.t[this.i]!.low) || this.acts.at(-1)?.deed === "strain") return false;
    if (!among(this.t, Math.max(0, this.i - 5), Math.min(5, this.i), ["through", "into"])) return false;
    this.put("strain");
    return this.to(this.i + 1);
  }

  private lasting(): boolean {
    const found = this.named(this.i) ? undefined : lastingAt(this.t, this.i);
    if (!found?.ok || ["every", "per"].includes(this.t[this.i - 1]?.low ?? "")) return false;
    const { duration, next, printed } = found.value;
    const typed = printed ?? this.text.slice(this.t[this.i]!.from, this.t[next - 1]!.to).replace(/\.$/, "");
    // A second length of time belongs to what comes, or says the same again: “20 minutes, or 30 for roots”.
    const act = this.on.for === undefined ? this.on : this.waiting;
    act.for = duration;
    act.forText = typed;
    return this.to(next);
  }

  private warmth(): boolean {
    const found = WARMTH.find(([words]) => standsAt(this.t, this.i, words));
    if (!found) return false;
    const last = this.acts.at(-1);
    // “keep at room temperature” cools nothing.
    if (last?.deed !== "keep" && last?.deed !== "steep") {
      const act = last?.deed === "cool" ? last : this.put("cool");
      act.toC ??= found[1];
    }
    return this.to(this.i + found[0].length);
  }

  private deed(): boolean {
    const { t, i } = this;
    const deed = t[i]!.kind === "word" ? DEEDS[t[i]!.low] : undefined;
    if (!deed || noVerb(t, i, this.named) || this.denied()) return false;
    if (deed === "simmer" && t[i]!.low === "cook" && this.acts.at(-1)?.deed === "pressure")
      return this.to(i + 1);
    if (this.reduced(deed)) return true;
    // “bring to a simmer” is on the way there, unless it says how long.
    const onTheWay = t[i]!.low === "simmer" && ["a", "the"].includes(t[i - 1]?.low ?? "");
    const act = this.put(onTheWay ? "boil" : deed);
    const how = HOW[act.word];
    if (how) act.how = how;
    if (act.word.startsWith("refrigerate")) act.place = "fridge";
    return this.to(i + 1);
  }

  /** “do not boil”, “no need to strain”. */
  private denied(): boolean {
    for (let k = this.i - 1; k >= Math.max(0, this.i - 3) && this.t[k]!.kind !== "mark"; k--)
      if (["not", "dont", "never", "no", "without"].includes(this.t[k]!.low)) return true;
    return false;
  }

  /** “reduce by half”, “boil down to a pint”; “reduce the heat” reduces nothing. */
  private reduced(deed: Deed): boolean {
    const { t, i } = this;
    const down =
      t[i + 1]?.low === "down" ||
      (deed === "boil" && (among(t, i + 1, 4, ["down"]) || among(t, i + 1, 3, ["until", "till"])));
    if (deed !== "reduce" && !(["boil", "simmer"].includes(deed) && down)) return false;
    const heat = deed === "reduce" && among(t, i + 1, 3, ["heat", "flame", "temperature"]);
    const to = heat ? undefined : reductionFrom(t, i, this.text, this.system);
    if (to !== undefined) this.put("reduce").reduce = to;
    return to !== undefined || deed === "reduce" ? this.to(i + (deed === "reduce" ? 1 : 2)) : false;
  }

  private attributes(k: number): void {
    const { t, on: act } = this;
    const { low } = t[k]!;
    const place = PLACE_WORDS.find(([words]) => standsAt(t, k, words));
    if (place && act.place === undefined) act.place = place[1];
    if (low === "covered" || says(t, k, "lid", "on")) act.lid = "on";
    if (low === "uncovered" || says(t, k, "lid", "off")) act.lid = "off";
    if (["squeezing", "wringing", "wrung", "squeezed"].includes(low)) act.how = "wrung";
    if (["pressing", "pressed"].includes(low) && act.deed === "strain") act.how = "pressed";
    if (low === "losing") {
      const loses = amountBehind(this.text, t, k + 1, this.system);
      if (loses) act.loses = loses;
    }
    if (low === "hot" && act.deed === "bottle") act.hot = true;
    const share = this.shareBefore(k);
    if (share !== undefined) act.share = share;
  }

  /** “a third full”, “half of the way”, “halfway”. */
  private shareBefore(k: number): number | undefined {
    const { t } = this;
    const { low } = t[k]!;
    if (low === "halfway") return 1 / 2;
    if (low === "jar" && says(t, k - 2, "of", "the")) return this.numberBefore(k - 2);
    if (low !== "full" && !(low === "way" && (says(t, k - 2, "of", "the") || says(t, k - 1, "half"))))
      return undefined;
    return this.numberBefore(k);
  }

  private numberBefore(k: number): number | undefined {
    const { t } = this;
    for (let from = Math.max(0, k - 5); from < k; from++) {
      const n = numberAt(t, from);
      if (n && !isFault(n) && n.span.value < 1 && n.next >= k - 3) return n.span.value;
    }
    return undefined;
  }
}

/** Everything a sentence says to do, in order. */
export const actsOf = (
  text: string,
  t: readonly Token[],
  named: (k: number) => boolean,
  system: UnitSystem,
  degrees: "C" | "F",
): Act[] => new ActReader(text, t, named, system, degrees).run();
