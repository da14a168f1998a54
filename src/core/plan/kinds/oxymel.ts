import { HONEY_WARM, add, bottled, dark, herb, of, wrung, type KindSpec, type Way } from "./kind";

const WAYS: readonly Way[] = [
  {
    kind: "oxymel",
    id: "oxymel-even",
    name: "Even: as much honey as vinegar",
    cautious: true,
    why: "For makers who want it both sour enough and sweet enough to keep; everything goes in at once.",
    steps: [add(herb, of("vinegar", "1 part"), of("sweet", "1 part")), dark("6 weeks"), wrung, bottled],
  },
  {
    kind: "oxymel",
    id: "oxymel-sweet",
    name: "Sweet: two of honey to one of vinegar",
    why: "For those who take it off the spoon; wants a stronger vinegar to stay sour enough while it works.",
    steps: [add(herb, of("vinegar", "1 part"), of("sweet", "2 parts")), dark("6 weeks"), wrung, bottled],
  },
  {
    kind: "oxymel",
    id: "oxymel-sharp",
    name: "Sharp: two of vinegar to one of honey",
    why: "For dressings and water jugs; less honey, more bite.",
    steps: [add(herb, of("vinegar", "2 parts"), of("sweet", "1 part")), dark("4 weeks"), wrung, bottled],
  },
  {
    kind: "oxymel",
    id: "oxymel-thirds",
    name: "By the jar: vinegar to two thirds, honey to the top",
    why: "For those who pour by eye; the herb that stands there makes the true ratio sharper or sweeter than the lines say.",
    steps: [add(herb, of("vinegar", "2/3 jar"), of("sweet", "fill")), dark("4 weeks"), wrung, bottled],
  },
  {
    kind: "oxymel",
    id: "oxymel-after",
    name: "Vinegar first, honey after straining",
    why: "For those who find honey wasted on the marc; the herb works in plain vinegar and less sweetness is lost.",
    steps: [
      add(herb, of("vinegar", "fill")),
      dark("4 weeks"),
      wrung,
      add(of("sweet", "1 of liquid")),
      bottled,
    ],
  },
  {
    kind: "oxymel",
    id: "oxymel-heated",
    name: "Heated: herb simmered in vinegar, done today",
    vessel: "pot",
    why: "For roots and barks, and for those who need it tonight; stainless or enamel, lid on.",
    steps: [
      add(herb, of("vinegar", "500 mL")),
      { do: "simmer", for: "20 min" },
      wrung,
      HONEY_WARM,
      add(of("sweet", "1 of liquid")),
      bottled,
    ],
  },
];

export const OXYMEL: KindSpec = {
  id: "oxymel",
  name: "oxymel",
  holds: { jar: ["home-vinegar", "honey"], bottle: ["home-vinegar", "honey"] },
  code: "OX",
  usual: "dried",
  ways: WAYS,
  questions: [
    "herb-share",
    "order",
    "vinegar",
    "shaking",
    "place",
    "honey-at",
    "sweetener",
    "garlic",
    "taking",
  ],
  rail: "filling",
  touch: "shake",
  bottles: { sorts: ["bottle"], usual: { us: "us-b-8-swing", metric: "b-250-swing" } },
};
