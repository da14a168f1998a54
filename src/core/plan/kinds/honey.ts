import { add, bottled, dark, herb, of, strained, type KindSpec, type Way } from "./kind";

const WAYS: readonly Way[] = [
  {
    kind: "honey",
    id: "honey-dried",
    name: "Dried herb only",
    cautious: true,
    why: "Brings no water, so the honey keeps itself.",
    steps: [add(herb, of("sweet", "fill")), dark("4 weeks"), strained("drained"), bottled],
  },
  {
    kind: "honey",
    id: "honey-sill",
    name: "On a sunny sill, turned daily",
    why: "Warmth thins the honey and it draws sooner; for dried flowers and leaves.",
    steps: [
      add(herb, of("sweet", "fill")),
      { do: "steep", for: "2–3 weeks", in: "sunny-sill" },
      strained("drained"),
      bottled,
    ],
  },
  {
    kind: "honey",
    id: "honey-fresh",
    usual: "fresh",
    name: "Fresh herb, in the fridge",
    why: "Tastes of the garden; the plant's water thins the honey, so it works cold and is let out.",
    steps: [
      add(herb, of("sweet", "fill")),
      { do: "steep", for: "1–3 weeks", in: "fridge" },
      strained("drained"),
      bottled,
    ],
  },
];

export const HONEY: KindSpec = {
  id: "honey",
  name: "infused honey",
  holds: { jar: ["honey"], bottle: ["honey"] },
  code: "HO",
  usual: "dried",
  ways: WAYS,
  questions: ["herb-share", "peel", "steep-time", "shaking", "place", "lid", "plant-in-honey", "taking"],
  rail: "filling",
  touch: "turn",
  bottles: { sorts: ["jar", "bottle"], usual: { us: "us-b-8-swing", metric: "b-250-swing" } },
};
