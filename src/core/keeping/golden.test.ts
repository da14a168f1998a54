import { golden } from "../../../tests/golden";
import { type KeepingMap, keepingMap, regionAt } from "./map";
import { LIVES, daysFrom, endOf, shorter } from "./life";

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
