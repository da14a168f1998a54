import { chance } from "../../../tests/chance";
import { KEEPS_NOTHING, exactly } from "../../../tests/facts";
import { figure, golden } from "../../../tests/golden";
import { type KeepingMap, keepingMap, regionAt } from "./map";
import { LIVES, daysFrom, endOf, shorter } from "./life";
import { type Measurement, withMeasured } from "./measurement";
import type { Ends, Facts } from "./rows";
import { type Reading, coolingHistory } from "./temperature";
import { VETO_IDS, shorterVerdict, verdictOf } from "./verdict";

const LETTER = { cupboard: "c", fridge: "f", "use-now": "." } as const;

/** The drawing of where plain liquids keep, a letter a cell. */
const drawn = (up: KeepingMap["up"]): string[] => {
  const m = keepingMap(up);
  return [
    `${up}: ${m.mostAcross} across, ${m.mostUp} up`,
    ...m.cells.map((row, i) => `${m.upward[i]!.toFixed(3)} ${row.map((r) => LETTER[r]).join("")}`).reverse(),
  ];
};

test("the map of places, for what is sour and for what is strong", () => {
  golden("keeping-map", [...drawn("acetic"), ...drawn("abv")]);
});

test("where a place ends, to a tenth of a degree and a hundredth of a per cent", () => {
  const edges = (["acetic", "abv"] as const).flatMap((up) =>
    [0, 0.3, 0.49, 0.5, 0.51, 0.7, 1, 2, 3, 4, 5, 10, 20, 25, 38].map((u) => {
      const at = Array.from({ length: 900 }, (_, i) => i / 10);
      const turns = at.filter((bx, i) => i > 0 && regionAt(up, bx, u) !== regionAt(up, at[i - 1]!, u));
      const places = [0, ...turns].map((bx) => `${LETTER[regionAt(up, bx, u)]} from ${bx}`);
      return `${up} ${u}: ${places.join(", ")}`;
    }),
  );
  golden("keeping-edges", edges);
});

test("lives, and the days they are up", () => {
  const lives = Object.values(LIVES);
  golden("keeping-lives", [
    ...lives.flatMap((l) =>
      ["2026-11-29", "2026-08-31", "2027-02-28", "2028-02-29", "2026-12-31"].map(
        (from) => `${l.words} from ${from}: ${endOf(l, from)}, ${daysFrom(l, from)} days`,
      ),
    ),
    ...lives.map((l) => lives.map((o) => shorter(l, o)?.words ?? "none").join(" ")),
    `none: ${shorter(LIVES.m1, null)?.words ?? "none"} ${shorter(null, LIVES.m1)?.words ?? "none"}`,
  ]);
});

const ends = (e: Ends): string => `${figure(e.value)} ${figure(e.low)} ${figure(e.high)}`;
const QUANTITIES = Object.keys(KEEPS_NOTHING).filter(
  (k) => typeof KEEPS_NOTHING[k as keyof Facts] === "object",
);

/** Liquids by lot: any sweetness, sourness and strength, each known only so well. */
function liquids(seed: number, n: number): readonly Facts[] {
  const c = chance(seed);
  const known = (from: number, to: number): Ends => {
    const value = c.from(from, to);
    const off = c.next() * 0.15 * value;
    return { value, low: value - off, high: value + off };
  };
  return Array.from({ length: n }, (): Facts => {
    const [strong, sour] = [c.next() < 0.4, c.next() < 0.6];
    const brix = known(5, 84);
    return {
      ...KEEPS_NOTHING,
      brix,
      abv: strong ? known(2, 45) : exactly(0),
      aw: known(0.6, 0.99),
      dryness: known(0.6, 0.99),
      acetic: sour ? known(0.2, 5) : exactly(0),
      acid: sour ? known(0.2, 6) : exactly(0),
      ph: known(2.8, 6),
      index: known(20, 110),
      delle: known(20, 160),
      water: exactly(100 - brix.value),
      glycerol: c.next() < 0.2 ? known(2, 70) : exactly(0),
      honeyAlone: c.next() < 0.15,
      rawHoney: c.next() < 0.3,
      boiledAndBottledHot: c.next() < 0.4,
      freshFruit: c.next() < 0.3,
      fresh: (["none", "mild", "low-acid"] as const)[Math.floor(c.next() * 3)]!,
    };
  });
}

