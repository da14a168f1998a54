import type { Answer } from "../contract/writes";
import type { Fault } from "../core/fault";
import type { Box, Letter, NewLetter, Post } from "./letter";
import { asSent } from "./resolved";

/** What came of a writing while its page still waits for it. `kept`: it is safe here and goes when the house answers. */
export type Outcome =
  | { readonly is: "written"; readonly answer: Answer }
  | { readonly is: "refused"; readonly fault: Fault; readonly seq?: number }
  | { readonly is: "kept"; readonly letter: Letter; readonly fault: Fault };

export interface OutboxState {
  readonly letters: readonly Letter[];
  /** Whether the last that was sent came through; nothing before anything was sent. */
  readonly reached: boolean | undefined;
  /** When the house answered last, ms by this device's clock. */
  readonly lastWordAt: number | undefined;
  /** Keys of what a page is waiting for still: it has been told neither that it is written nor that it is kept. */
  readonly awaited: ReadonlySet<string>;
}
export const NOTHING_KEPT: OutboxState = {
  letters: [],
  reached: undefined,
  lastWordAt: undefined,
  awaited: new Set(),
};

/** Letters that were answered are kept so long, ms, and no more than so many: for pages that were made before. */
const KEEP_ANSWERED_MS = 36 * 60 * 60_000;
const MOST_ANSWERED = 400;
/** Tried again after so many ms at first, and at most. */
const [FIRST_MS, LONGEST_MS] = [250, 15_000];

/** A house that is back answers within this, ms. */
const JUST_BACK_MS = 300;
const NO_ANSWER: Fault = { name: "Away", message: "No answer has come yet.", path: [] };
const BEHIND: Fault = {
  name: "WaitsBehind",
  message: "It is kept here and goes once what was refused before it is settled.",
  path: [],
};

interface Waiting {
  readonly done: (outcome: Outcome) => void;
  /** It is content with its being kept after so many tries in vain. */
  readonly tries: number;
}

export interface Surroundings {
  readonly now: () => number;
  /** Calls back after so many ms. @returns takes it back */
  readonly later: (ms: number, call: () => void) => () => void;
  /** Does a thing while no other page of this device does the same. */
  readonly alone: (work: () => Promise<void>) => Promise<void>;
  /** Told when something here changed, so that other pages of this device look. */
  readonly changed?: () => void;
}

/** One way out of a device: what is written is first kept, then sent, in order, until the house has it or says why not. */
export class Outbox {
  private is = NOTHING_KEPT;
  private readonly listeners = new Set<() => void>();
  private readonly waiting = new Map<string, Waiting>();
  private going: Promise<void> | undefined;
  private asked = false;
  private failed = 0;
  private takeBack: (() => void) | undefined;
  private closed = false;

  constructor(
    private readonly box: Box,
    private readonly post: Post,
    private readonly round: Surroundings,
  ) {}

  readonly state = (): OutboxState => this.is;
  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  /** Looks at what is kept: on opening, and when another page of this device changed it. */
  async look(): Promise<void> {
    await this.refresh();
    this.answerThoseWaiting();
  }

  /**
   * Keeps a letter and sends it. Throws where it cannot be kept.
   * @param tries in vain after which it is told as kept; of a house that was away a moment ago no answer is waited for longer than a moment
   */
  async write(letter: NewLetter, tries = Infinity): Promise<Outcome> {
    const kept = await this.box.put(letter);
    if (kept.state === "written") return { is: "written", answer: kept.answer! };
    // What was refused, or left with a keeper, and is said once more in the same words is tried once more.
    if (kept.state !== "waiting") await this.box.set({ ...kept, state: "waiting" });
    const outcome = new Promise<Outcome>((done) => this.waitFor(letter.key, done, tries));
    await this.refresh();
    this.round.changed?.();
    const isAway = this.is.reached === false;
    void this.flush();
    // A house that is only slow, or just back, may still refuse it, and its field is there to be told.
    if (isAway && tries < Infinity) this.round.later(JUST_BACK_MS, () => this.tellKept(kept, NO_ANSWER));
    return outcome;
  }

  /** Whoever presses the same twice is told twice. */
  private waitFor(key: string, done: Waiting["done"], tries: number): void {
    const before = this.waiting.get(key);
    const both: Waiting["done"] = (outcome) => {
      before?.done(outcome);
      done(outcome);
    };
    this.waiting.set(key, { done: both, tries });
  }

  /** Sends what waits. Asked while it is at it, it goes on until nothing waits. */
  flush(): Promise<void> {
    this.takeBack?.();
    this.takeBack = undefined;
    this.asked = true;
    this.going ??= this.round.alone(async () => {
      try {
        // What was kept after the last look at the box is looked for once more.
        while (this.asked && !this.closed) {
          this.asked = false;
          await this.sendAll();
        }
      } finally {
        // In the same breath as the last look: whoever comes now begins anew.
        this.going = undefined;
      }
    });
    return this.going;
  }

  /** The house answered something else that this device asked it, or did not. */
  heard(answered: boolean): void {
    if (this.is.reached === answered) return;
    this.is = { ...this.is, reached: answered };
    this.tell();
    if (answered) void this.flush();
  }

