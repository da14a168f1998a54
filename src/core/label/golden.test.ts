import { figure, golden } from "../../../tests/golden";
import { type Said, batchOf } from "../../../tests/trial-journal";
import { addDays } from "../day";
import { type IssuedVerdict, PLACE_CLASSES } from "../journal/events";
import type { Batch } from "../journal/fold";
import { reckonBatch } from "../journal/reckon";
import { KINDS, type Kind } from "../plan/plan";
import { line, made, trial, withSteps } from "../plan/trial";
import { heldBy } from "./held";
import {
  type Label,
  alcoholWords,
  bestByOf,
  contentsOf,
  daysIn,
  issue,
  keepWords,
  labelOf,
  leftAfterThaw,
  openedWords,
  roughly,
  scanOf,
} from "./label";
import type { LabelLayout, Measure } from "./layout-item";
import { blocksOf } from "./blocks";
import { layOut, layOutWords, wrap } from "./layout";
import { PAGES, gridCells } from "./sheet";
import { SORT_SIZES, giftWords, jarWords, layOutLid, neckHole, neckWords } from "./sorts";

const FRIDGE: IssuedVerdict = {
  ...{ rules: 2, row: "x", vetoes: [], place: "fridge", days: 90, lifeWords: "three months" },
  ...{ fridgeDays: 90, fridgeWords: "three months", openedDays: 30, openedWords: "one month" },
  ...{ openedInCupboard: false, coolDark: false, vented: false },
};
const VERDICTS: readonly (readonly [string, IssuedVerdict])[] = [
  ["fridge", FRIDGE],
  ["fridge, vented", { ...FRIDGE, vented: true }],
  [
    "cupboard",
    { ...FRIDGE, place: "cupboard", days: 180, fridgeDays: 365, openedDays: 60, openedInCupboard: true },
  ],
  ["cool and dark", { ...FRIDGE, place: "cupboard", days: 60, fridgeDays: 180, coolDark: true }],
  [
    "opened as long",
    { ...FRIDGE, place: "cupboard", days: 365, fridgeDays: 300, openedDays: 365, openedInCupboard: true },
  ],
  [
    "opened longer in the cold",
    {
      ...FRIDGE,
      place: "cupboard",
      days: 365,
      openedDays: 90,
      openedInCupboard: true,
      openedCold: "six months",
    },
  ],
  ["not to be kept", { ...FRIDGE, place: "do-not-keep", days: 0 }],
];
const BEGUN = "2026-11-24";

/** Letters of one width, so that what is measured can be checked by hand: half a point each, bold a tenth more. */
const measure: Measure = (text, face, pt) => text.length * pt * (face === "bold" ? 0.55 : 0.5) * (25.4 / 72);

function batch(kind: Kind, more: object = {}, ...said: readonly Said[]): Batch {
  const plan = trial(
    withSteps(made("oxymel-even", []), [
      {
        do: "add",
        what: [
          line("hyssop", "20 g", { form: "dried" }),
          line("elderberry", "50 g", { form: "frozen" }),
          line("vodka-40", "100 mL"),
          line("cider-vinegar", "400 mL", { strength: "5 %" }),
          line("honey", "300 mL"),
        ],
      },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ]),
    {
      kind,
      name: `Hyssop & elder ${kind}`,
      taken: "A spoon in hot water, morning and evening",
      shake: "every-few-days",
      ...more,
    },
  );
  return batchOf(plan, ...said);
}
const bottled = (kind: Kind, own: object | null = null): Batch =>
  batch(
    kind,
    {},
    [60 * 24 * 28, "strained", { measured: "640 mL", how: "wrung" }],
    [
      60 * 24 * 29,
      "bottled",
      {
        bottles: PLACE_CLASSES.map((place, i) => ({
          ...{
            id: `00000000-0000-4000-8000-00000000000${i}`,
            vessel: "b-250",
            name: "250 mL",
            ml: 180.4 + i,
            place,
          },
        })),
        verdict: FRIDGE,
        own,
      },
    ],
  );
const reckoned = (b: Batch) => {
  const r = reckonBatch(b);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  return r.value;
};
const saysOf = (l: Label): string =>
  Object.entries(l)
    .map(([k, v]) => `${k}: ${Array.isArray(v) ? v.join(" / ") : String(v)}`)
    .join(" | ");
const layout = (l: LabelLayout): string =>
  `${l.widthMm}x${l.heightMm} ${figure(l.pt)} pt left out: ${l.leftOut.join(", ") || "nothing"} | ${l.items
    .map((i) =>
      Object.values(i)
        .map((v) => (typeof v === "number" ? figure(v) : String(v)))
        .join(" "),
    )
    .join(" ; ")}`;

