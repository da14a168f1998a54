import { add, bottled, dark, herb, of, strained, type KindSpec, type Way } from "./kind";

const WAYS: readonly Way[] = [
  {
    kind: "tincture",
    id: "tincture-jarful",
    name: "Jarful: herb loose, spirit over it",
    why: "No scale needed; what the jarful works out to as a ratio is shown.",
    steps: [add(herb, of("spirit", "fill")), dark("6 weeks"), strained("pressed"), bottled],
  },
  {
    kind: "tincture",
    id: "tincture-weighed",
    name: "Weighed: one to five, dried",
    cautious: true,
    why: "For those who want the next jar to be the same as this one.",
    steps: [add(herb, of("spirit", "1:5", "spirit-50")), dark("4 weeks"), strained("pressed"), bottled],
  },
  {
    kind: "tincture",
    id: "tincture-glycerin",
    name: "Glycerin instead of spirit",
    why: "Where alcohol is unwelcome; three of glycerin to one of water for dried herb.",
    steps: [
      add(herb, of("glycerin", "3 parts"), of("water", "1 part")),
      dark("5 weeks"),
      strained("pressed"),
      bottled,
    ],
  },
  {
    kind: "tincture",
    id: "tincture-vinegar",
    name: "Vinegar instead of spirit",
    why: "Where alcohol is unwelcome and sour is not; it draws less of resins and keeps as a vinegar does.",
    steps: [add(herb, of("vinegar", "fill")), dark("5 weeks"), strained("pressed"), bottled],
  },
];

export const TINCTURE: KindSpec = {
  id: "tincture",
  name: "tincture",
  holds: { jar: ["vodka-40", "water"], bottle: ["vodka-40", "water"] },
  code: "TI",
  usual: "dried",
  ways: WAYS,
  questions: ["herb-share", "peel", "steep-time", "shaking", "place", "lid", "taking"],
  rail: "strength",
  touch: "shake",
  bottles: { sorts: ["dropper"], usual: { us: "us-d-4", metric: "d-100" } },
};
