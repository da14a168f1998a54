import { NOTHING_HAPPENED, type Happened } from "../src/core/plan/happened";
import type { Plan } from "../src/core/plan/plan";
import { type TrialLine, type TrialSteps, line, made, trial, withSteps } from "../src/core/plan/trial";
import { DEMO_PLANS, PLANS_OF_WAYS } from "./demo-plans";

/** A plan, and what befell it. */
export interface Case {
  readonly name: string;
  readonly plan: Plan;
  readonly happened?: Happened;
}

const dried = { form: "dried" } as const;
const fresh = { form: "fresh" } as const;
const five = { strength: "5 %" } as const;

const jar = (
  name: string,
  what: readonly TrialLine[],
  more: TrialSteps = [],
  vessel: Plan["vessel"] = "m-1000",
): Case => ({
  name,
  plan: trial(
    withSteps(made("oxymel-even", []), [
      { do: "add", what },
      ...(more.length > 0
        ? more
        : ([{ do: "steep", for: "4 weeks" }, { do: "strain", how: "wrung" }, { do: "bottle" }] as const)),
    ]),
    { name, vessel },
  ),
});
const pot = (name: string, what: readonly TrialLine[], more: TrialSteps): Case =>
  jar(name, what, more, "p-3000");
const befallen = (c: Case, happened: (cut: string) => Partial<Happened>): Case => ({
  ...c,
  happened: { ...NOTHING_HAPPENED, ...happened(c.plan.steps.find((s) => s.do === "strain")?.id ?? "") },
});

const BASE = jar("thyme, vinegar, honey", [
  line("thyme", "30 g", dried),
  line("cider-vinegar", "400 mL", five),
  line("honey", "400 mL"),
]);
const SYRUP = pot(
  "horehound, water, sugar",
  [line("horehound", "60 g", dried), line("water", "1 L")],
  [
    { do: "simmer", for: "30 min" },
    { do: "strain", how: "pressed" },
    { do: "add", what: [line("sugar", "to 67 Bx")] },
    { do: "simmer", for: "3 min", loses: "10 mL" },
    { do: "bottle", hot: true },
  ],
);

