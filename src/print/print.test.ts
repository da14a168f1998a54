import { describe, expect, test } from "@jest/globals";
import { inflateSync } from "node:zlib";
import type { Label } from "../core/label/label";
import jsQR from "jsqr";
import sharp from "sharp";
import type { LabelLayout } from "../core/label/layout-item";
import { LEAST_PT, MM_PER_PT, layOut, wrap } from "../core/label/layout";
import { PAGES, gridCells } from "../core/label/sheet";
import { LABEL_SORTS, SORT_SIZES } from "../core/label/sorts";
import { measure, runsOf, withoutGlyph } from "./fonts";
import { labelSvg, laidOut, printed, sheetPdf, singlesPdf } from "./label-files";
import { LabelRequest, sizeOf } from "./request";

const LABEL: Label = {
  code: "OX-26-02",
  name: "Hyssop & fennel oxymel",
  kind: "oxymel",
  volume: "250 mL",
  contents: "heather honey, cider vinegar, hyssop, fennel seed",
  made: "18 October 2026",
  strained: "29 November 2026",
  bestBy: "28 May 2027",
  ownDate: false,
  keep: "Keep cool and dark.",
  opened: "Once opened: fridge, one year at most.",
  taken: "A spoonful in the morning.",
  cautions: [
    "Contains honey: never for a child under 12 months.",
    "Not in pregnancy or nursing without licensed advice.",
  ],
};
const asBottle = (label: Label) => ({ sort: "bottle", label, from: "Lock Cottage No. 9" }) as const;
const BOTTLE = asBottle(LABEL);
const LONG: Label = {
  ...LABEL,
  name: "Meadowsweet, lime-blossom, blackberry-leaf and late hawthorn oxymel from the towpath hedge",
  contents: Array.from({ length: 14 }, (_, i) => `ingredient number ${i}`).join(", "),
};

const pages = (pdf: Buffer): number[][] =>
  [...pdf.toString("latin1").matchAll(/\/MediaBox \[([\d. ]+)\]/g)].map((m) =>
    m[1]!.trim().split(" ").map(Number),
  );
/** The drawing orders of every page, inflated. */
const drawn = (pdf: Buffer): string => {
  const out: string[] = [];
  const raw = pdf.toString("latin1");
  for (const m of raw.matchAll(/stream\r?\n/g)) {
    const from = m.index + m[0].length;
    try {
      out.push(
        inflateSync(Buffer.from(raw.slice(from, raw.indexOf("endstream", from)), "latin1")).toString(
          "latin1",
        ),
      );
    } catch {
      // a font or an image
    }
  }
  return out.join("\n");
};

describe("the layout of a label", () => {
  test.each([
    [80, 50],
    [100, 60],
    [70, 36],
    [50, 30],
  ])("%p by %p mm: all of it inside, none under six points", (w, h) => {
    const l = layOut(LABEL, w, h, measure);
    expect(l.pt).toBeGreaterThanOrEqual(LEAST_PT);
    for (const i of l.items) {
      if (i.kind !== "text") continue;
      expect(i.pt).toBeGreaterThanOrEqual(LEAST_PT);
      expect(i.y).toBeLessThanOrEqual(h);
      const right = i.anchor === "end" ? i.x : i.x + measure(i.text, i.face, i.pt);
      expect(right).toBeLessThanOrEqual(w + 0.01);
    }
  });
  test("on a small one the least needful goes, never the date, the place or honey's warning, and the maker is told", () => {
    const l = layOut(LONG, 50, 30, measure);
    const said = l.items.flatMap((i) => (i.kind === "text" ? [i.text] : [])).join(" ");
    expect(said).toContain("Best by 28 May 2027");
    expect(said).toContain("Keep cool and dark.");
    expect(said.replace(/- /g, "")).toContain("never for a child under 12 months.");
    expect(l.leftOut.length).toBeGreaterThan(0);
  });
  test("a word longer than the label is broken, not run over", () => {
    const lines = wrap("Llanfairpwllgwyngyllgogerychwyrndrobwll", 20, "bold", 9, measure);
    expect(lines.length).toBeGreaterThan(1);
    for (const t of lines) expect(measure(t, "bold", 9)).toBeLessThanOrEqual(20);
  });
});

