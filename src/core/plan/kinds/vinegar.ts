import { add, bottled, dark, herb, of, wrung, type KindSpec, type Way } from "./kind";

const WAYS: readonly Way[] = [
  {
    kind: "vinegar",
    id: "vinegar-plain",
    name: "Vinegar alone, four weeks",
    cautious: true,
    why: "For the table and the stores; as sour as the vinegar it began with.",
    steps: [add(herb, of("vinegar", "fill")), dark("4 weeks"), wrung, bottled],
  },
  {
    kind: "vinegar",
    id: "vinegar-spoon",
    name: "With a spoon of honey after",
    why: "Takes the edge off; not enough to call it an oxymel.",
    steps: [
      add(herb, of("vinegar", "fill")),
      dark("4 weeks"),
      wrung,
      add(of("sweet", "0.08 of liquid")),
      bottled,
    ],
  },
];

export const VINEGAR: KindSpec = {
  id: "vinegar",
  name: "infused vinegar",
  holds: { jar: ["home-vinegar"], bottle: ["home-vinegar"] },
  code: "VI",
  usual: "dried",
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