/** Plans that between them say every sort of amount, step and mishap there is. */
const SPECIAL: readonly Case[] = [
  BASE,
  SYRUP,
  // Amounts.
  jar("half a jar of fresh nettle, fill", [
    line("nettle", "half a jar", fresh),
    line("cider-vinegar", "fill", five),
  ]),
  jar("by parts", [
    line("sage", "1 cup", dried),
    line("cider-vinegar", "2 parts", five),
    line("honey", "1 part"),
  ]),
  jar("cover by two fingers", [line("lime-blossom", "2 cups", dried), line("honey", "cover by 3 cm")]),
  jar("a ratio and two strengths", [
    line("hawthorn-berry", "80 g", dried),
    line("spirit-95", "1:3"),
    line("water", "to 45 % vol"),
  ]),
  jar("handful, pinch, pieces", [
    line("rosemary", "a handful", fresh),
    line("cayenne", "2 pinches"),
    line("garlic", "6 large cloves", fresh),
    line("lemon", "2 small", fresh),
    line("ginger", "3 in", fresh),
    line("cider-vinegar", "600 mL", five),
  ]),
  jar("packed, heaped, scant, about", [
    line("mint", "1 cup packed", fresh),
    line("thyme", "heaped tbsp", dried),
    line("sage", "scant 1/4 cup", dried),
    line("cinnamon-cassia", "2 sticks"),
    line("vodka-40", "about 500 mL"),
  ]),
  jar("ranges", [
    line("garlic", "3-5 cloves", fresh),
    line("horseradish", "40-60 g", { ...fresh, cut: "grated" }),
    line("cider-vinegar", "2-3 cups", five),
  ]),
  jar("to a sharpness, to a pH", [
    line("elderflower", "20 g", fresh),
    line("water", "500 mL"),
    line("lemon-juice", "to 1.2 % acid"),
    line("citric-acid", "to pH 2.3"),
  ]),
  jar("by the ounce", [line("echinacea-root", "2 oz", dried), line("vodka-40", "16 fl oz")]),
  jar("form not said", [line("nettle", "2 cups", { took: ["form"] }), line("cider-vinegar", "500 mL", five)]),
  // Steps.
  pot(
    "boiled down by half",
    [line("ginger", "80 g", fresh), line("water", "1.2 L")],
    [
      { do: "reduce", to: "1/2" },
      { do: "strain", how: "drained" },
      { do: "cool", to: "43 °C" },
      { do: "add", what: [line("honey", "half of liquid")] },
      { do: "bottle" },
    ],
  ),
  pot(
    "boiled down to a measure, lid off",
    [line("elderberry", "400 g", fresh), line("water", "800 mL")],
    [
      { do: "simmer", for: "45 min", lid: "off" },
      { do: "reduce", to: "500 mL" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [line("honey", "1 of liquid"), line("lemon-juice", "2 tbsp")] },
      { do: "bottle" },
    ],
  ),
  pot(
    "under pressure, steeped hot, strained twice",
    [line("astragalus", "40 g", dried), line("water", "1 L")],
    [
      { do: "pressure", for: "20 min" },
      { do: "steep", for: "2 h" },
      { do: "strain", how: "drained" },
      { do: "steep", for: "12 h", in: "fridge" },
      { do: "strain", how: "pressed" },
      { do: "add", what: [line("glycerin", "1 of liquid")] },
      { do: "bottle" },
    ],
  ),
  jar(
    "on a sunny sill",
    [line("calendula", "20 g", dried), line("cider-vinegar", "500 mL", five)],
    [{ do: "steep", for: "2 weeks", in: "sunny-sill" }, { do: "strain", how: "wrung" }, { do: "bottle" }],
  ),
  jar(
    "left in",
    [line("garlic", "60 g", fresh), line("honey", "300 mL")],
    [{ do: "steep", for: "1 month", in: "fridge" }, { do: "bottle" }],
  ),
  jar(
    "spirit and honey after",
    [line("damson", "500 g", { form: "frozen" }), line("brandy", "500 mL")],
    [
      { do: "steep", for: "3 months" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [line("honey", "0.3 of liquid"), line("water", "to 15 % vol")] },
      { do: "bottle" },
    ],
  ),
  // What is poured.
  jar("wet honey", [line("lime-blossom", "20 g", dried), line("honey", "500 mL", { water: 19.4 })]),
  jar("vinegar of unknown strength", [line("sage", "20 g", dried), line("home-made-vinegar", "500 mL")]),
  jar("wine vinegar with sugar", [
    line("raspberry", "300 g", fresh),
    line("white-vinegar", "300 mL", { strength: "6 %" }),
    line("sugar", "250 g"),
  ]),
  jar("glycerin, 70 %", [
    line("lemon-balm", "30 g", dried),
    line("glycerin", "350 mL"),
    line("water", "150 mL"),
  ]),
  jar("eggshell in vinegar", [
    line("nettle", "20 g", dried),
    line("eggshell", "10 g"),
    line("cider-vinegar", "500 mL", five),
  ]),
  jar("herb above the vinegar", [
    line("marshmallow-root", "60 g", dried),
    line("cider-vinegar", "250 mL", five),
  ]),
  jar("raisins in honey", [line("raisin", "200 g", dried), line("honey", "400 mL")]),
  ...(["14 min", "15 min", "16 min", "20 min"] as const).map((time) =>
    pot(
      `elder simmered ${time}`,
      [line("elderberry", "200 g", fresh), line("water", "600 mL")],
      [
        { do: "simmer", for: time },
        { do: "strain", how: "wrung" },
        { do: "add", what: [line("honey", "0.15 of liquid")] },
        { do: "bottle" },
      ],
    ),
  ),
  ...[18, 18.6, 19, 20, 20.5, 21.5].map((water) =>
    jar(`honey of ${water} % water`, [line("sage", "20 g", dried), line("honey", "400 mL", { water })]),
  ),
  ...[2, 3, 4, 4.8, 5, 7].map((n) =>
    jar(`vinegar of ${n} %`, [
      line("garlic", "60 g", fresh),
      line("cider-vinegar", "400 mL", { strength: `${n} %` }),
      line("honey", "60 mL"),
    ]),
  ),
  ...[18, 20, 22, 24, 26].map((n) =>
    jar(`spirit to ${n} %`, [
      line("lemon-balm", "20 g", dried),
      line("vodka-40", "300 mL"),
      line("water", `to ${n} % vol`),
    ]),
  ),
  jar("a trace of much", [
    line("peppermint", "0.3 g", dried),
    line("liquorice", "1 g", dried),
    line("cranberry", "60 g", { form: "frozen" }),
    line("apple", "1 medium", fresh),
    line("cider-vinegar", "700 mL", five),
  ]),
  pot(
    "a warm infusion left to stand",
    [line("garlic", "30 g", fresh), line("water", "500 mL")],
    [
      { do: "simmer", for: "10 min" },
      { do: "steep", for: "5 h", in: "counter" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  ),
  pot(
    "off the heat for a while",
    [line("sage", "20 g", dried), line("water", "600 mL")],
    [
      { do: "simmer", for: "5 min" },
      { do: "steep", for: "25 min" },
      { do: "strain", how: "drained" },
      { do: "add", what: [line("sugar", "0.4 of liquid")] },
      { do: "bottle" },
    ],
  ),
  jar(
    "cold on the counter",
    [line("marshmallow-root", "15 g", dried), line("water", "500 mL")],
    [{ do: "steep", for: "12 h", in: "counter" }, { do: "strain", how: "wrung" }, { do: "bottle" }],
  ),
  jar(
    "cold in the fridge",
    [line("marshmallow-root", "15 g", dried), line("water", "500 mL")],
    [{ do: "steep", for: "26 h", in: "fridge" }, { do: "strain", how: "wrung" }, { do: "bottle" }],
  ),
  jar(
    "weak spirit, long",
    [line("damson", "200 g", fresh), line("vodka-40", "300 mL"), line("water", "250 mL")],
    [{ do: "steep", for: "6 weeks" }, { do: "strain", how: "drained" }, { do: "bottle" }],
  ),
  jar("ginger in lemon and honey", [
    line("ginger", "60 g", fresh),
    line("lemon-juice", "100 mL"),
    line("honey", "400 mL"),
  ]),
  jar(
    "a second steep",
    [line("thyme", "20 g", dried), line("cider-vinegar", "600 mL", five)],
    [
      { do: "steep", for: "2 weeks" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [line("garlic", "40 g", fresh)] },
      { do: "steep", for: "10 days" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  ),
  {
    name: "a bottle of ours in honey",
    plan: trial(
      withSteps(made("oxymel-even", []), [
        { do: "add", what: [line("ours-x", "150 mL"), line("honey", "300 mL")] },
        { do: "bottle" },
      ]),
      {
        vessel: "m-1000",
        materials: [
          {
            ...{
              id: "ours-x",
              names: ["HO-26-01 Garlic honey", "HO-26-01"],
              class: "remedy",
              source: "ours",
              density: 1.3,
            },
            composition: { water: 0.3, mono: 0.6, di: 0.05, soluble: 0.05 },
            tags: ["holds-low-acid", "holds-raw-honey", "holds-fruit"],
            holds: [{ material: "garlic", form: "fresh", share: 0.1, heated: 0 }],
            bestBy: "2026-12-24",
          },
        ],
      },
    ),
  },
  // At the ends of what a figure can be: nothing but one thing in it.
  ...(
    [
      ["water", "1 L"],
      ["glycerin", "500 mL"],
      ["sugar", "500 g"],
      ["lemon-juice", "300 mL"],
      ["salt", "200 g"],
    ] as const
  ).map(([of, much]) => jar(`${of} and a pinch of thyme`, [line(of, much), line("thyme", "1 pinch", dried)])),
  jar("by the handful", [
    line("nettle", "3 handfuls", fresh),
    line("sage", "2 pinches", dried),
    line("water", "600 mL"),
  ]),
  // Standing so long that it is too long, and just not.
  ...["3 hours", "4 hours", "5 hours", "12 hours", "14 hours", "30 hours"].map((time) =>
    jar(
      `nettle in water for ${time}`,
      [line("nettle", "100 g", fresh), line("water", "600 mL")],
      [{ do: "steep", for: time }, { do: "strain", how: "wrung" }, { do: "bottle" }],
    ),
  ),
  ...["3 days", "10 days", "5 weeks"].map((time) =>
    jar(
      `thyme in weak spirit for ${time}`,
      [line("thyme", "30 g", dried), line("spirit", "600 mL", { strength: "20 %" })],
      [{ do: "steep", for: time }, { do: "strain", how: "pressed" }, { do: "bottle" }],
    ),
  ),
  pot(
    "boiled down twice, and once more after the cloth",
    [line("hawthorn-berry", "300 g", fresh), line("water", "2 L")],
    [
      { do: "reduce", to: "half" },
      { do: "strain", how: "drained" },
      { do: "reduce", to: "400 mL" },
      { do: "add", what: [line("honey", "½ of liquid")] },
      { do: "bottle" },
    ],
  ),
  // What befell it.
  befallen(BASE, (step) => ({ strained: [{ step, measured: "650 mL" }] })),
  befallen(BASE, (step) => ({
    strained: [{ step, measured: "740 g", how: "drained" }],
    herbStoodAbove: true,
    lookedOver: true,
  })),
  befallen(BASE, (step) => ({ strained: [{ step, measured: "650 mL" }], layersUnmixed: true })),
  befallen(BASE, (step) => ({ strained: [{ step, measured: "650 mL" }], herbStoodAbove: true })),
  befallen(BASE, (step) => ({
    strained: [{ step, measured: "650 mL" }],
    readings: [{ what: "ph", by: "strip", value: 4.1, coloured: true, hours: 1 }],
  })),
  befallen(BASE, () => ({ readings: [{ what: "ph", by: "meter", value: 3.3, hours: 60 }] })),
  befallen(SYRUP, () => ({
    readings: [{ what: "brix", by: "refractometer", value: 63, herbSolids: 0, hours: 60 }],
  })),
  befallen(SYRUP, () => ({ readings: [{ what: "gravity", by: "hydrometer", value: 1.29, hours: 60 }] })),
  ...["300 mL", "780 mL", "840 mL"].map((measured) =>
    befallen(SYRUP, (step) => ({ strained: [{ step, measured }] })),
  ),
  befallen(SYRUP, () => ({
    cooling: [
      [0, 90],
      [60, 62],
      [180, 30],
      [260, 20],
    ],
  })),
  befallen(SYRUP, () => ({
    cooling: [
      [0, 90],
      [30, 60],
      [400, 24],
      [460, 20],
    ],
  })),
];

/** The cases, each read once; a plan the readers refuse is a fault of the table. */
export const CASES: readonly Case[] = SPECIAL;

/** Plans of the demo and of every way, of which less is told. */
export const USUAL: readonly Case[] = [
  ...DEMO_PLANS.map((plan, i) => ({ name: `demo ${i + 1}, ${plan.name}`, plan })),
  ...PLANS_OF_WAYS.map((plan) => ({ name: `way ${plan.way ?? plan.name}`, plan })),
];