describe("the millimetre grid", () => {
  test("starts at any cell and turns the page", () => {
    const g = gridCells(5, 80, 50, PAGES.a4, 8);
    expect([g.across, g.down]).toEqual([2, 5]);
    expect(g.cells[0]).toEqual({ page: 0, x: 8, y: 8 + 4 * 52 });
    expect(g.cells[2]).toEqual({ page: 1, x: 8, y: 8 });
  });
  test("a label larger than the page has no cell", () =>
    expect(gridCells(1, 300, 300, PAGES.a4).cells).toEqual([]));
});

describe("the PDF", () => {
  test("a single label's page is the label, to a fifth of a millimetre, with its fonts in it", async () => {
    const pdf = await singlesPdf([BOTTLE, BOTTLE], 80, 50);
    const boxes = pages(pdf);
    expect(boxes.length).toBe(2);
    for (const b of boxes) {
      expect(Math.abs(b[2]! * MM_PER_PT - 80)).toBeLessThan(0.2);
      expect(Math.abs(b[3]! * MM_PER_PT - 50)).toBeLessThan(0.2);
    }
    expect(pdf.toString("latin1").match(/\/FontFile[23]?/g)!.length).toBeGreaterThanOrEqual(3);
  });
  test("on a sheet every label's outline stands where the grid says, at its size", async () => {
    const start = 3;
    const pdf = await sheetPdf([BOTTLE, BOTTLE, BOTTLE], 80, 50, PAGES.a4, start);
    expect(pages(pdf)[0]!.map((x) => Math.round(x * MM_PER_PT * 10) / 10)).toEqual([0, 0, 210, 297]);
    const orders = drawn(pdf);
    const { cells } = gridCells(3, 80, 50, PAGES.a4, start);
    const places = [...orders.matchAll(/1 0 0 1 ([\d.]+) ([\d.]+) cm/g)].map((m) => [
      Number(m[1]) * MM_PER_PT,
      Number(m[2]) * MM_PER_PT,
    ]);
    for (const c of cells)
      expect(places.some(([x, y]) => Math.abs(x! - c.x) < 0.2 && Math.abs(y! - c.y) < 0.2)).toBe(true);
    const outlines = [...orders.matchAll(/0 0 ([\d.]+) ([\d.]+) re/g)].map((m) => [
      Number(m[1]) * MM_PER_PT,
      Number(m[2]) * MM_PER_PT,
    ]);
    expect(outlines.length).toBe(3);
    for (const [w, h] of outlines) {
      expect(Math.abs(w! - 80)).toBeLessThan(0.2);
      expect(Math.abs(h! - 50)).toBeLessThan(0.2);
    }
  });
});

describe("the SVG", () => {
  test("is the same layout, its words as text, and nothing in it runs", () => {
    const svg = labelSvg(laidOut({ ...LABEL, name: `<script>alert("x")</script> & co` }, 80, 50));
    expect(svg).toMatch(/^<svg [^>]*width="80mm" height="50mm" viewBox="0 0 80 50">/);
    expect(svg).not.toContain("<script");
    expect(svg).toContain("Best by 28 May 2027");
  });
});

describe("what may be asked for", () => {
  test("sizes are bounded, nonsense is refused", () => {
    expect(sizeOf("999x999")).toEqual({ widthMm: 190, heightMm: 250 });
    expect(LabelRequest.safeParse({ size: "big" }).success).toBe(false);
    expect(LabelRequest.safeParse({ start: "-4" }).success).toBe(false);
    expect(LabelRequest.parse({})).toEqual({
      size: "80x50",
      sheet: "single",
      sort: "bottle",
      start: 1,
      with: [],
    });
    expect(LabelRequest.safeParse({ sort: "tattoo" }).success).toBe(false);
  });
});

