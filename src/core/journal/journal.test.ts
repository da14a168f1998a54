import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { careOf, dueOn } from "../care/care";
import { addDays, dayAt, daysBetween, instantOf, isDay, printDay } from "../day";
import { bestByOf, contentsOf, labelOf, leftAfterThaw } from "../label/label";
import { line, made } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { UnreadableEvent } from "../envelope";
import { EVENT_TYPES, type JournalEvent, readBody } from "./events";
import { mayFollow } from "./may-follow";
import { fold } from "./fold";
import { reckonBatch } from "./reckon";
import { batchOf as trialBatch } from "../../../tests/trial-journal";

const DEMO = readFileSync(join(__dirname, "../../../demo/lock-cottage.jsonl"), "utf8")
  .trim()
  .split("\n")
  .slice(1)
  .map(
    (l) =>
      JSON.parse(l) as {
        kind: string;
        stream: string;
        seq: number;
        key: string;
        type: string;
        version: number;
        at: string;
        day: string;
        body: unknown;
      },
  );
const stream = (code: string): JournalEvent[] => {
  const id = DEMO.find((e) => (e.body as { code?: string }).code === code)!.stream;
  return DEMO.filter((e) => e.stream === id).map(
    (e) =>
      ({
        type: e.type,
        version: e.version,
        streamId: e.stream,
        seq: e.seq,
        key: e.key,
        at: e.at,
        day: e.day,
        body: readBody(e.type, e.version, e.body),
      }) as JournalEvent,
  );
};
const batch = (code: string) => fold(stream(code))!;
const reckoned = (code: string) => {
  const r = reckonBatch(batch(code));
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};

describe("the journal", () => {
  test("an unknown type or a newer version is refused", () => {
    expect(() => readBody("transmuted", 1, {})).toThrow(UnreadableEvent);
    expect(() => readBody("noted", 2, { text: "x" })).toThrow(UnreadableEvent);
    expect(() => readBody("noted", 1, { text: "" })).toThrow(UnreadableEvent);
  });
  test("folds by the maker's time, whatever order it was written in", () => {
    const events = stream("SY-26-01");
    expect(fold([...events].reverse())).toEqual(fold(events));
  });
  test("a correction replaces what it names and keeps what was there", () => {
    const b = batch("SY-26-01");
    expect(b.measured).toBe("460 mL");
    expect(b.diary.find((e) => e.type === "strained")!.correctedBy).toMatchObject({
      was: { measured: "640 mL" },
      why: "Read the wrong side of the jug.",
    });
    expect(reckoned("SY-26-01").reckoning.strained.ml.value).toBeCloseTo(460, 0);
  });
  test("every demo batch stands as its story says", () => {
    expect(
      Object.fromEntries(
        ["OX-26-01", "FC-26-01", "VI-26-02", "OX-26-02", "SY-26-01"].map((c) => [c, batch(c).state]),
      ),
    ).toEqual({
      "OX-26-01": "bottled",
      "FC-26-01": "discarded",
      "VI-26-02": "strained",
      "OX-26-02": "working",
      "SY-26-01": "bottled",
    });
  });
  test("the demo uses most of the types there are", () => {
    expect([...EVENT_TYPES]).toEqual(
      expect.arrayContaining([...new Set(DEMO.filter((e) => e.kind === "batch").map((e) => e.type))]),
    );
    expect(new Set(DEMO.map((e) => e.type)).size).toBeGreaterThanOrEqual(8);
  });
  test("a top-up goes into the reckoning without taking room from the parts", () => {
    const with_ = reckoned("FC-26-02");
    const without = reckonBatch(fold(stream("FC-26-02").filter((e) => e.type !== "topped-up"))!);
    expect(without.ok && with_.reckoning.jar.ml.value - without.value.reckoning.jar.ml.value).toBeCloseTo(
      60,
      0,
    );
  });
  test("a batch rests on the figures it began with, whatever the catalogue says later", () => {
    const events = stream("OX-26-02").map((e) =>
      e.type === "begun"
        ? {
            ...e,
            body: {
              ...e.body,
              frozen: {
                ...e.body.frozen,
                stuffs: Object.fromEntries(
                  Object.entries(e.body.frozen.stuffs).map(([k, s]) => [
                    k,
                    k.startsWith("hyssop") ? { ...s, bulkLoose: 0.2, bulkPressed: 0.3 } : s,
                  ]),
                ),
              },
            },
          }
        : e,
    ) as JournalEvent[];
    const r = reckonBatch(fold(events)!);
    expect(r.ok && r.value.reckoning.lines[0]!.grams.value).toBeCloseTo(354.882 * 0.2, 0);
  });
  test("nothing happens out of its turn", () => {
    expect(mayFollow(undefined, "strained")).toMatch(/not begun/);
    expect(mayFollow(batch("OX-26-02"), "begun")).toMatch(/begun already/);
    expect(mayFollow(batch("OX-26-02"), "bottled")).toMatch(/Strain/);
    expect(mayFollow(batch("VI-26-02"), "strained")).toMatch(/already/);
    expect(mayFollow(batch("FC-26-01"), "touched")).toMatch(/discarded/);
    expect(mayFollow(batch("OX-26-01"), "noted")).toBeUndefined();
    expect(mayFollow(batch("OX-26-02"), "touched")).toBeUndefined();
  });
});

