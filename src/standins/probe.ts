import { bell } from "./chance";
import { type StandIn, button, field, page } from "./serve";

/** How the pan it stands in is treated. */
type Doing = "rests" | "heats" | "cools";

/** Minutes in which a pan comes two thirds nearer to what is round it, or to the flame's end. */
const [COOLS_IN, HEATS_IN] = [85, 6];
const NOISE = 0.4;

const within = (text: string | null, low: number, high: number, otherwise: number): number => {
  const n = Number(text);
  return Number.isFinite(n) && text !== null && text !== "" ? Math.min(high, Math.max(low, n)) : otherwise;
};

/**
 * A thermometer in a pan. Time in its kitchen may run quicker, so that an afternoon can be gone through in a minute.
 * @param now ms, by any clock
 */
export function probe(seed: number, now: () => number, quick = 1): StandIn {
  const noise = bell(seed);
  const room = 20;
  let [doing, celsius, to, at]: [Doing, number, number, number] = ["rests", room, 98, now()];
  let [dropped, frozen, jitter, lie]: [number, boolean, number, number | undefined] = [
    0,
    false,
    1,
    undefined,
  ];
  let shown = celsius;
  const pass = (): void => {
    const minutes = ((now() - at) / 60_000) * quick;
    at = now();
    if (doing === "heats") celsius = to - (to - celsius) * Math.exp(-minutes / HEATS_IN);
    if (doing === "cools") celsius = room + (celsius - room) * Math.exp(-minutes / COOLS_IN);
  };
  const show = (): number => {
    pass();
    if (lie !== undefined) return lie;
    if (!frozen) shown = Math.round((celsius + NOISE * jitter * noise()) * 10) / 10;
    return shown;
  };
  return {
    hello: {
      ...{ say: "hello", version: 1, sort: "probe", id: "probe-1", name: "Probe thermometer" },
      ...{ unit: "C", low: -20, high: 130, sd: NOISE },
    },
    every: 1000,
    figure: () => ({ say: "reading", value: show(), stable: true }),
    command: () => ({ say: "status", ok: false, words: "a thermometer does nothing but show" }),
    line: () => now() >= dropped,
    act: (form) => {
      pass();
      switch (form.get("do")) {
        case "heat":
          [doing, to, lie] = ["heats", within(form.get("to"), 20, 130, 98), undefined];
          break;
        case "cool":
          [doing, lie] = ["cools", undefined];
          break;
        case "set":
          [doing, celsius, lie] = ["rests", within(form.get("to"), -20, 130, room), undefined];
          break;
        case "drop":
          dropped = now() + 1000 * within(form.get("seconds"), 1, 3600, 20);
          break;
        case "freeze":
          frozen = !frozen;
          break;
        case "jitter":
          jitter = jitter === 1 ? 8 : 1;
          break;
        case "lie":
          lie = 850;
          break;
      }
    },
    page: () =>
      page(
        "Probe thermometer",
        `<p><output>${show()} °C</output> ${doing}${frozen ? ", frozen" : ""}${now() < dropped ? ", line down" : ""}</p>
${button("heat", "heat", field("to", "98", "to °C"))}${button("cool", "begin cooling")}${button("set", "set", field("to", "20", "to °C"))}
${button("drop", "drop the line", field("seconds", "20", "seconds"))}${button("freeze", frozen ? "thaw" : "freeze")}${button("jitter", "jitter")}${button("lie", "say 850 °C")}`,
      ),
  };
}