test("what a strip, a meter, a refractometer and a hydrometer change of sixty liquids", () => {
  const c = chance(88);
  const sugars = { mono: 18, di: 9 };
  const measured = (): Measurement => {
    const at = {
      hours: [0, 20, 47, 48, 60][Math.floor(c.next() * 5)]!,
      ...(c.next() < 0.1 ? { lapsed: true } : {}),
    };
    const sort = c.next();
    if (sort < 0.2) return { what: "ph", by: "meter", value: c.from(0.5, 13), ...at };
    if (sort < 0.4) return { what: "ph", by: "strip", value: c.from(2, 6), coloured: c.next() < 0.5, ...at };
    if (sort < 0.75)
      return { what: "brix", by: "refractometer", value: c.from(-2, 92), herbSolids: c.from(-1, 4), ...at };
    return { what: "gravity", by: "hydrometer", value: c.from(0.97, 1.46), ...at };
  };
  const lines = liquids(12, 60).map((f, i) => {
    const ms = [measured(), ...(i % 3 === 0 ? [measured()] : [])];
    // Every other one is a plain syrup, so that nothing in it bends an instrument.
    const plain = { ...f, abv: exactly(0), glycerol: exactly(0), acetic: exactly(0.3) };
    const { facts, refused } = withMeasured(i % 2 === 0 ? plain : f, ms, sugars);
    const said = ms.map((m) => `${m.by} ${figure(m.value)} ${m.hours} h`).join(", ");
    const now = QUANTITIES.map((q) => `${q} ${ends(facts[q as keyof Facts] as Ends)}`).join(" · ");
    return `${said}: ${now} | ${refused.map((r) => `${r.name} ${r.message}`).join("; ")}`;
  });
  const edge = (m: Measurement): string => {
    const { facts, refused } = withMeasured(
      { ...KEEPS_NOTHING, brix: exactly(30), ph: exactly(4) },
      [m],
      sugars,
    );
    return `${JSON.stringify(m)}: ph ${ends(facts.ph)} brix ${ends(facts.brix)} ${refused.map((r) => r.name).join()}`;
  };
  const edges = [1, 12, 0.99, 12.01].map((value) => edge({ what: "ph", by: "meter", value, hours: 48 }));
  const sweet = [0, 90, -0.01, 90.01].map((value) =>
    edge({ what: "brix", by: "refractometer", value, herbSolids: 0, hours: 48 }),
  );
  const dense = [0.98, 1.45, 0.979, 1.451, 1.34, 1.35, 1].map((value) =>
    edge({ what: "gravity", by: "hydrometer", value, hours: 48 }),
  );
  golden("keeping-measured", [...lines, ...edges, ...sweet, ...dense]);
});

test("eighty coolings, in order and out of it, once heated again or not, of what may grow something and what may not", () => {
  const c = chance(61);
  const cooled = Array.from({ length: 80 }, (_, i) => {
    const readings: Reading[] = [];
    let [minute, celsius] = [c.from(-20, 30), c.from(20, 98)];
    for (let k = 0; k < 2 + Math.floor(c.next() * 6); k++) {
      readings.push({ minute: Math.round(minute), celsius: Math.round(celsius) });
      minute += c.from(10, 130);
      celsius = c.next() < 0.12 ? 80 : Math.max(3, celsius - c.from(0, 40));
    }
    if (i % 7 === 0) readings.reverse();
    const liquid = { phHigh: c.from(4.4, 5.2), aw: c.from(0.9, 0.99) };
    const now = i % 2 === 0 ? Math.round(minute) : undefined;
    const h = coolingHistory(readings, liquid, now);
    const said = readings.map((r) => `${r.minute}:${r.celsius}`).join(" ");
    return `${said} now ${now ?? "–"} ph ${figure(liquid.phHigh)} aw ${figure(liquid.aw)}: ${figure(h.to21)} ${figure(h.to5)} ${figure(h.between)} ${h.outcome} ${h.words}`;
  });
  const bad = { phHigh: 5, aw: 0.97 };
  // Just in time, and just not.
  const lines = [119, 120, 121, 239, 240, 241].map(
    (m) =>
      `21 °C after ${m}: ${
        coolingHistory(
          [
            { minute: 0, celsius: 60 },
            { minute: m, celsius: 21 },
            { minute: m + 30, celsius: 5 },
          ],
          bad,
        ).words
      }`,
  );
  const both = [359, 360, 361].map(
    (m) =>
      `5 °C after ${m}: ${
        coolingHistory(
          [
            { minute: 0, celsius: 60 },
            { minute: 60, celsius: 21 },
            { minute: m, celsius: 5 },
          ],
          bad,
        ).words
      }`,
  );
  const edges = [4.6, 4.61].flatMap((phHigh) =>
    [0.92, 0.921].map(
      (aw) => `${phHigh} ${aw}: ${coolingHistory([{ minute: 0, celsius: 80 }], { phHigh, aw }).outcome}`,
    ),
  );
  golden("keeping-cooled", [...cooled, ...lines, ...both, ...edges]);
});

test("two hundred liquids judged, with what was noticed of them, and the shorter of each two", () => {
  const c = chance(5);
  const judged = liquids(77, 200).map((f) => {
    const vetoes = VETO_IDS.filter(() => c.next() < 0.08);
    return { v: verdictOf(f, vetoes), vetoes };
  });
  golden(
    "keeping-judged",
    judged.map(({ v, vetoes }, i) => {
      const other = judged[(i * 7 + 3) % judged.length]!.v;
      const next =
        v.next &&
        `${v.next.row.id} lacks ${v.next.lacks.map((d) => `${d.condition.quantity} ${figure(d.at)}`).join(", ")}`;
      return `${vetoes.join(",") || "plain"}: ${v.place} ${v.life.words} fridge ${v.fridge.words} opened ${v.opened.words} ${[v.openedInCupboard, v.coolDark, v.vented, v.quick].join(" ")} ${v.openedCold?.words ?? "–"} by ${v.row.id} (${v.vetoes.map((x) => x.id).join(",")}); next ${next ?? "none"}; shorter ${shorterVerdict(v, other) === v ? "this" : "other"}`;
    }),
  );
});
