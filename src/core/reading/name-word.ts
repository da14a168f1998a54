import { remembered } from "../remembered";
import { dictionary } from "../words";

/** Spellings that are one word. */
// prettier-ignore
const VARIANTS = dictionary<string>({
  chili: "chilli", chile: "chilli", chilie: "chilli", chily: "chilli", chilly: "chilli", licorice: "liquorice", camomile: "chamomile", saint: "st",
  glycerine: "glycerin", glycerol: "glycerin", whiskey: "whisky", molasse: "molasses", aniseed: "aniseed", raddish: "radish", chillis: "chilli", chilies: "chilli", savoury: "savory", scoth: "scotch",
});
const KEEP_S = /(?:ss|us|is)$/;

/** A word as names are matched by: singular, in one spelling. */
export const nameWord = remembered((low) => {
  let w = low;
  if (w === "leaves") w = "leaf";
  else if (w.length > 4 && w.endsWith("ies")) w = `${w.slice(0, -3)}y`;
  else if (w.length > 4 && /(?:ch|sh|ss|x|to)es$/.test(w)) w = w.slice(0, -2);
  else if (w.length > 3 && w.endsWith("s") && !KEEP_S.test(w)) w = w.slice(0, -1);
  return VARIANTS[w] ?? w;
}, 5000);
