/** The real outbox over the real store, by drawn schedules: signals that go, replies that are lost, pages that are closed, two devices at one jar. */
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import { ENTRIES, type JournalEvent, readBody } from "../../src/core/journal/events";
import { fold } from "../../src/core/journal/fold";
import { mayFollow } from "../../src/core/journal/may-follow";
import type { Letter, Post } from "../../src/outbox/letter";
import { memoryBox } from "../../src/outbox/memory-box";
import { Outbox, type Outcome } from "../../src/outbox/outbox";
import { withUnsent } from "../../src/outbox/unsent";
import { eventsOf } from "../../src/store/append";
import { begin } from "../../src/store/commands";
import { EventRequest, write } from "../../src/store/entries";
import { BATCHES } from "../../src/store/journal";
import { type Chance, chance } from "../chance";
import {
  type Happening,
  type Schedule,
  type Stood,
  type Wrote,
  broken,
  scheduleOf,
  shownWrongly,
} from "../outbox-schedules";
import { thymeOxymel } from "../plans";
import { share } from "../share";
import { type Household, newHousehold } from "../support";

process.env["JOLLY_NOW_FROZEN"] = "2026-11-24T09:00:00Z";
let home: Household;
beforeAll(async () => void (home = await newHousehold()));
afterAll(() => home.drop());

const AWAY = { name: "Away", message: "away", path: [] };
const STREAM = {
  entries: ENTRIES,
  readBody,
  fold,
  mayFollow: (b: Parameters<typeof mayFollow>[0], t: string) => mayFollow(b, t as never),
};

/** A device: what it keeps outlasts its pages, and its signal comes and goes. */
class Device {
  readonly box = memoryBox();
  outbox: Outbox;
  events: readonly JournalEvent[] = [];
  up = true;
  lost = 0;
  clock = Date.parse("2026-11-24T09:00:00Z");
  /** Calls that are due when time passes. */
  private due: { readonly at: number; readonly call: () => void }[] = [];
  readonly open: Promise<Outcome>[] = [];

  constructor(
    readonly on: number,
    readonly batch: string,
    readonly c: Chance,
  ) {
    this.outbox = this.opened();
  }
  private opened(): Outbox {
    return new Outbox(this.box, this.post, {
      now: () => this.clock,
      later: (ms, call) => {
        const due = { at: this.clock + ms, call };
        this.due.push(due);
        return () => void (this.due = this.due.filter((d) => d !== due));
      },
      alone: (work) => work(),
    });
  }
  private readonly post: Post = async (_url, body) => {
    if (!this.up || this.c.next() < this.lost) return { is: "away", fault: AWAY };
    // As the route reads it.
    const request = EventRequest.parse(JSON.parse(JSON.stringify(body)));
    const w = await write(home.sql, this.batch, request);
    if (!this.up || this.c.next() < this.lost) return { is: "away", fault: AWAY };
    if (!w.ok) return { is: "refused", fault: w.fault, ...(w.state ? { seq: w.state.seq } : {}) };
    return { is: "taken", answer: { seq: w.state.seq, entry: w.seq, id: this.batch, already: w.already } };
  };
  async look(): Promise<void> {
    if (this.up) this.events = await eventsOf(home.sql, BATCHES, this.batch);
    await this.outbox.look();
  }
  /** The journal as this device shows it. */
  get shown(): readonly JournalEvent[] {
    const { letters } = this.outbox.state();
    return withUnsent(this.events, this.batch, letters, STREAM, { zone: "UTC", timeOf: (ms) => ms });
  }
  get notes(): readonly string[] {
    return (fold(this.shown)?.diary ?? []).flatMap((e) =>
      e.type === "noted" && !e.correctedBy ? [(e.body as { text: string }).text] : [],
    );
  }
  say(type: string, body: unknown): Promise<Outcome> {
    const seen = fold(this.shown)!.seq;
    const letter = {
      key: randomUUID(),
      url: `/api/batches/${this.batch}`,
      stream: this.batch,
      wroteAt: this.clock,
      builtOn: type === "strained" || type === "corrected",
      happened: true,
    };
    const outcome = this.outbox.write({ ...letter, body: { type, body, seen } }, 1);
    this.open.push(outcome);
    return outcome;
  }
  reload(): void {
    this.outbox.close();
    this.due = [];
    this.outbox = this.opened();
  }
  async pass(ms: number): Promise<void> {
    this.clock += ms;
    const now = this.due.filter((d) => d.at <= this.clock);
    this.due = this.due.filter((d) => d.at > this.clock);
    for (const d of now) d.call();
    if (now.length > 0) await this.outbox.flush();
  }
  get refused(): readonly Letter[] {
    return this.outbox.state().letters.filter((l) => l.state === "refused");
  }
  get unsent(): number {
    return this.outbox.state().letters.filter((l) => l.state === "waiting").length;
  }
}

const STRAINED = { measured: "700 mL", how: "wrung" } as const;

class Trial {
  readonly wrote: (Wrote & { outcome?: Outcome | undefined })[] = [];
  readonly wrong: string[] = [];
  constructor(readonly devices: readonly Device[]) {}

