/** Looks at a household and says what it found, and what would mend it; `--mend` mends what loses nothing. Exit 0 well, 1 not. */
import { statfsSync } from "node:fs";
import { connect } from "../src/store/db";
import { migrationsIn } from "../src/store/migrate";
import { type Finding, allFindings, mendTables, summary } from "../src/store/soundness";
import { MIGRATIONS, mustBeThere, urlOf } from "./databases";

const say = (line: string): void => void process.stdout.write(`${line}\n`);
const LEAST_DISK = 200_000_000;
const DAY_MS = 86_400_000;

function diskFindings(): Finding[] {
  const home = process.env["JOLLY_HOME"] ?? ".";
  const s = statfsSync(home);
  const free = s.bavail * s.bsize;
  if (free > LEAST_DISK) return [];
  return [
    {
      what: `The disk of ${home} has ${Math.round(free / 1e6)} MB left.`,
      mend: "Make room: what is typed waits in the browser until there is.",
      mendable: false,
    },
  ];
}

/** A clock that stands before what was written last dates everything new by that. */
function clockFindings(last: Date | null): Finding[] {
  const behind = last ? last.getTime() - Date.now() : 0;
  if (behind <= DAY_MS) return [];
  return [
    {
      what: `This machine’s clock stands ${Math.round(behind / DAY_MS)} days before the last entry.`,
      mend: "Set the clock. Entries written meanwhile are dated as the last one.",
      mendable: false,
    },
  ];
}

async function versionFindings(sql: ReturnType<typeof connect>): Promise<Finding[]> {
  const newest = migrationsIn(MIGRATIONS).length;
  const [at] = await sql<{ n: number | null }[]>`select max(number) as n from migration`;
  if (at!.n === newest) return [];
  const newer = (at!.n ?? 0) > newest;
  return [
    {
      what: `The household is at step ${at!.n}, this build knows ${newest}.`,
      mend: newer ? "Start the newer build." : "./jolly start brings it up, after a backup.",
      mendable: false,
    },
  ];
}

/** @param demo the demo’s clock stands where its journal was written; it is not measured by this machine’s */
async function main(name: string, mend: boolean): Promise<number> {
  await mustBeThere(name);
  const sql = connect(urlOf(name), 2);
  try {
    const versions = await versionFindings(sql);
    if (versions.length > 0) return told(name, versions, false);
    say(`“${name}”: ${await summary(sql)}; Node.js ${process.versions.node}`);
    const [last] = await sql<{ at: Date | null }[]>`select max(recorded_at) as at from event`;
    const found = [
      ...diskFindings(),
      ...(name === "demo" ? [] : clockFindings(last!.at)),
      ...(await allFindings(sql)),
    ];
    const mendable = found.filter((f) => f.mendable);
    if (mend && mendable.length > 0) await mendTables(sql);
    return told(name, found, mend);
  } finally {
    await sql.end();
  }
}

function told(name: string, found: readonly Finding[], mend: boolean): number {
  for (const f of found) {
    const mended = mend && f.mendable;
    say(`${mended ? "mended" : "wrong"}: ${f.what}`);
    say(
      `  ${f.mend}${f.mendable && !mend ? ` ./jolly doctor --household ${name} --mend does it; nothing is lost.` : ""}`,
    );
  }
  const left = found.filter((f) => !(mend && f.mendable));
  if (left.length === 0) say("All is well.");
  return left.length === 0 ? 0 : 1;
}

const args = process.argv.slice(2);
const at = args.indexOf("--household");
main(at >= 0 ? (args[at + 1] ?? "demo") : "demo", args.includes("--mend")).then(
  (code) => process.exit(code),
  (e: Error) => {
    process.stderr.write(`jolly: ${e.message}\n`);
    process.exit(2);
  },
);
