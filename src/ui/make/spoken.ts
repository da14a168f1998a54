/** How units are spoken, where a voice would spell their letters out. */
const SPOKEN: readonly (readonly [RegExp, string])[] = [
  [/(?<=\d|[¼½¾⅓⅔⅛]) ?mL\b/g, " millilitres"],
  [/(?<=\d) ?kg\b/g, " kilograms"],
  [/(?<=\d|[¼½¾⅓⅔⅛]) ?g\b/g, " grams"],
  [/(?<=\d) ?L\b/g, " litres"],
  [/(?<=\d) ?cm\b/g, " centimetres"],
  [/(?<=\d) ?mm\b/g, " millimetres"],
  [/(?<=\d) ?°[CF]\b/g, " degrees"],
  [/\btsp\b/g, "teaspoons"],
  [/\btbsp\b/g, "tablespoons"],
  [/\bfl oz\b/g, "fluid ounces"],
  [/\boz\b/g, "ounces"],
  [/\blb\b/g, "pounds"],
  [/\bmin\b/g, "minutes"],
  [/(?<=\d) ?h\b/g, " hours"],
  [/(?<=\d) ?% /g, " percent "],
];

/** What is shown, as a voice is to say it. */
export const spoken = (shown: string): string =>
  SPOKEN.reduce((text, [unit, word]) => text.replace(unit, word), shown.replace(/\s+/g, " ").trim());
