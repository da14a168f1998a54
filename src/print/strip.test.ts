/** The strip for the glass, read back out of its own PDF: every pour-to line stands where the jar is filled to, to a third of a millimetre. */
import { describe, expect, test } from "@jest/globals";
import { inflateSync } from "node:zlib";
import { VESSELS } from "../core/vessel/catalogue";
import { isPot } from "../core/vessel/vessel";
import type { StripWords } from "../core/label/strip";
import { MM_PER_PT } from "../core/label/layout";
import { stripPdf, stripSet } from "./strip-file";

const jars = [...VESSELS.values()].filter((v) => !isPot(v) && v.solid.brimCm >= 6);

/** A strip for a jar with lines at these shares of its height. */
const words = (brimCm: number, shares: readonly number[]): StripWords => ({
  code: "OX-26-03",
  name: "Hyssop & fennel oxymel",
  begun: "10 Nov 2026",
  strain: ["strain from 15 December", "by 5 January 2027"],
  care: "shake, weekly",
  ticks: "shake",
  weeks: 6,
  brimCm,
  marks: shares.map((s, i) => ({
    cm: s * brimCm,
    figure: `${(s * brimCm).toFixed(1)} cm`,
    words: ["herbs", "vinegar", "honey"][i]!,
  })),
  scan: "OX-26-03",
});

/** Orders of a PDF's pages, inflated. */
function orders(pdf: Buffer): string {
  const raw = pdf.toString("latin1");
  return [...raw.matchAll(/stream\r?\n/g)]
    .map((m) => {
      const from = m.index + m[0].length;
      try {
        return inflateSync(Buffer.from(raw.slice(from, raw.indexOf("endstream", from)), "latin1")).toString(
          "latin1",
        );
      } catch {
        return "";
      }
    })
    .join("\n");
}
/** Level strokes on the page, mm down from the page's top: pdfkit turns the page over first, so y runs downwards as it is written. */
const strokes = (pdf: Buffer): { y: number; from: number; to: number }[] =>
  [...orders(pdf).matchAll(/([\d.-]+) ([\d.-]+) m\s+([\d.-]+) ([\d.-]+) l\s/g)]
    .map((m) => m.slice(1).map(Number) as [number, number, number, number])
    .filter(([, a, , b]) => Math.abs(a - b) < 1e-6)
    .map(([x, y, to]) => ({ y: y * MM_PER_PT, from: x * MM_PER_PT, to: to * MM_PER_PT }));

describe("the strip", () => {
  test("of every jar its lines stand within 0.3 mm of where it is filled to, over the line of its floor", async () => {
    let lines = 0;
    for (const v of jars) {
      const w = words(v.solid.brimCm, [0.22, 0.5, 0.86]);
      const at = strokes(await stripPdf(w));
      // The floor is the one line across the whole width.
      const widest = Math.max(...at.map((s) => s.to - s.from));
      const floor = at
        .filter((s) => s.to - s.from > widest - 0.1)
        .map((s) => s.y)
        .sort((a, b) => b - a)[0]!;
      for (const m of w.marks) {
        const nearest = Math.min(...at.map((s) => Math.abs(floor - s.y - 10 * m.cm)));
        expect([v.id, m.cm, nearest <= 0.3]).toEqual([v.id, m.cm, true]);
        lines++;
      }
    }
    expect(lines).toBeGreaterThan(30);
  });

  test("nothing stands on anything else, and what has no room is told", () => {
    for (const v of jars) {
      const l = stripSet(words(v.solid.brimCm, [0.22, 0.5, 0.86]));
      const boxes = l.items.flatMap((i): [number, number, number, number, string][] => {
        if (i.kind === "text") {
          const wide = i.text.length * i.pt * MM_PER_PT * 0.42;
          return [[i.x, i.y - i.pt * MM_PER_PT * 0.7, i.x + wide, i.y, i.text]];
        }
        if (i.kind === "code") return [[i.x, i.y, i.x + i.side, i.y + i.side, "the code"]];
        if (i.kind === "box") return [[i.x, i.y, i.x + i.width, i.y + i.height, "a box"]];
        return [];
      });
      const wrong: string[] = [];
      for (const [j, a] of boxes.entries())
        for (const b of boxes.slice(j + 1)) {
          const across = Math.min(a[2], b[2]) - Math.max(a[0], b[0]);
          const down = Math.min(a[3], b[3]) - Math.max(a[1], b[1]);
          // A week's number stands in its box.
          const inside =
            (a[4] === "a box" || b[4] === "a box") && /^\d+$/.test(a[4] === "a box" ? b[4] : a[4]);
          if (across > 0.3 && down > 0.3 && !inside) wrong.push(`${a[4]} on ${b[4]}`);
        }
      expect([v.id, wrong]).toEqual([v.id, []]);
      for (const [x0, y0, x1, y1, what] of boxes)
        expect([v.id, what, x0 >= 0 && y0 >= 0 && x1 <= l.widthMm + 0.5 && y1 <= l.heightMm]).toEqual([
          v.id,
          what,
          true,
        ]);
      const said = l.items.flatMap((i) => (i.kind === "text" ? [i.text] : [])).join(" ");
      for (const must of ["OX-26-03", "strain from 15 December", "shake, weekly"])
        expect([v.id, must, said.includes(must) || l.leftOut.includes(must)]).toEqual([v.id, must, true]);
      const ticks = l.items.filter((i) => i.kind === "box").length;
      expect([v.id, ticks === 6 || l.leftOut.includes("a box a week")]).toEqual([v.id, true]);
    }
  });
});