describe("days", () => {
  test("a day is the household's own, either side of midnight and of the clocks' change", () => {
    expect(dayAt("2026-10-24T23:30:00Z", "Europe/London")).toBe("2026-10-25");
    expect(dayAt("2026-11-24T06:00:00Z", "America/Los_Angeles")).toBe("2026-11-23");
    expect(daysBetween("2026-10-24", "2026-10-26")).toBe(2);
    expect(addDays("2026-10-24", 2)).toBe("2026-10-26");
    expect(instantOf("2026-07-01", "09:00", "Europe/London")).toBe("2026-07-01T08:00:00Z");
    expect([isDay("2027-02-29"), isDay("2028-02-29"), isDay("soon")]).toEqual([false, true, false]);
    expect(printDay("2026-11-24", "weekday", "2026-11-23")).toBe("Tuesday 24 November");
  });
});

test("a day that might be taken for another year's is said with its year", () => {
  const said = (day: string): string => printDay(day, "short", "2028-02-15");
  expect(
    ["2028-02-15", "2027-11-24", "2028-08-01", "2027-02-20", "2026-11-24", "2028-11-24"].map(said),
  ).toEqual(["15 Feb", "24 Nov", "1 Aug", "20 Feb 2027", "24 Nov 2026", "24 Nov 2028"]);
  // Of every day about it, none without a year is nearer in another.
  for (let n = -800; n < 800; n++) {
    const day = addDays("2028-02-15", n);
    const bare = said(day).split(" ").length === 2;
    if (bare) expect(Math.abs(n)).toBeLessThan(183);
  }
  expect(printDay("2026-11-24", "year")).toBe("24 November 2026");
});

