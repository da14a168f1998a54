/** The demo household's season: what it wishes, what it can do, and the plan it kept. Run by hand, it puts these lines into the demo's journal in place of those before. */
import { createHash } from "node:crypto";
import { readFileSync, writeFileSync } from "node:fs";
import { fileURLToPath } from "node:url";
import { instantOf } from "../src/core/day";
import {
  type KeptStart,
  SEASON_ENTRIES,
  type SeasonEventType,
  readSeasonBody,
} from "../src/core/season/events";
import type { Wish } from "../src/core/season/wish";
import { JOURNAL_VERSION } from "../src/store/exchange";
import { KEPT } from "./demo-season-plan";

const FILE = "demo/lock-cottage.jsonl";
const ZONE = "Europe/London";
const uuid = (name: string): string => {
  const h = createHash("sha256").update(`lock-cottage ${name}`).digest("hex");
  return `${h.slice(0, 8)}-${h.slice(8, 12)}-4${h.slice(13, 16)}-a${h.slice(17, 20)}-${h.slice(20, 32)}`;
};

const wish = (remedy: string, kind: Wish["kind"], more: Partial<Wish>): Wish => ({
  ...{
    id: uuid(`wish ${remedy}`),
    remedy,
    kind,
    never: false,
    counts: "some",
    learned: true,
    uses: [],
    gifts: [],
  },
  ...more,
});
const WISHES: readonly Wish[] = [
  wish("Hyssop & fennel oxymel", "oxymel", {
    never: true,
    uses: [
      { people: 3, ml: 10, said: "2 tsp", times: 1, months: [10, 3] },
      { people: 2, ml: 5, said: "1 tsp", times: 0.5, months: [4, 9] },
    ],
    gifts: [{ day: "2026-12-20", count: 2, ml: 100, said: "100 mL" }],
  }),
  wish("Horehound syrup", "syrup", {
    never: true,
    uses: [{ people: 3, ml: 5, said: "1 tsp", times: 1, months: [11, 3] }],
  }),
  wish("Beetroot fire cider", "fire-cider", {
    uses: [{ people: 2, ml: 15, said: "1 tbsp", times: 1, months: [11, 3] }],
    gifts: [{ day: "2027-06-19", count: 4, ml: 100, said: "100 mL" }],
  }),
  wish("Nettle vinegar", "vinegar", {
    uses: [{ people: 2, ml: 15, said: "1 tbsp", times: 1 / 7, months: [1, 12] }],
  }),
  wish("Lime-blossom honey", "honey", {
    uses: [{ people: 2, ml: 5, said: "1 tsp", times: 0.5, months: [9, 4] }],
    counts: "little",
  }),
  wish("Hawthorn tincture", "tincture", {
    uses: [{ people: 1, ml: 2.5, said: "½ tsp", times: 1, months: [1, 12] }],
    counts: "little",
  }),
];

const happened: readonly (readonly [day: string, time: string, type: SeasonEventType, body: unknown])[] = [
  [
    "2026-11-15",
    "18:40",
    "settled",
    {
      terms: {
        hoursWeek: 4,
        hoursDay: 3,
        begins: ["tue", "sat", "sun"],
        fridgeL: 1.5,
        freezerL: 1,
        picked: [],
      },
    },
  ],
  ...WISHES.map((w, i) => ["2026-11-15", `18:${42 + i}`, "wished", { wish: w }] as const),
  ["2026-11-22", "17:10", "planned", { starts: KEPT satisfies readonly KeptStart[] }],
];

/** The lines of the season's journal, for the household of an id. */
export const seasonLines = (household: string): readonly string[] =>
  happened.map(([day, time, type, body], i) => {
    const at = new Date(instantOf(day, time, ZONE)).toISOString();
    const version = SEASON_ENTRIES[type].version;
    const e = { kind: "season", stream: household, seq: i + 1, key: uuid(`season ${i + 1}`), type, version };
    return JSON.stringify({ ...e, at, recordedAt: at, day, body: readSeasonBody(type, version, body) });
  });

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  const [head, ...lines] = readFileSync(FILE, "utf8").trim().split("\n");
  const of = JSON.parse(head!) as { version: number; household: { id: string } };
  const rest = lines.filter((l) => (JSON.parse(l) as { kind?: string }).kind !== "season");
  const first = JSON.stringify({ ...of, version: JOURNAL_VERSION });
  writeFileSync(FILE, `${[first, ...rest, ...seasonLines(of.household.id)].join("\n")}\n`);
}