test("words of every verdict in every place", () => {
  const lines = VERDICTS.flatMap(([name, v]) =>
    PLACE_CLASSES.map(
      (place) =>
        `${name} in ${place} | ${daysIn(v, place)} d | ${bestByOf(v, BEGUN, place)} | ${keepWords(v, place)} | ${openedWords(v, place, 14)} | ${openedWords(v, place, 0)} | thaw ${[0, 10, 40, 200].map((n) => leftAfterThaw(v, BEGUN, addDays(BEGUN, n))).join(" ")}`,
    ),
  );
  const rough = [0, 1, 2, 20, 21, 27, 28, 89, 90, 100, 183, 364, 365, 729, 730, 1460].map(
    (n) => `${n} days | ${roughly(n)}`,
  );
  const spirits = [0, 0.4, 0.5, 1.26, 9.96, 10, 39.6].map(
    (x) => `${x} % | ${alcoholWords(x) ?? "not spoken of"}`,
  );
  golden("label-words", [...lines, ...rough, ...spirits, scanOf("OX-26-01"), scanOf("OX-26-01", 3)]);
});

test("a bottle's label of every kind, its own date, its place", () => {
  const lines = KINDS.flatMap((kind) =>
    [null, { bestBy: "2027-01-05", reason: "" }].flatMap((own) => {
      const b = bottled(kind, own);
      const r = reckoned(b);
      return b.bottles.map((x) => saysOf(labelOf(b, x, contentsOf(r.program), r.cautions, undefined, 12)));
    }),
  );
  const issued = reckoned(bottled("oxymel")).reckoning.verdict;
  golden("labels", [...lines, JSON.stringify(issue(issued))]);
});

test("every sort and size, laid out letter by letter", () => {
  const b = bottled("oxymel");
  const r = reckoned(b);
  const label = labelOf(b, b.bottles[0]!, contentsOf(r.program), r.cautions, undefined, 12);
  const long: Label = {
    ...label,
    name: "Great long-winded hyssop, horehound and horseradish oxymel of the lower lock",
    cautions: [...label.cautions, "Not for anyone who takes a blood thinner."],
  };
  const short: Label = { ...label, name: "Sage", contents: "sage, honey", cautions: [], taken: undefined };
  const size = (s: string): [number, number] => s.split("x").map(Number) as [number, number];
  const side = (): number => 12;
  const bare = ({ scan: _, ...l }: Label): Label => l;
  const lines = [label, long, short].flatMap((l, n) => [
    ...SORT_SIZES.bottle.map((s) => `bottle ${n} ${layout(layOut(l, ...size(s), measure, side))}`),
    ...SORT_SIZES.bottle.map((s) => `bottle ${n}, no code ${layout(layOut(bare(l), ...size(s), measure))}`),
    ...SORT_SIZES.neck.map(
      (s) => `neck ${n} ${layout(layOutWords(neckWords(l), ...size(s), measure, side))}`,
    ),
    ...SORT_SIZES.gift.map(
      (s) => `gift ${n} ${layout(layOutWords(giftWords(l, "the lower lock"), ...size(s), measure, side))}`,
    ),
    ...SORT_SIZES.lid.map((s) => `lid ${n} ${layout(layOutLid(l, size(s)[0], measure))}`),
    `tiny ${n} ${layout(layOutLid(l, 14, measure))}`,
  ]);
  const jars = (["twice-daily", "daily", "every-few-days", "when-remembered"] as const).flatMap((shake) => {
    const working = batch("oxymel", { shake });
    return SORT_SIZES.jar.map(
      (s) =>
        `jar ${shake} ${layout(layOutWords(jarWords(working, reckoned(working)), ...size(s), measure, side))}`,
    );
  });
  golden("label-layouts", [
    ...lines,
    ...jars,
    JSON.stringify(neckHole(35)),
    ...blocksOf(label).map((x) => JSON.stringify(x)),
    JSON.stringify(wrap("one two three four five six seven", 20, "bold", 9, measure)),
    JSON.stringify(wrap("unbreakablelongword and more", 12, "plain", 9, measure)),
  ]);
});

test("cells of a sheet, and what holds today of what was issued", () => {
  const grids = (Object.keys(PAGES) as (keyof typeof PAGES)[]).flatMap((page) =>
    (
      [
        [80, 50],
        [50, 30],
        [35, 90],
        [300, 50],
      ] as const
    ).flatMap(([w, h]) =>
      [0, 3, 40].map((start) => {
        const g = gridCells(12, w, h, PAGES[page], start);
        return `${page} ${w}x${h} from ${start} | ${g.across} by ${g.down} | ${g.cells.map((c) => `${c.page}:${figure(c.x)},${figure(c.y)}`).join(" ")}`;
      }),
    ),
  );
  const r = reckoned(bottled("oxymel"));
  const held = VERDICTS.flatMap(([name, v]) =>
    PLACE_CLASSES.map((place) => {
      const is = heldBy(v, r, place);
      const then = heldBy(v, undefined, place);
      return `${name} in ${place} | ${is.shortened} ${is.verdict.place} ${is.verdict.days} ${is.verdict.fridgeDays} ${is.verdict.openedDays} | unreckoned ${then.shortened} ${then.verdict.days}`;
    }),
  );
  golden("label-sheets", [...grids, ...held]);
});
