/** What a word of a recipe’s method does. */
export const DEEDS = [
  "add", "cover", "fill", "simmer", "boil", "warm", "reduce", "pressure", "steep", "keep", "cool", "strain", "bottle", "shake", "take",
  "prepare", "away", "gather",
] as const; // prettier-ignore
export type Deed = (typeof DEEDS)[number];

/** Verbs by what they do, in their bare form; then those of their forms that follow no rule. */
// prettier-ignore
export const DEED_ROWS: readonly (readonly [deed: Deed, verbs: string, others?: string])[] = [
  ["add", "add put place combine mix pour stir whisk blend drop layer pack tip toss dissolve return tuck pile throw loosen sweeten sprinkle heap scatter fold immerse empty transfer spoon tumble stuff chuck fling scoop plunge slip bung incorporate beat", "laid lay thrown poured"],
  ["cover", "cover submerge drown"],
  ["fill", "fill top"],
  ["simmer", "simmer cook bubble decoct stew poach"],
  ["boil", "boil"],
  ["warm", "heat warm melt"],
  ["reduce", "reduce", "halved"],
  ["pressure", "pressure"],
  ["steep", "steep infuse macerate stand sit leave rest soak wait ferment draw marinate brew settle forget mature", "left stood sat forgot forgotten drawn ready"],
  ["keep", "keep store refrigerate last stash hide freeze stay", "kept good lasts frozen"],
  ["cool", "cool", "lukewarm tepid"],
  ["strain", "strain filter sieve squeeze wring press drain sift", "wrung"],
  ["bottle", "bottle decant funnel"],
  ["shake", "shake swirl turn agitate invert", "shaken shook"],
  ["take", "take dose sip swallow drink give serve", "taken took drunk given"],
  ["prepare", "chop grate slice peel crush bruise mince smash mash grind dice shred tear wash rinse pound crack strip halve toast trim core stone prick quarter scrub clean zest juice roast pick snip deseed destem stem pit cut bash wilt dry roll score split lift", "ground torn split cut"],
  ["away", "discard compost remove label seal cap close screw skim weigh taste measure scrape tie hang date push set bring fish lid check stop"],
  ["gather", "gather collect harvest forage buy get find need use want", "bought found got"],
];