  /** Says again what was refused: having seen what is there now, or sure of what was asked about. */
  async again(
    n: number,
    more: { readonly seen?: number | undefined; readonly sure?: true } = {},
  ): Promise<void> {
    const l = this.is.letters.find((x) => x.n === n);
    if (l?.state !== "refused") return;
    const { seen = l.body["seen"], ...sure } = more;
    const { fault: _fault, seen: _seen, ...rest } = l;
    await this.box.set({ ...rest, body: { ...l.body, seen, ...sure }, state: "waiting" });
    await this.refresh();
    this.round.changed?.();
    await this.flush();
  }

  /** Left with a keeper: this device was sent away, and sends no more. */
  async handed(keys: ReadonlySet<string>): Promise<void> {
    const answeredAt = this.round.now();
    for (const l of this.is.letters)
      if (l.state === "waiting" && keys.has(l.key)) await this.box.set({ ...l, state: "handed", answeredAt });
    await this.refresh();
    this.round.changed?.();
  }

  /** Lets go of what was refused, and sends what waited behind it. */
  async drop(n: number): Promise<void> {
    if (this.is.letters.find((x) => x.n === n)?.state !== "refused") return;
    await this.box.remove(n);
    await this.refresh();
    this.round.changed?.();
    await this.flush();
  }

  close(): void {
    this.closed = true;
    this.takeBack?.();
  }

  private async sendAll(): Promise<void> {
    while (!this.closed) {
      const letters = await this.box.all();
      const next = nextOf(letters);
      if (!next) break;
      const sent = asSent(letters, next, this.round.now());
      const reply = sent.ok
        ? await this.post(next.url, sent.body)
        : ({ is: "refused", fault: sent.fault, seq: undefined } as const);
      // A page that was closed meanwhile has no say any more; the letter is where it was.
      if (this.closed) return;
      if (reply.is === "away") {
        await this.away(reply.fault);
        return;
      }
      this.failed = 0;
      const answeredAt = this.round.now();
      const waits = this.waiting.get(next.key);
      if (reply.is === "taken")
        await this.box.set({ ...next, state: "written", answer: reply.answer, answeredAt });
      else if (waits) await this.box.remove(next.n);
      else await this.box.set(refusedAs(next, reply.fault, reply.seq, answeredAt));
      this.waiting.delete(next.key);
      await this.refresh({ reached: true, lastWordAt: answeredAt });
      this.round.changed?.();
      if (!waits) continue;
      if (reply.is === "taken") waits.done({ is: "written", answer: reply.answer });
      else
        waits.done({
          is: "refused",
          fault: reply.fault,
          ...(reply.seq === undefined ? {} : { seq: reply.seq }),
        });
    }
    for (const l of this.is.letters) if (l.state === "waiting") this.tellKept(l, BEHIND);
    await this.forgetOld();
  }

  /** Whoever waits for this letter is told that it is kept. */
  private tellKept(letter: Letter, fault: Fault): void {
    const w = this.waiting.get(letter.key);
    this.waiting.delete(letter.key);
    w?.done({ is: "kept", letter, fault });
    if (w) this.tell();
  }

  /** The house does not answer: those who waited long enough are told that it is kept, and it is tried again by and by. */
  private async away(fault: Fault): Promise<void> {
    this.failed++;
    await this.refresh({ reached: false });
    for (const l of this.is.letters)
      if (this.failed >= (this.waiting.get(l.key)?.tries ?? Infinity)) this.tellKept(l, fault);
    const ms = Math.min(LONGEST_MS, FIRST_MS * 2 ** (this.failed - 1));
    this.takeBack = this.round.later(ms, () => void this.flush());
  }

  /** What another page of this device sent meanwhile. */
  private answerThoseWaiting(): void {
    for (const [key, w] of [...this.waiting]) {
      const l = this.is.letters.find((x) => x.key === key);
      if (l?.state === "written") {
        this.waiting.delete(key);
        w.done({ is: "written", answer: l.answer! });
      } else if (l?.state === "refused") {
        this.waiting.delete(key);
        void this.box.remove(l.n).then(() => this.refresh());
        w.done({ is: "refused", fault: l.fault! });
      }
    }
  }

  private async forgetOld(): Promise<void> {
    const answered = this.is.letters.filter((l) => l.state === "written" || l.state === "handed");
    const before = this.round.now() - KEEP_ANSWERED_MS;
    const old = answered.filter((l, i) => i < answered.length - MOST_ANSWERED || l.answeredAt! < before);
    for (const l of old) await this.box.remove(l.n);
    if (old.length > 0) await this.refresh();
  }

  private async refresh(more: Partial<OutboxState> = {}): Promise<void> {
    const letters = await this.box.all();
    this.is = { ...this.is, ...more, letters };
    this.tell();
  }

  private tell(): void {
    this.is = { ...this.is, awaited: new Set(this.waiting.keys()) };
    for (const tell of this.listeners) tell();
  }
}

function refusedAs(l: Letter, fault: Fault, seen: number | undefined, answeredAt: number): Letter {
  return { ...l, state: "refused", fault, answeredAt, ...(seen === undefined ? {} : { seen }) };
}

/** What is sent next: the oldest that waits, of a stream in which nothing that it rests on was refused. */
function nextOf(letters: readonly Letter[]): Letter | undefined {
  const stopped = new Set<string>();
  for (const l of letters) {
    if (l.state === "refused" && l.builtOn === true) stopped.add(l.stream);
    if (l.state === "waiting" && !stopped.has(l.stream)) return l;
  }
  return undefined;
}
