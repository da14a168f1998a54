import { describe, expect, test } from "@jest/globals";
import fc from "fast-check";
import { renderToStaticMarkup } from "react-dom/server";
import { createElement } from "react";
import { VESSELS } from "../../core/vessel/catalogue";
import { SUBSTANCES } from "./substance";
import { spread } from "./spread";
import { VesselFigure, described } from "./vessel";

describe("marks", () => {
  test("never stand closer than a line of writing, keep their order and stay on the page", () => {
    fc.assert(
      fc.property(fc.array(fc.double({ min: 0, max: 400, noNaN: true }), { maxLength: 8 }), (heights) => {
        const at = spread(heights, 40, 0, 420);
        const pairs = heights.map((h, i) => [h, at[i]!] as const).sort((a, b) => a[0] - b[0]);
        for (let i = 1; i < pairs.length; i++) {
          if (pairs[i]![1] < pairs[i - 1]![1] - 1e-6) return false;
          if (pairs[i]![1] - pairs[i - 1]![1] < 38) return false;
        }
        return pairs.every(([, y]) => y >= -1e-6 && y <= 420 + 1e-6);
      }),
    );
  });
  test("one alone stands at its own level", () => expect(spread([120], 40, 0, 400)).toEqual([120]));
});

describe("the drawing", () => {
  test("every vessel there is draws, full of everything, without a number that is not one", () => {
    for (const v of VESSELS.values()) {
      const top = v.solid.brimCm - v.headspaceCm;
      const layers = SUBSTANCES.map((substance, i) => ({
        fromCm: (top * i) / SUBSTANCES.length,
        toCm: (top * (i + 1)) / SUBSTANCES.length,
        substance,
      }));
      const svg = renderToStaticMarkup(
        createElement(VesselFigure, {
          profile: v.solid.profile,
          layers,
          marks: layers.map((l) => ({ cm: l.toCm, words: l.substance })),
          lid: v.lid,
          scale: 20,
          measured: true,
          headspaceCm: v.headspaceCm,
          floaters: ["hyssop"],
          floatAtCm: top,
          title: v.name,
        }),
      );
      expect(svg).not.toMatch(/NaN|Infinity|undefined/);
      expect(svg).toContain('role="img"');
    }
  });
  test("is told in words from the base up", () => {
    expect(
      described({
        title: "1 L clip-top jar",
        layers: [
          { fromCm: 3, toCm: 8, substance: "vinegar" },
          { fromCm: 0, toCm: 3, substance: "leaf-dried" },
        ],
        floaters: ["hyssop"],
      }),
    ).toBe(
      "1 L clip-top jar. From the base up: dried herb from 0.0 to 3.0 cm; vinegar from 3.0 to 8.0 cm. hyssop float and want a weight.",
    );
    expect(described({ title: "jar", layers: [] })).toBe("jar. Empty.");
  });
});
