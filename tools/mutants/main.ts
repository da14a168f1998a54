/**
 * `./jolly mutants [ROOM…]`: breaks the deciding rooms of the core a little, three hundred times a room from a fixed seed (rows, lives and
 * thresholds always among them), and tells which breakages that room's own tests pass over. Renews what docs/mutants.md says of the
 * rooms it ran, each as soon as it is through. By hand, not in CI.
 */
import { existsSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { join, relative } from "node:path";
import { chance } from "../../tests/chance";
import { type Breakage, breakagesOf } from "./breakages";
import { harness } from "./harness";
import { House } from "./house";
import { patience } from "./patience";

const ROOT = join(import.meta.dirname, "../..");
const CORE = join(ROOT, "src/core");
const PAGE = join(ROOT, "docs/mutants.md");
/** What the last run of each room said, so that one room can be run again without the others. */
const LAST = join(ROOT, "tools/mutants/last.json");
const SEED = 20_261_125;
const SAMPLE = 300;
const SWEEP_MS = 4000;
/** Deciding rooms, the share their tests must notice, and whose tests beside their own speak for them. */
const ROOMS: Readonly<Record<string, { readonly aim: number; readonly also: readonly string[] }>> = {
  keeping: { aim: 85, also: [] },
  cautions: { aim: 85, also: [] },
  mixture: { aim: 85, also: ["reckoning/reckoning.test.ts", "reckoning/golden.test.ts"] },
  reckoning: { aim: 75, also: ["advice/solving.test.ts"] },
  care: { aim: 75, also: ["advice/planning.test.ts", "journal/journal.test.ts"] },
  label: { aim: 75, also: ["journal/journal.test.ts"] },
  cellar: { aim: 75, also: [] },
};

const filesIn = (room: string): string[] =>
  (readdirSync(join(CORE, room), { recursive: true }) as string[])
    .filter((f) => f.endsWith(".ts"))
    .map((f) => join(CORE, room, f))
    .sort();

/** The sample of a room: all of its data, and the rest by lot. */
function sampleOf(files: readonly string[]): Breakage[] {
  const all = files.flatMap((f) => breakagesOf(f, readFileSync(f, "utf8")));
  const c = chance(SEED);
  const shuffle = (xs: readonly Breakage[]): Breakage[] =>
    xs
      .map((x) => [c.next(), x] as const)
      .sort((a, b) => a[0] - b[0])
      .map(([, x]) => x);
  const data = shuffle(all.filter((b) => b.data));
  const rest = shuffle(all.filter((b) => !b.data));
  return [...data, ...rest].slice(0, SAMPLE);
}

interface Told {
  readonly room: string;
  readonly tried: number;
  readonly killed: number;
  /** One line a breakage that no test noticed. */
  readonly survivors: readonly string[];
  readonly minutes: number;
}

const lineOf = (b: Breakage): string =>
  `\`${relative(CORE, b.file)}:${b.line}\` ${b.words.replace(/\s+/g, " ").slice(0, 90)}`;

async function tryRoom(room: string): Promise<Told> {
  const began = Date.now();
  const files = filesIn(room);
  const tests = [
    ...files.filter((f) => f.endsWith(".test.ts")),
    ...ROOMS[room]!.also.map((f) => join(CORE, f)),
  ];
  const sources = files.filter((f) => !f.endsWith(".test.ts"));
  const house = new House();
  house.open(tests);
  const quickFirst: [number, string][] = [];
  for (const t of tests) {
    harness.clear();
    patience(Infinity);
    house.declareWhole(t);
    const at = Date.now();
    const failed = await harness.run();
    if (failed) throw new Error(`${relative(ROOT, t)} fails unbroken: ${failed}`);
    const took = Date.now() - at;
    // Sweeps over thousands of plans are left to the ordinary run: three hundred of them would take the day.
    if (took < SWEEP_MS) quickFirst.push([took, t]);
  }
  quickFirst.sort((a, b) => a[0] - b[0]);
  const survivors: Breakage[] = [];
  const sample = sampleOf(sources);
  for (const [i, b] of sample.entries()) {
    if (i % 50 === 0)
      process.stderr.write(`${room}: ${i} of ${sample.length}, ${survivors.length} passed over\n`);
    const text = readFileSync(b.file, "utf8");
    const broken = text.slice(0, b.at) + b.to + text.slice(b.at + b.length);
    let killed = false;
    for (const [usual, t] of quickFirst) {
      harness.clear();
      patience(10 * usual + 5000);
      try {
        house.declare(t, b.file, broken);
        killed = (await harness.run()) !== undefined;
      } catch {
        killed = true;
      }
      if (killed) break;
    }
    if (!killed) survivors.push(b);
  }
  const minutes = (Date.now() - began) / 60_000;
  const killed = sample.length - survivors.length;
  return { room, tried: sample.length, killed, survivors: survivors.map(lineOf), minutes };
}

function pageOf(told: readonly Told[]): string {
  const share = (t: Told): number => Math.round((100 * t.killed) / t.tried);
  const head = `# Can the tests fail?\n\nMade by \`./jolly mutants\`, seed ${SEED}: small breakages of the rooms that decide, and how many of them their tests notice.\n\n| room | tried | noticed | wanted | minutes |\n|---|---|---|---|---|\n`;
  const rows = told.map(
    (t) => `| ${t.room} | ${t.tried} | ${share(t)} % | ${ROOMS[t.room]!.aim} % | ${t.minutes.toFixed(1)} |`,
  );
  const lists = told.map(
    (t) => `## Passed over in ${t.room}\n\n${t.survivors.map((b) => `- ${b}`).join("\n") || "None."}\n`,
  );
  return `${head}${rows.join("\n")}\n\n${lists.join("\n")}`;
}

/** What is on record, with what this run found in the place of what an earlier one found. */
function renew(told: Told): void {
  const before: Told[] = existsSync(LAST) ? (JSON.parse(readFileSync(LAST, "utf8")) as Told[]) : [];
  const byRoom = new Map([...before, told].map((t) => [t.room, t]));
  const now = Object.keys(ROOMS).flatMap((room) => byRoom.get(room) ?? []);
  writeFileSync(LAST, `${JSON.stringify(now, undefined, 2)}\n`);
  writeFileSync(PAGE, pageOf(now));
}

async function main(): Promise<void> {
  const asked = process.argv.slice(2);
  const rooms = asked.length > 0 ? asked : Object.keys(ROOMS);
  for (const r of rooms)
    if (!ROOMS[r]) throw new Error(`the deciding rooms are ${Object.keys(ROOMS).join(", ")}`);
  for (const room of rooms) {
    const told = await tryRoom(room);
    renew(told);
    process.stdout.write(
      `${room}: ${told.killed} of ${told.tried} noticed, ${told.minutes.toFixed(1)} min\n`,
    );
    for (const b of told.survivors) process.stdout.write(`  ${b}\n`);
  }
}
void main();
