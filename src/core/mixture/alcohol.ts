/**
 * Ethanol and water at 20 °C. Source: OIML R 22 (International alcoholometric tables), general formula at 20 °C;
 * density in g/mL, p is the mass share of ethanol in ethanol + water.
 */
const A = [
  998.20123, -192.9769495, 389.1238958, -1668.103923, 13522.15441, -88292.78388, 306287.4042, -613838.1234,
  747017.2998, -547846.1354, 223446.0334, -39032.85426,
] as const;

/** g/mL at mass share p, 0 to 1. */
export function ethanolWaterDensity(p: number): number {
  let rho = 0;
  for (let k = A.length - 1; k >= 0; k--) rho = rho * p + A[k]!;
  return rho / 1000;
}

/** Density of pure ethanol at 20 °C, g/mL. */
export const ETHANOL_DENSITY = ethanolWaterDensity(1);

/** Share by volume (0 to 1) of a plain ethanol–water mixture of mass share p. */
export const abvOfMassShare = (p: number): number => (p * ethanolWaterDensity(p)) / ETHANOL_DENSITY;

const known = new Map<number, number>();

/** Mass share of ethanol in a plain spirit of `abv` (share by volume, 0 to 1), by bisection to 1e-12. */
export function massShareOfAbv(abv: number): number {
  if (abv <= 0) return 0;
  if (abv >= 1) return 1;
  const seen = known.get(abv);
  if (seen !== undefined) return seen;
  let low = 0;
  let high = 1;
  for (let i = 0; i < 60; i++) {
    const mid = (low + high) / 2;
    if (abvOfMassShare(mid) < abv) low = mid;
    else high = mid;
  }
  const p = (low + high) / 2;
  if (known.size < 4096) known.set(abv, p);
  return p;
}
