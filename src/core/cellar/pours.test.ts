import { bare } from "../quantity/carried";
import { describe, expect, test } from "@jest/globals";
import { numbered } from "../journal/numbers";
import type { BottleNow } from "./bottle";
import { leftHanging } from "./left-hanging";
import { canPour, fromBottles, pourChanges } from "./pours";

const stand = (bottle: string, seq: number, ml: number, batch = "A") => ({ bottle, batch, seq, ml });
const none = (pour: ReturnType<typeof stand>) => ({ pour, ml: 0 });
const want = (ml: number, batch = "A") => ({ batch, ml, line: "l1" });
const now = (id: string, leftMl: number, more: Partial<BottleNow> = {}): BottleNow =>
  ({
    id,
    number: Number(id),
    state: "kept",
    leftMl,
    diary: [],
    openedDay: undefined,
    ...more,
  }) as unknown as BottleNow;

describe("what a making pours out of our bottles", () => {
  test("what stands as it was is not touched, what is missing is poured, what is too much is taken back from the newest", () => {
    const is = [stand("1", 1, 30), stand("2", 1, 20)];
    expect(pourChanges([want(50)], is)).toEqual({ right: [], pour: [] });
    expect(pourChanges([want(65)], is)).toEqual({ right: [], pour: [want(15)] });
    expect(pourChanges([want(30)], is)).toEqual({ right: [none(is[1]!)], pour: [] });
    expect(pourChanges([want(40)], is)).toEqual({ right: [{ pour: is[1], ml: 10 }], pour: [] });
    expect(pourChanges([want(10)], is).right).toEqual([none(is[1]!), { pour: is[0], ml: 10 }]);
    expect(pourChanges([], is).right).toEqual([none(is[1]!), none(is[0]!)]);
    expect(pourChanges([want(5, "B")], is)).toEqual({
      ...{ right: [none(is[1]!), none(is[0]!)], pour: [want(5, "B")] },
    });
  });
  test("an opened bottle first, then by its day; the last gives what the eye misjudged, and nothing is lost", () => {
    const bottles = [
      { is: now("1", 100), bestBy: "2027-05-01" },
      { is: now("2", 100), bestBy: "2027-03-01" },
      { is: now("3", 40, { openedDay: "2026-11-01" }), bestBy: "2027-06-01" },
      { is: now("4", 100, { state: "given" }), bestBy: "2027-01-01" },
    ];
    expect(fromBottles(want(200), "OX", bottles)).toEqual([
      { bottle: "3", ml: 40 },
      { bottle: "2", ml: 100 },
      { bottle: "1", ml: 60 },
    ]);
    expect(fromBottles(want(40.8), "OX", bottles)).toEqual([{ bottle: "3", ml: 40.8 }]);
    expect(fromBottles(want(280), "OX", bottles)).toHaveLength(3);
    expect(fromBottles(want(300), "OX", bottles)).toMatchObject({
      name: "MoreThanIsLeft",
      path: ["lines", "l1"],
    });
    expect([canPour(119, 100), canPour(121, 100)]).toEqual([true, false]);
  });
});

describe("the numbers of a batch's bottles", () => {
  const b = (id: string, number?: number) =>
    ({ id, vessel: "v", name: "n", ml: 100, place: "fridge", ...(number ? { number } : {}) }) as const;
  const events = (...bottlings: readonly (readonly ReturnType<typeof b>[])[]) =>
    bottlings.map((bottles, i) =>
      i === 0
        ? { type: "bottled", seq: 3, body: { bottles } }
        : { type: "corrected", seq: 3 + i, body: { seq: 3, body: { bottles } } },
    ) as never;
  test("stay with the bottle, and are never given again", () => {
    const first = numbered([b("p"), b("q"), b("r")], []);
    expect(first.map((x) => x.number)).toEqual([1, 2, 3]);
    const second = numbered([b("q"), b("r")], events(first as never));
    expect(second.map((x) => x.number)).toEqual([2, 3]);
    const third = numbered([b("s"), b("r"), b("p")], events(first as never, second as never));
    expect(third.map((x) => x.number)).toEqual([4, 3, 1]);
  });
  test("written before numbers were, they go by their place", () => {
    expect(numbered([b("q"), b("n")], events([b("p"), b("q")])).map((x) => x.number)).toEqual([2, 3]);
  });
  test("whatever a request says of them", () => {
    expect(numbered([b("x", 7)], events([b("p")])).map((x) => x.number)).toEqual([2]);
  });
});

describe("what a bottling put right would leave hanging", () => {
  const entry = (type: string, body: object, undone = false) =>
    ({ seq: 1, type, day: "2026-11-20", body, undone }) as never;
  const put = [{ id: "1", vessel: "v", name: "n", ml: 250, place: "fridge" }] as const;
  const told = (b: BottleNow) => leftHanging("OX-26-01", [b], put)?.message;
  test("a bottle something came of does not leave it; what was taken back does not count", () => {
    expect(told(now("2", 250))).toBeUndefined();
    expect(told(now("2", 250, { diary: [entry("given", { to: "Maro" }, true)] }))).toBeUndefined();
    expect(told(now("2", 250, { diary: [entry("given", { to: "Maro" })] }))).toContain(
      "given to Maro on 20 November 2026",
    );
    expect(told(now("2", 250, { diary: [entry("poured", { ml: 5, into: "SY-26-02" })] }))).toContain(
      "into SY-26-02",
    );
  });
  test("nor did it hold less than came out of it", () => {
    const poured = (ml: number) => now("1", 0, { diary: [entry("poured", { ml })] });
    expect(told(poured(280))).toBeUndefined();
    expect(bare(told(poured(300)) ?? "")).toContain("300 mL came out");
  });
});
