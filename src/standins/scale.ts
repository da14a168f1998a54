import { bell } from "./chance";
import { type StandIn, button, field, page } from "./serve";

const NOISE = 0.5;
const MOST = 10_000;
/** It comes to rest so long after something was put on, ms. */
const RESTS = 1200;

/** A kitchen scale: what is put on adds up; it can be set to nought by itself or by the app. */
export function scale(seed: number, now: () => number): StandIn {
  const noise = bell(seed);
  let [on, tare, moved, dropped]: [number, number, number, number] = [0, 0, 0, 0];
  let [frozen, jitter, shown]: [boolean, number, number] = [false, 1, 0];
  const show = (): number => {
    const settling = Math.max(0, 1 - (now() - moved) / RESTS);
    if (!frozen) shown = Math.round(on - tare + noise() * NOISE * jitter + 40 * settling * noise());
    return Math.max(-MOST, Math.min(MOST, shown));
  };
  const toNought = (): void => {
    tare = on;
  };
  return {
    hello: {
      ...{ say: "hello", version: 1, sort: "scale", id: "scale-1", name: "Kitchen scale" },
      ...{ unit: "g", low: 0, high: MOST, sd: 1 },
    },
    every: 500,
    figure: () => ({ say: "reading", value: show(), stable: now() - moved > RESTS }),
    command: (what) => {
      if (what !== "tare") return { say: "status", ok: false, words: "a scale can only be set to nought" };
      toNought();
      return { say: "status", ok: true, words: "set to nought" };
    },
    line: () => now() >= dropped,
    act: (form) => {
      const g = Number(form.get("g"));
      switch (form.get("do")) {
        case "put":
          if (Number.isFinite(g)) [on, moved] = [Math.max(0, Math.min(MOST, on + g)), now()];
          break;
        case "empty":
          [on, moved] = [0, now()];
          break;
        case "tare":
          toNought();
          break;
        case "drop":
          dropped = now() + 20_000;
          break;
        case "freeze":
          frozen = !frozen;
          break;
        case "jitter":
          jitter = jitter === 1 ? 10 : 1;
          break;
      }
    },
    page: () =>
      page(
        "Kitchen scale",
        `<p><output>${show()} g</output>${frozen ? " frozen" : ""}${now() < dropped ? " line down" : ""}</p>
${button("put", "put on", field("g", "40", "g"))}${button("tare", "set to nought")}${button("empty", "take all off")}
${button("drop", "drop the line for 20 s")}${button("freeze", frozen ? "thaw" : "freeze")}${button("jitter", "jitter")}`,
      ),
  };
}
