import { add, bottled, dark, herb, of, wrung, type KindSpec, type Way } from "./kind";

const WAYS: readonly Way[] = [
  {
    kind: "fire-cider",
    id: "cider-after",
    name: "A month, honey after straining",
    cautious: true,
    why: "The vinegar stays strong while fresh roots stand in it, and honey goes in to taste at the end.",
    steps: [
      add(herb, of("vinegar", "fill")),
      dark("4 weeks"),
      wrung,
      add(of("sweet", "0.25 of liquid")),
      bottled,
    ],
  },
  {
    kind: "fire-cider",
    id: "cider-start",
    name: "Honey from the start",
    why: "For a rounder taste; the honey thins the acid while the roots stand in it.",
    steps: [add(herb, of("vinegar", "3 parts"), of("sweet", "1 part")), dark("4 weeks"), wrung, bottled],
  },
  {
    kind: "fire-cider",
    id: "cider-cup",
    name: "Six weeks, honey only in the cup",
    why: "For those who keep it sharp in the bottle and sweeten the spoonful.",
    steps: [add(herb, of("vinegar", "fill")), dark("6 weeks"), wrung, bottled],
  },
];

export const FIRE_CIDER: KindSpec = {
  id: "fire-cider",
  name: "fire cider",
  holds: { jar: ["home-vinegar"], bottle: ["home-vinegar", "honey"] },
  code: "FC",
  usual: "fresh",
  ways: WAYS,
  questions: [
    "herb-share",
    "vinegar",
    "peel",
    "steep-time",
    "shaking",
    "place",
    "lid",
    "which-sweetener",
    "sweetener",
    "garlic",
    "taking",
  ],
  rail: "filling",
  touch: "shake",
  bottles: { sorts: ["bottle"], usual: { us: "us-b-8-swing", metric: "b-250-swing" } },
};
