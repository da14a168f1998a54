import { expect } from "@jest/globals";
import { readFileSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { bare } from "../src/core/quantity/carried";
import { RULES_VERSION } from "../src/core/reckoning/reckon";

const PLACE = join(process.cwd(), "tests/golden");

/** A figure to five places, so that what moves by a hundredth of a per cent is seen. */
export const figure = (x: number | undefined): string =>
  x === undefined ? "–" : String(Number(x.toPrecision(5)));

/**
 * What a room says of a table of cases, line by line, beside what it said when it was last looked through. A line that moves is a figure, a life or a
 * sentence that moved: if that was meant, the rules' version goes up and the page is written anew (`JOLLY_GOLDEN=write`) and read before it is kept.
 */
export function golden(name: string, lines: readonly string[]): void {
  const file = join(PLACE, `${name}.txt`);
  // A quantity a sentence carries is read here as a metric kitchen would.
  const is = [`rules ${RULES_VERSION}`, ...lines.map(bare)];
  if (process.env["JOLLY_GOLDEN"] === "write") writeFileSync(file, `${is.join("\n")}\n`);
  const was = readFileSync(file, "utf8").replace(/\n$/, "").split("\n");
  // The first that differ say more than a page of them.
  const moved = is.flatMap((line, i) => (line === was[i] ? [] : [`${line}   (was ${was[i] ?? "nothing"})`]));
  expect(moved.slice(0, 12)).toEqual([]);
  expect(is).toHaveLength(was.length);
}
