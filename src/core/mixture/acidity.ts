import { ACETIC, ALKALINITY, CITRIC, GLUCONIC, MALIC, type Mixture } from "./components";

/** g/mol. */
export const M_ACETIC = 60.052;
const M_CITRIC = 192.124;
const M_MALIC = 134.087;
const M_GLUCONIC = 196.155;

const K_ACETIC = 10 ** -4.756;
const K_CITRIC = [10 ** -3.13, 10 ** -4.76, 10 ** -6.4] as const;
const K_MALIC = [10 ** -3.4, 10 ** -5.11] as const;
/** Gluconic acid stands for honey's own acids. Source for the constants: CRC Handbook, 25 °C. */
const K_GLUCONIC = 10 ** -3.86;

/** mol of titratable acid left in a mixture after its bases are served; may be negative. */
export function titratableMol(m: Mixture): number {
  return (
    m[ACETIC]! / M_ACETIC +
    (3 * m[CITRIC]!) / M_CITRIC +
    (2 * m[MALIC]!) / M_MALIC +
    m[GLUCONIC]! / M_GLUCONIC -
    m[ALKALINITY]! / 1000
  );
}

/** Acids and bases of a mixture, mol/L. */
interface Charges {
  acetic: number;
  citric: number;
  malic: number;
  gluconic: number;
  base: number;
}
const charges: Charges = { acetic: 0, citric: 0, malic: 0, gluconic: 0, base: 0 };

/** Positive where the liquid at this pH would still hold more acid charge than its bases and protons answer: the pH lies lower. */
function excess(ph: number): number {
  const h = Math.exp(-ph * Math.LN10);
  const c1 = K_CITRIC[0] / h;
  const c2 = (c1 * K_CITRIC[1]) / h;
  const c3 = (c2 * K_CITRIC[2]) / h;
  const m1 = K_MALIC[0] / h;
  const m2 = (m1 * K_MALIC[1]) / h;
  return (
    (charges.acetic * K_ACETIC) / (K_ACETIC + h) +
    (charges.citric * (c1 + 2 * c2 + 3 * c3)) / (1 + c1 + c2 + c3) +
    (charges.malic * (m1 + 2 * m2)) / (1 + m1 + m2) +
    (charges.gluconic * K_GLUCONIC) / (K_GLUCONIC + h) +
    1e-14 / h -
    h -
    charges.base
  );
}

/** Below and above what any kitchen's liquid is. */
const LOWEST = 1.5;
const HIGHEST = 11;

/** How far a moved mixture’s pH is looked for from the unmoved one’s. */
const NEARBY = [0.01, 0.15] as const;

/**
 * pH of a mixture of `ml` by charge balance, closed in on to 1e-4: [H⁺] + alkalinity = dissociated acid + [OH⁻].
 * Activity effects are left out; with plants in it the error is about ±0.2, which the caller adds. Range 1.5 to 11.
 * @param near a pH thought close; saves a third of the work when right and costs nothing when wrong
 */
export function phOf(m: Mixture, ml: number, near?: number): number {
  const liters = ml / 1000;
  if (!(liters > 0)) return 7;
  charges.acetic = m[ACETIC]! / M_ACETIC / liters;
  charges.citric = m[CITRIC]! / M_CITRIC / liters;
  charges.malic = m[MALIC]! / M_MALIC / liters;
  charges.gluconic = m[GLUCONIC]! / M_GLUCONIC / liters;
  charges.base = m[ALKALINITY]! / 1000 / liters;
  let low = LOWEST;
  let high = HIGHEST;
  if (near !== undefined) {
    // The root is looked for close by first, then a little farther, then everywhere.
    const lower = excess(near) > 0;
    if (lower) high = near;
    else low = near;
    for (const width of NEARBY) {
      const edge = lower ? near - width : near + width;
      if (edge <= LOWEST || edge >= HIGHEST || excess(edge) > 0 === lower) continue;
      if (lower) low = edge;
      else high = edge;
      break;
    }
  }
  return closedIn(low, high);
}

/** A stretch of pH so short that the balance is nearly a straight line over it. */
const STRAIGHT = 0.5;

/**
 * Where the charges balance between two pH values, to 1e-4: by halves, and along the chord once the stretch is short and while that
 * does better, so that a few steps do what halving alone does in seventeen.
 */
function closedIn(from: number, to: number): number {
  let [low, high] = [from, to];
  let [below, above] = [excess(low), excess(high)];
  let mayChord = true;
  while (high - low > 1e-4) {
    const width = high - low;
    const middle = (low + high) / 2;
    let at = middle;
    const byChord: boolean = mayChord && width < STRAIGHT && below < 0 && above > 0;
    if (byChord) {
      const chord = low + (width * below) / (below - above);
      // A little past the root, so that the far side closes in as well.
      at = chord < middle ? chord + 4e-5 : chord - 4e-5;
    }
    const e = excess(at);
    if (e < 0) [low, below] = [at, e];
    else [high, above] = [at, e];
    mayChord = !byChord || high - low < width / 2;
  }
  return (low + high) / 2;
}

/** Share of acetic acid that stands undissociated at a pH, 0 to 1. */
export const undissociatedShare = (ph: number): number => {
  const h = Math.exp(-ph * Math.LN10);
  return h / (h + K_ACETIC);
};
