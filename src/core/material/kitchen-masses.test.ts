import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "./catalogue";
import type { Cut, Form } from "./classes";
import { stuffOf } from "./material";

/** US measures, mL; exact by their definition. */
const CUP = 236.588;
const TBSP = 14.7868;

/**
 * Grams of a cup, a spoon or a piece, after the portion weights of public food tables (USDA FoodData Central, SR Legacy), written from memory and
 * rounded: no table could be opened where this was written, so a figure that matters is to be looked up before it is trusted.
 * What we reckon with must lie within a quarter of them.
 */
const CUPS: readonly (readonly [string, Form | undefined, Cut | undefined, number])[] = [
  ["honey", undefined, undefined, 339],
  ["maple-syrup", undefined, undefined, 315],
  ["treacle", undefined, undefined, 337],
  ["sugar", undefined, undefined, 200],
  ["brown-sugar", undefined, undefined, 200],
  ["cider-vinegar", undefined, undefined, 239],
  ["balsamic-vinegar", undefined, undefined, 255],
  ["water", undefined, undefined, 237],
  ["lemon-juice", undefined, undefined, 244],
  ["orange-juice", undefined, undefined, 248],
  ["apple-juice", undefined, undefined, 248],
  ["pomegranate-juice", undefined, undefined, 249],
  ["vodka-40", undefined, undefined, 222],
  ["red-wine", undefined, undefined, 235],
  ["olive-oil", undefined, undefined, 216],
  ["blueberry", "fresh", "whole", 148],
  ["raspberry", "fresh", "whole", 123],
  ["blackberry", "fresh", "whole", 144],
  ["cranberry", "fresh", "whole", 100],
  ["elderberry", "fresh", "whole", 145],
  ["grape", "fresh", "whole", 151],
  ["gooseberry", "fresh", "whole", 150],
  ["mulberry", "fresh", "whole", 140],
  ["raisin", "dried", "whole", 145],
  ["cherry", "fresh", "whole", 138],
  ["tart-cherry", "fresh", "whole", 103],
  ["apple", "fresh", "sliced", 110],
  ["pear", "fresh", "sliced", 140],
  ["peach", "fresh", "sliced", 154],
  ["pineapple", "fresh", "chopped", 165],
  ["fig", "dried", "chopped", 149],
  ["date", "dried", "chopped", 147],
  ["onion", "fresh", "chopped", 160],
  ["leek", "fresh", "chopped", 89],
  ["carrot", "fresh", "chopped", 128],
  ["celery", "fresh", "chopped", 101],
  ["beetroot", "fresh", "chopped", 136],
  ["radish", "fresh", "sliced", 116],
  ["tomato", "fresh", "chopped", 180],
  ["fennel-bulb", "fresh", "sliced", 87],
  ["garlic", "fresh", "chopped", 136],
  ["lemongrass", "fresh", "chopped", 67],
  ["sweet-pepper", "fresh", "chopped", 149],
  ["parsley", "fresh", "chopped", 60],
];
const SPOONS: readonly (readonly [string, Form | undefined, Cut | undefined, number])[] = [
  ["thyme", "dried", "chopped", 2.7],
  ["oregano", "dried", "chopped", 3],
  ["rosemary", "dried", "chopped", 3.3],
  ["rosemary", "fresh", "chopped", 1.7],
  ["basil", "dried", "chopped", 2.1],
  ["basil", "fresh", "chopped", 2.65],
  ["marjoram", "dried", "chopped", 1.7],
  ["parsley", "dried", "chopped", 1.6],
  ["dill", "dried", "chopped", 3.1],
  ["coriander-leaf", "dried", "chopped", 1.8],
  ["sage", "powdered", undefined, 2],
  ["fennel-seed", "dried", "whole", 5.8],
  ["anise", "dried", "whole", 6.7],
  ["caraway", "dried", "whole", 6.7],
  ["celery-seed", "dried", "whole", 6.5],
  ["coriander-seed", "dried", "whole", 5],
  ["cumin", "dried", "whole", 6],
  ["fenugreek", "dried", "whole", 11.1],
  ["black-pepper", "powdered", undefined, 6.9],
  ["clove", "powdered", undefined, 6.5],
  ["cinnamon-cassia", "powdered", undefined, 7.8],
  ["ginger", "powdered", undefined, 5.2],
  ["turmeric", "powdered", undefined, 9.4],
  ["nutmeg", "powdered", undefined, 7],
  ["allspice", "powdered", undefined, 6],
  ["cardamom", "powdered", undefined, 5.8],
  ["cayenne", "powdered", undefined, 5.3],
  ["paprika", "powdered", undefined, 6.8],
  ["garlic", "powdered", undefined, 9.7],
  ["chia", "dried", "whole", 12],
  ["flaxseed", "dried", "whole", 10.3],
  ["salt", undefined, undefined, 18],
];
const PIECES: readonly (readonly [string, Form | undefined, string, number])[] = [
  ["garlic", "fresh", "clove", 3],
  ["jalapeno", "fresh", "pepper", 14],
  ["serrano", "fresh", "pepper", 6.1],
  ["orange", "fresh", "fruit", 131],
  ["onion", "fresh", "piece", 110],
  ["apple", "fresh", "fruit", 182],
  ["plum", "fresh", "fruit", 66],
  ["apricot", "fresh", "fruit", 35],
  ["fig", "fresh", "fruit", 50],
  ["peach", "fresh", "fruit", 150],
  ["kumquat", "fresh", "fruit", 19],
  ["mandarin", "fresh", "fruit", 88],
  ["tomato", "fresh", "fruit", 123],
  ["reishi", "dried", "slice", 3],
  ["astragalus", "dried", "slice", 3],
];

const stuff = (id: string, form: Form | undefined, cut: Cut | undefined) => {
  const s = stuffOf(MATERIALS.get(id)!, { form, cut });
  if (!s.ok) throw new Error(s.faults[0]!.message);
  return s.value;
};
const off = (is: number, table: number): number => Math.abs(is / table - 1);

describe("a cup, a spoon and a piece weigh what public tables say, within a quarter", () => {
  test.each(CUPS)("a cup of %s, %p, %p: about %p g", (id, form, cut, g) => {
    expect(off(stuff(id, form, cut).bulkLoose * CUP, g)).toBeLessThan(0.25);
  });
  test.each(SPOONS)("a spoon of %s, %p, %p: about %p g", (id, form, cut, g) => {
    expect(off(stuff(id, form, cut).bulkLoose * TBSP, g)).toBeLessThan(0.25);
  });
  test.each(PIECES)("%s, %p, a %s: about %p g", (id, form, piece, g) => {
    const [low, high] = stuff(id, form, undefined).pieces[piece]!;
    expect(off((low + high) / 2, g)).toBeLessThan(0.25);
  });
});
