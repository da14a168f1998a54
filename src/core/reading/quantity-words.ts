/** What vague measures usually come to: offered, never taken. */
/** What shops sell in bags and packets. */
const BOUGHT = { liquid: ["250 mL", "500 mL", "1 L"], dry: ["25 g", "50 g", "100 g"] } as const;

/** What a vague word usually comes to, as choices to pick from: first of a liquid, then of something dry or fresh. */
export const VAGUE_CHOICES: Readonly<
  Record<string, { readonly liquid: readonly string[]; readonly dry: readonly string[] }>
> = {
  splash: { liquid: ["1 tbsp", "2 tbsp"], dry: ["1 tsp"] },
  bunch: { liquid: [], dry: ["1 cup loose", "2 cups loose", "10–15 sprigs"] },
  glass: { liquid: ["¾ cup", "1 cup"], dry: [] },
  mug: { liquid: ["1 cup", "1¼ cups"], dry: ["1 cup"] },
  teacup: { liquid: ["¾ cup"], dry: ["¾ cup"] },
  wineglass: { liquid: ["½ cup"], dry: [] },
  fifth: { liquid: ["750 mL"], dry: [] },
  handle: { liquid: ["1.75 L"], dry: [] },
  gill: { liquid: ["4 fl oz", "5 fl oz"], dry: [] },
  dessertspoon: { liquid: ["2 tsp"], dry: ["2 tsp"] },
  smidgen: { liquid: [], dry: ["a pinch", "⅛ tsp"] },
  thimble: { liquid: ["½ tsp"], dry: ["½ tsp"] },
  grating: { liquid: [], dry: ["⅛ tsp", "¼ tsp"] },
  strip: { liquid: [], dry: ["½ tsp", "1 tsp", "1 tbsp"] },
  punnet: { liquid: [], dry: ["125 g", "250 g", "1 cup"] },
  hand: { liquid: [], dry: ["100 g", "150 g", "4 in"] },
  little: { liquid: ["1–2 tbsp"], dry: ["1 tsp", "1–2 tsp"] },
  spoonful: { liquid: ["1 tsp", "1 tbsp"], dry: ["1 tsp", "1 tbsp"] },
  ...Object.fromEntries(
    ["bag", "packet", "pack", "package", "pkg", "pkt", "box", "tub", "tin", "can", "carton"].map((w) => [
      w,
      BOUGHT,
    ]),
  ),
  bottle: { liquid: ["500 mL", "750 mL", "1 L"], dry: [] },
  jar: { liquid: ["250 mL", "500 mL", "1 L"], dry: [] },
};
export const VAGUE_OTHERWISE = {
  liquid: ["1 tbsp", "¼ cup", "1 cup"],
  dry: ["1 tsp", "1 tbsp", "½ cup"],
} as const;