  private bodyOf(what: Wrote["what"], text: string): readonly [string, unknown] {
    if (what === "note") return ["noted", { text }];
    return what === "touch" ? ["touched", { what: "shake" }] : ["strained", STRAINED];
  }
  private async write(d: Device, what: Wrote["what"]): Promise<void> {
    const w: Wrote & { outcome?: Outcome } = {
      on: d.on,
      nth: this.wrote.length,
      text: `${what} ${this.wrote.length} by ${d.on}`,
      what,
      takenBack: false,
      dropped: false,
    };
    this.wrote.push(w);
    const said = d.say(...this.bodyOf(what, w.text));
    void said.then((o) => {
      w.outcome = o;
      // Told beside its field: what was typed is the maker's, and they let it be.
      if (o.is === "refused") w.dropped = true;
    });
    // Some presses are followed by the next before they were answered.
    if (d.c.next() < 0.7) await said.catch(() => undefined);
  }
  private async takeBack(d: Device, back: number): Promise<void> {
    await d.look();
    const own = this.wrote.filter((w) => w.on === d.on && w.what === "note" && !w.takenBack && !w.dropped);
    const w = own.at(-back);
    const entry = fold(d.shown)?.diary.find(
      (e) => e.type === "noted" && (e.body as { text: string }).text === w?.text,
    );
    if (!w || !entry) return;
    w.takenBack = true;
    const outcome = await d.say("corrected", { seq: entry.seq, body: null });
    if (outcome.is === "refused") w.takenBack = false;
  }
  async step(h: Happening): Promise<void> {
    for (const d of h.on === "all" ? this.devices : [this.devices[h.on]!]) {
      if (h.does === "write") await this.write(d, h.what);
      else if (h.does === "take-back") await this.takeBack(d, h.back);
      else if (h.does === "cut") d.up = false;
      else if (h.does === "back") d.up = true;
      else if (h.does === "lose") d.lost = h.share;
      else if (h.does === "reload") {
        // What was under way is left where it is; who waited for it is gone.
        d.reload();
        await d.outbox.look();
      } else if (h.does === "wait") await d.pass(h.s * 1000);
      else await d.look();
      // A taking back that was refused waits for the maker; until then the note stands.
      const asks = d.refused.some((l) => l.body["type"] === "corrected");
      if (h.does === "look" && !asks) this.wrong.push(...shownWrongly(this.ofWrote(), d.on, d.notes));
    }
  }
  private ofWrote(): readonly Wrote[] {
    return this.wrote;
  }
  /** Everything is back: all is sent, and what was refused is dropped, or said again first. */
  async end(): Promise<void> {
    for (const d of this.devices) [d.up, d.lost] = [true, 0];
    for (let round = 0; round < 60; round++) {
      for (const d of this.devices) {
        await d.look();
        await d.outbox.flush();
        await d.pass(20_000);
        const [first] = d.refused;
        if (!first) continue;
        // Somebody else wrote meanwhile: the maker looks at what stands there now, and says it again.
        if (first.body["type"] === "corrected" && first.fault?.name === "ChangedMeanwhile") {
          await d.outbox.again(first.n, { seen: fold(d.events)!.seq });
          continue;
        }
        this.drop(first);
        await d.outbox.drop(first.n);
      }
      if (this.devices.every((d) => d.unsent === 0 && d.refused.length === 0)) return;
    }
    this.wrong.push("something was never sent");
  }
  private drop(l: Letter): void {
    const { type, body } = l.body as { type: string; body: { text?: string; seq?: number } };
    const on = this.devices.findIndex((d) => d.refused.includes(l));
    if (type === "noted") this.wrote.find((w) => w.text === body.text)!.dropped = true;
    else if (type === "corrected") this.backDropped(on, l);
    else {
      const what = type === "touched" ? "touch" : "strain";
      const nth = this.devices[on]!.outbox.state().letters.filter(
        (x) => x.n < l.n && x.body["type"] === type && x.state === "refused",
      ).length;
      const its = this.wrote.filter(
        (w) => w.on === on && w.what === what && !w.dropped && w.outcome?.is !== "written",
      );
      its[nth]!.dropped = true;
    }
  }
  private backDropped(on: number, l: Letter): void {
    const back = this.wrote.filter((w) => w.on === on && w.takenBack);
    throw new Error(`a taking back of one's own was refused: ${l.fault?.message} (${back.length})`);
  }
}

async function tried(s: Schedule): Promise<readonly string[]> {
  const id = randomUUID();
  const plan = thymeOxymel();
  const begun = await begin(home.sql, { id, key: randomUUID(), plan, reasons: {} }, plan);
  if (!begun.ok) throw new Error(begun.fault.message);
  const c = chance(s.seed + 77);
  const trial = new Trial(Array.from({ length: s.devices }, (_, on) => new Device(on, id, c)));
  for (const d of trial.devices) await d.look();
  for (const h of s.happenings) await trial.step(h);
  await trial.end();
  const journal = await home.sql<Stood[]>`
    select seq, type, coalesce(body->>'text', '') as text, (body->>'seq')::int as of from event where stream_id = ${id} order by seq`;
  const both = await Promise.all(
    trial.devices.map(async (d) => (await d.look(), JSON.stringify(fold(d.shown)))),
  );
  const differ = new Set(both).size > 1 ? ["the devices differ in the end"] : [];
  return [...trial.wrong, ...broken(trial.wrote, journal), ...differ].map((w) => `${s.seed}: ${w}`);
}

const FIRST = Number(process.env["JOLLY_SEED"] ?? 1);
const MANY = Number(process.env["JOLLY_SCHEDULES"] ?? share(75));

describe("an outbox", () => {
  test(`${MANY} schedules of cuts, lost replies, reloads and two devices lose nothing, double nothing, keep the order`, async () => {
    const wrong: string[] = [];
    for (let seed = FIRST; seed < FIRST + MANY; seed++) wrong.push(...(await tried(scheduleOf(seed))));
    expect(wrong).toEqual([]);
  }, 600_000);
});
