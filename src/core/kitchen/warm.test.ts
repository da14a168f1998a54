import { vesselOf } from "../vessel/vessel";
import { type Cooling, ahead, learn, reaches } from "./cooling";
import { panOf } from "./pan";
import { mattersHow, standingWarm } from "./warm";
import { boilsAt, isBoil, vapourPa } from "./water";

const pot = vesselOf({
  ...{ id: "pot", name: "pot", sort: "pot", lid: "metal" },
  shape: { heightCm: 16, diameterCm: 22 },
});
if (!pot.ok) throw new Error("no pot");
const pan = panOf(pot.value.solid, 3000, 3000, 0);

/** Read every five minutes while it falls so fast, °C a minute at the start. */
const falling = (k: number, minutes: number, room = 20): Cooling => ({
  pan,
  stood: [{ minute: 0, as: "lidded" }],
  readings: Array.from({ length: minutes / 5 + 1 }, (_, i) => ({
    ...{ minute: 5 * i, sd: 0.4 },
    celsius: room + (97 - room) * Math.exp(-k * 5 * i),
  })),
  room: { celsius: room, sd: 0.5 },
});

test("three litres under a lid are too slow, and only ice mends it in time", () => {
  const w = standingWarm(learn(falling(0.0055, 120)), 120);
  expect(w.tooSlow).toBe(true);
  expect(w.warmSince).toBeGreaterThan(90);
  const by = new Map(w.mends.map((m) => [m.how, m]));
  expect(by.get("iced-sink")!.inTime).toBe(true);
  expect(by.get("iced-sink")!.to21! - (120 - w.warmSince!)).toBeLessThan(60);
  expect(by.get("lid-off")!.inTime).toBe(false);
});

test("while it is hotter than 60 °C nothing has stood warm", () => {
  expect(standingWarm(learn(falling(0.0055, 30)), 30).warmSince).toBeUndefined();
});

test("what is sour or dry is not asked", () => {
  expect(mattersHow(4.7, 0.99)).toBe(true);
  expect(mattersHow(4.6, 0.99)).toBe(false);
  expect(mattersHow(6, 0.9)).toBe(false);
});

test("a target near the room does not come by itself; in the fridge it does", () => {
  const l = learn(falling(0.0055, 120));
  expect(reaches(l, 25, 120)).toMatchObject({ comes: false });
  expect(reaches(l, 25, 120, "fridge")).toMatchObject({ comes: true });
  expect(reaches(l, 43, 120)).toMatchObject({ comes: true });
});

test("more readings narrow the answer, and open cools sooner than lidded", () => {
  const wide = (c: Cooling): number => {
    const r = reaches(learn(c), 43, c.readings.at(-1)!.minute);
    if (!r.comes) throw new Error("it comes");
    return (r.minute.high - r.minute.low) / (r.minute.value - c.readings.at(-1)!.minute);
  };
  expect(wide(falling(0.0055, 100))).toBeLessThan(wide(falling(0.0055, 10)) / 2);
  const l = learn(falling(0.0055, 20));
  const [lid, open] = [reaches(l, 60, 20), reaches(l, 60, 20, "open")];
  expect(open.comes && lid.comes && open.minute.value < lid.minute.value).toBe(true);
});

test("the course ahead falls, inside its band, and meets the time said", () => {
  const l = learn(falling(0.0055, 60));
  const r = reaches(l, 60, 60);
  const course = ahead(l, 60, 240, 1);
  expect(course).toHaveLength(181);
  expect(course.every((p, i) => p.low < p.celsius && (i === 0 || p.celsius < course[i - 1]!.celsius))).toBe(
    true,
  );
  const under = course.find((p) => p.celsius <= 60);
  expect(r.comes && Math.abs(under!.minute - r.minute.value) <= 1).toBe(true);
});

test("water boils lower in the hills", () => {
  expect(boilsAt(0)).toBeCloseTo(100, 1);
  expect(boilsAt(1500)).toBeCloseTo(95, 0);
  expect(isBoil(95, 1500)).toBe(true);
  expect(isBoil(95, 0)).toBe(false);
  // 12.34 kPa at 50 °C and 2.34 at 20 by the steam tables.
  expect(vapourPa(50) / 12_340).toBeCloseTo(1, 1);
  expect(vapourPa(20) / 2339).toBeCloseTo(1, 2);
});