describe("letters of every alphabet", () => {
  test.each([
    ["Žluťoučký kůň", 2],
    ["Шиповник с мёдом", 1],
    ["Θυμάρι και μέλι", 1],
    ["דבש טימין", 1],
  ])("%s is set in fonts that have them, each letter once", (name, fonts) => {
    expect(withoutGlyph(name)).toEqual([]);
    const runs = runsOf(name, "plain");
    expect(new Set(runs.map((r) => r.font)).size).toBeGreaterThanOrEqual(fonts);
    expect([...runs.map((r) => r.text).join("")].sort()).toEqual([...name].sort());
    expect(runs.map((r) => r.text).join("")).not.toContain("?");
  });
  test("what no font has is told before printing, and shown as missing", () => {
    expect(withoutGlyph("Honey 蜂蜜")).toEqual(["蜂", "蜜"]);
    expect(laidOut({ ...LABEL, name: "Honey 蜂蜜" }, 80, 50).noGlyph).toEqual(["蜂", "蜜"]);
    expect(laidOut(LABEL, 80, 50).noGlyph).toEqual([]);
    expect(
      runsOf("a蜂b", "plain")
        .map((r) => r.text)
        .join(""),
    ).toBe("a?b");
  });
  test("a name in two directions: what reads from the right stands to the right of what is read after it", () => {
    // Letters of a word keep the order they are read in; the font turns them.
    const runs = runsOf("Honey דבש טוב 250", "plain").map((r) => r.text.trim());
    expect(runs.filter((t) => t !== "")).toEqual(["Honey", "250", "טוב", "דבש"]);
    expect(runsOf("דבש שלוםж", "plain").at(-1)!.text).toBe("ж");
  });
  test("an accented letter written as two signs stays with its mark", () =>
    expect(runsOf("e\u0301", "plain").length).toBeLessThanOrEqual(2));
  test("the PDF holds the fonts it needed", async () => {
    const latin = await singlesPdf([asBottle(LABEL)], 80, 50);
    const more = await singlesPdf([asBottle({ ...LABEL, name: "Шиповник" })], 80, 50);
    const fonts = (pdf: Buffer): number => pdf.toString("latin1").match(/\/FontFile[23]?/g)!.length;
    expect(fonts(more)).toBe(fonts(latin) + 1);
  });
  test("signs that steer a machine break neither the SVG nor the PDF", () => {
    const odd = { ...LABEL, name: "Thyme\u0001\u0008 oxymel\u202e", taken: "a spoon\nat night" };
    const svg = labelSvg(laidOut(odd, 80, 50));
    expect(svg).toContain("Thyme oxymel");
    expect(/[\u0000-\u0008\u000e-\u001f\u202e]/.test(svg)).toBe(false);
  });
});

/** What a camera makes out in a picture; nothing where it makes out no code. */
async function seenIn(picture: Buffer): Promise<string | undefined> {
  const { data, info } = await sharp(picture).ensureAlpha().raw().toBuffer({ resolveWithObject: true });
  return jsQR(new Uint8ClampedArray(data), info.width, info.height)?.data;
}
/** The one page of a PDF in pixels, as far as its filled rectangles go. Its drawing orders count from the top, as they turn the page over. */
function inked(pdf: Buffer, pixelsAPoint: number): Buffer {
  const [, , width, height] = pages(pdf)[0]!;
  const rects = [...drawn(pdf).matchAll(/^([\d.]+) ([\d.]+) ([\d.]+) ([\d.]+) re$/gm)].map((m) =>
    m.slice(1, 5).map((x) => (Number(x) * pixelsAPoint).toFixed(2)),
  );
  const [w, h] = [width! * pixelsAPoint, height! * pixelsAPoint].map(Math.ceil);
  const ink = rects.map(([x, y, a, b]) => `<rect x="${x}" y="${y}" width="${a}" height="${b}"/>`).join("");
  return Buffer.from(
    `<svg xmlns="http://www.w3.org/2000/svg" width="${w}" height="${h}"><rect width="${w}" height="${h}" fill="#fff"/>${ink}</svg>`,
  );
}
const SCANNED: Label = {
  ...LABEL,
  code: "OX-26-02·3",
  scan: "OX-26-02.3",
  alcohol: "About 12 % vol",
  notJuice: true,
};
const textOf = (l: LabelLayout): string =>
  l.items.flatMap((i) => (i.kind === "text" ? [i.text] : [])).join(" ");
