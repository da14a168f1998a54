import { describe, expect, test } from "@jest/globals";
import { exactly } from "../../../tests/facts";
import { type WorkingJar, workingVerdict } from "./working";

const JAR: WorkingJar = {
  abv: exactly(0),
  ph: exactly(7),
  water: exactly(90),
  acetic: exactly(0),
  index: exactly(0),
  glycerol: exactly(0),
  dryHoney: false,
  unknownVinegar: false,
  unmixed: false,
};
type Figure = "abv" | "ph" | "water" | "acetic" | "index" | "glycerol";
const jar = (f: Partial<Record<Figure, number>>, more: Partial<WorkingJar> = {}): WorkingJar => ({
  ...JAR,
  ...Object.fromEntries(Object.entries(f).map(([k, v]) => [k, exactly(v)])),
  ...more,
});

describe("both sides of every line", () => {
  test.each<[Partial<Record<Figure, number>>, Partial<WorkingJar>, string, string]>([
    [{ abv: 25 }, {}, "room", "spirit"],
    [{ abv: 24.999 }, {}, "room", "weak-spirit"],
    [{ abv: 20 }, {}, "room", "weak-spirit"],
    [{ abv: 19.999 }, {}, "fridge", "none"],
    [{ acetic: 2, ph: 4.2 }, {}, "room", "acid"],
    [{ acetic: 1.999, ph: 4.2 }, {}, "fridge", "none"],
    [{ acetic: 2, ph: 4.201 }, {}, "fridge", "none"],
    [{ acetic: 1.2, ph: 4.2, index: 63 }, {}, "room", "acid-and-sugar"],
    [{ acetic: 1.199, ph: 4.2, index: 63 }, {}, "fridge", "none"],
    [{ acetic: 1.2, ph: 4.201, index: 63 }, {}, "fridge", "none"],
    [{ acetic: 1.2, ph: 4.2, index: 62.999 }, {}, "fridge", "none"],
    [{ acetic: 3, ph: 3, index: 90 }, { unmixed: true }, "fridge", "none"],
    [{ glycerol: 60 }, {}, "room", "glycerin"],
    [{ glycerol: 59.999 }, {}, "fridge", "none"],
    [{ water: 20 }, { dryHoney: true }, "room", "honey"],
    [{ water: 20.001 }, { dryHoney: true }, "fridge", "none"],
    [{ water: 17 }, { dryHoney: false }, "fridge", "none"],
  ])("%j %j works at %s, for %s", (f, more, place, because) =>
    expect(workingVerdict(jar(f, more))).toMatchObject({ place, because }),
  );
  test("weak spirit stands two weeks and no longer; nothing else has an end", () => {
    expect(workingVerdict(jar({ abv: 21 })).mostDays).toBe(14);
    expect(workingVerdict(jar({ abv: 30 })).mostDays).toBeUndefined();
    expect(workingVerdict(jar({ acetic: 2, ph: 4 })).mostDays).toBeUndefined();
  });
  test("a vinegar nobody knows the strength of is named as the reason", () =>
    expect(workingVerdict(jar({ acetic: 1 }, { unknownVinegar: true })).words).toContain("not known"));
});

describe("every figure is read at the end that hurts", () => {
  test.each<[Partial<WorkingJar>]>([
    [{ abv: { value: 26, low: 24.9, high: 27 } }],
    [{ acetic: { value: 2.2, low: 1.9, high: 2.5 }, ph: exactly(3) }],
    [{ acetic: exactly(3), ph: { value: 4, low: 3.8, high: 4.21 } }],
    [{ acetic: exactly(1.5), ph: exactly(3), index: { value: 65, low: 62.9, high: 67 } }],
    [{ acetic: { value: 1.3, low: 1.19, high: 1.4 }, ph: exactly(3), index: exactly(80) }],
    [{ glycerol: { value: 61, low: 59.9, high: 62 } }],
    [{ dryHoney: true, water: { value: 19.8, low: 19.6, high: 20.01 } }],
  ])("%j is not enough", (f) => {
    const v = workingVerdict({ ...JAR, ...f });
    expect(v.place === "fridge" || v.because === "weak-spirit").toBe(true);
  });
});