describe("care", () => {
  const { care } = reckoned("OX-26-02");
  test("six weeks is a window, not a point", () =>
    expect(care.window).toEqual({ earliest: 35, best: 42, latest: 56 }));
  test("a touch missed is due once", () => {
    const due = dueOn(care, "2026-10-18", "2026-10-30", {});
    expect(due.filter((d) => d.sort === "shake").length).toBe(1);
    expect(dueOn(care, "2026-10-18", "2026-10-30", { shake: "2026-10-30" }).map((d) => d.sort)).not.toContain(
      "shake",
    );
  });
  test("shaken twice a day, it is due until it was done twice, and next day again", () => {
    const plan = {
      ...made("oxymel-even", [
        line("sage", "30 g", { form: "dried" }),
        line("cider-vinegar", "400 mL"),
        line("honey", "350 mL"),
      ]),
      shake: "twice-daily" as const,
    };
    const shaken = (times: number): readonly string[] => {
      const b = trialBatch(
        plan,
        ...Array.from(
          { length: times },
          (_, i) => [60 * (24 * 3 + i), "touched", { what: "shake" }] as const,
        ),
      );
      const r = reckonBatch(b);
      if (!r.ok) throw new Error(r.faults[0]!.message);
      const on = (day: string) =>
        dueOn(r.value.care, b.begunDay, day, b.done, undefined, b.often)
          .filter((d) => d.sort === "shake")
          .map((d) => d.why);
      const day = addDays(b.begunDay, 3);
      return [...on(day), "|", ...on(addDays(day, 1))];
    };
    const why = "so that nothing settles dry";
    expect(shaken(0)).toEqual([why, "|", why]);
    expect(shaken(1)).toEqual(["the second time today", "|", why]);
    expect(shaken(2)).toEqual(["|", why]);
  });
  test("the first look falls on day one, and lapses", () => {
    expect(dueOn(care, "2026-10-18", "2026-10-18", {}).map((d) => d.sort)).toEqual([]);
    expect(dueOn(care, "2026-10-18", "2026-10-19", {}).map((d) => d.sort)).toContain("top-up");
    expect(
      dueOn(care, "2026-10-18", "2026-10-19", { "top-up": "2026-10-19" }).map((d) => d.sort),
    ).not.toContain("top-up");
    expect(dueOn(care, "2026-10-18", "2026-11-20", {}).map((d) => d.sort)).not.toContain("top-up");
  });
  test("straining is due from its best day and overdue past its last", () => {
    expect(dueOn(care, "2026-10-18", addDays("2026-10-18", 41), {}).map((d) => d.sort)).not.toContain(
      "strain",
    );
    expect(dueOn(care, "2026-10-18", addDays("2026-10-18", 42), {})).toMatchObject([
      { sort: "strain", overdue: false },
    ]);
    expect(dueOn(care, "2026-10-18", addDays("2026-10-18", 60), {})[0]).toMatchObject({
      sort: "strain",
      overdue: true,
      why: "4 days past its last day",
    });
  });
  test("fresh fruit in honey wants its gas let out", () =>
    expect(reckoned("HO-26-02").care.rules.map((r) => r.sort)).toContain("let-out"));
  test("a weak spirit shortens the window to two weeks", () => {
    const p = resolve(
      made("tincture-jarful", [], {
        steps: [
          {
            do: "add",
            what: [line("hyssop", "10 g", { form: "dried" }), line("sherry", "fill", { strength: "23 %" })],
          },
          { do: "steep", for: "6 weeks" },
          { do: "strain", how: "pressed" },
        ],
      }),
    );
    if (!p.ok) throw new Error(p.faults[0]!.message);
    const r = reckonProgram(p.value);
    expect(careOf(p.value, r.fit, r.working).window!.latest).toBe(14);
  });
});

describe("the label", () => {
  const b = batch("SY-26-01");
  const { program, cautions } = reckoned("SY-26-01");
  test("the fridge bottle has its week, the frozen one a year and what is left when it thaws", () => {
    const [fridge, frozen] = b.bottles.map((x) => labelOf(b, x, contentsOf(program), cautions));
    expect(fridge).toMatchObject({ bestBy: "14 November 2026", keep: "Keep in the fridge, lid loose." });
    expect(frozen).toMatchObject({
      bestBy: "7 November 2027",
      keep: "Keep frozen; thaw in the fridge.",
      opened: "Once thawed: fridge, 7 days at most.",
    });
    expect(leftAfterThaw(b.verdict!, "2026-11-07", "2026-11-10")).toBe(4);
  });
  test("contents stand most first, and honey carries its warning", () => {
    expect(contentsOf(program)).toMatch(/^water, honey, horehound, caraway$/);
    expect(labelOf(b, b.bottles[0]!, "", cautions).cautions[0]).toMatch(/never for a child under 12 months/);
  });
  test("life counts from straining", () =>
    expect(bestByOf(batch("OX-26-01").verdict!, "2026-05-09", "cupboard")).toBe("2026-11-09"));
});