/** Whether no text runs into a code, nor off the label. */
function clear(l: LabelLayout): boolean {
  const code = l.items.find((i) => i.kind === "code");
  return l.items.every((i) => {
    if (i.kind !== "text") return true;
    const share = { start: 0, middle: 0.5, end: 1 }[i.anchor];
    const left = i.x - measure(i.text, i.face, i.pt) * share;
    const right = left + measure(i.text, i.face, i.pt);
    const over = code?.kind === "code" && right > code.x + 0.01 && i.y > code.y + 0.5;
    return left >= -0.01 && right <= l.widthMm + 0.01 && i.y <= l.heightMm && !over;
  });
}

describe("labels of every sort", () => {
  const sizes = LABEL_SORTS.flatMap((s) =>
    s === "jar" ? [] : SORT_SIZES[s].map((size) => [s, size] as const),
  );
  test.each(sizes)(
    "for %s, %s mm: all inside, nothing under six points, nothing over the code",
    (sort, size) => {
      const { widthMm, heightMm } = sizeOf(size);
      const l = printed({ sort, label: SCANNED, from: "Lock Cottage No. 9" }, widthMm, heightMm);
      expect(clear(l)).toBe(true);
      expect(l.pt).toBeGreaterThanOrEqual(LEAST_PT);
      expect(textOf(l)).toContain("28 May 2027");
      expect(textOf(l)).toContain("OX-26-02·3");
    },
  );
  test("the code is read back from the pixels of the PDF and of the SVG, its modules no smaller than a third of a millimetre", async () => {
    const pdf = await singlesPdf([asBottle(SCANNED)], 80, 50);
    expect(await seenIn(inked(pdf, 4))).toBe("OX-26-02.3");
    const l = printed(asBottle(SCANNED), 80, 50);
    expect(
      await seenIn(
        await sharp(Buffer.from(labelSvg(l)), { density: 300 })
          .png()
          .toBuffer(),
      ),
    ).toBe("OX-26-02.3");
    const code = l.items.find((i) => i.kind === "code");
    expect(code?.kind === "code" && /h([\d.]+)/.exec(code.path!)![1]).toMatch(/^0\.3[3-9]/);
  });
  test("where there is no room for the code it is left out and told; nothing that must stand gives way to it", () => {
    const l = printed(asBottle({ ...SCANNED, cautions: LONG.contents.split(", ") }), 50, 30);
    expect(l.leftOut).toContain("the code to be scanned");
    expect(textOf(l)).toContain("Best by 28 May 2027");
  });
  test("what might be taken for a drink says it is none; alcohol is told", () => {
    const said = textOf(printed(asBottle(SCANNED), 80, 50));
    expect(said).toContain("Not juice.");
    expect(said).toContain("About 12 % vol.");
    expect(textOf(printed(asBottle(LABEL), 80, 50))).not.toContain("Not juice");
  });
  test("a round one keeps every line within its circle", () => {
    const l = printed({ sort: "lid", label: SCANNED, from: "" }, 50, 50);
    const at = l.items.find((i) => i.kind === "circle");
    expect(at).toMatchObject({ x: 25, y: 25, r: 25 });
    for (const i of l.items) {
      if (i.kind !== "text") continue;
      const half = measure(i.text, i.face, i.pt) / 2;
      expect(Math.hypot(half, Math.abs(i.y - 25))).toBeLessThanOrEqual(25);
    }
  });
  test("sixty labels turn the page six times", async () => {
    const pdf = await sheetPdf(
      Array.from({ length: 60 }, () => asBottle(SCANNED)),
      80,
      50,
      PAGES.a4,
      0,
    );
    expect(pages(pdf)).toHaveLength(6);
  });
});
