import { type Raw, sift, thinned } from "./sift";

const START = 1_000_000_000;
const at = (seconds: number, value: number, more: Partial<Raw> = {}): Raw => ({
  ...{ what: "temperature", by: "probe", ms: START + seconds * 1000, value },
  ...more,
});
const NOW = START + 3_600_000;

test.each<[string, Raw, string]>([
  ["a probe at 850 °C", at(20, 850), "out-of-range"],
  ["98 to 20 °C in five seconds", at(5, 20), "jump"],
  ["tomorrow", at(86_400, 60), "in-the-future"],
])("%s is kept aside and the rest are used", (_, bad, why) => {
  const sound = [at(0, 98), at(60, 96), at(120, 94)];
  const { used, aside } = sift([...sound, bad], NOW);
  expect(aside).toEqual([{ reading: bad, why }]);
  expect(used).toEqual(sound);
});

test("a slow fall of the same size is no jump", () => {
  expect(sift([at(0, 98), at(600, 20)], NOW).aside).toEqual([]);
});

test("a scale that goes backward while pouring is set aside, its breath is not", () => {
  const g = (s: number, value: number): Raw => at(s, value, { what: "weight", by: "scale" });
  const readings = [g(0, 100), g(1, 160), g(2, 158.5), g(3, 90), g(4, 220)];
  expect(sift(readings, NOW, true).aside.map((x) => x.reading.value)).toEqual([90]);
  expect(sift(readings, NOW).aside).toEqual([]);
});

test("a hot probe that shows one figure for minutes hangs; one read by hand does not", () => {
  const same = Array.from({ length: 60 }, (_, i) => at(i * 5, 71.3));
  const { used, aside } = sift(same, NOW);
  expect(aside.length).toBeGreaterThan(20);
  expect(aside.every((x) => x.why === "stale")).toBe(true);
  expect(used.length).toBeGreaterThan(20);
  expect(
    sift(
      same.map((r) => ({ ...r, by: "dial" })),
      NOW,
    ).aside,
  ).toEqual([]);
});

test("of each minute the middle reading is left", () => {
  const two = [at(0, 90), at(20, 70), at(40, 91), at(60, 88)];
  const minute = Math.floor(START / 60_000) * 60_000;
  const aligned = two.map((r, i) => ({ ...r, ms: minute + i * 20_000 }));
  expect(thinned(aligned).map((r) => r.value)).toEqual([90, 88]);
});
