/**
 * A vessel's inside as a stack of frustums. Heights and diameters in cm, volumes in mL (1 cm³ = 1 mL).
 * Formula: frustum volume π h (r₀² + r₀ r₁ + r₁²) / 3; its inverse in closed form, since the radius is linear in height.
 */
export type Profile = ReadonlyArray<readonly [height: number, diameter: number]>;

export interface Solid {
  readonly profile: Profile;
  /** Volume below each profile point. */
  readonly below: readonly number[];
  readonly brimMl: number;
  readonly brimCm: number;
}

export function solidOf(profile: Profile): Solid {
  const below = [0];
  for (let i = 1; i < profile.length; i++) {
    const [h0, d0] = profile[i - 1]!;
    const [h1, d1] = profile[i]!;
    below.push(below[i - 1]! + (Math.PI / 12) * (h1 - h0) * (d0 * d0 + d0 * d1 + d1 * d1));
  }
  return { profile, below, brimMl: below[below.length - 1]!, brimCm: profile[profile.length - 1]![0] };
}

/** mL below a height in cm; clamped to the vessel. */
export function volumeAt(s: Solid, cm: number): number {
  if (cm <= 0) return 0;
  if (cm >= s.brimCm) return s.brimMl;
  let i = 1;
  while (s.profile[i]![0] < cm) i++;
  const [h0, d0] = s.profile[i - 1]!;
  const [h1, d1] = s.profile[i]!;
  const d = d0 + ((d1 - d0) * (cm - h0)) / (h1 - h0);
  return s.below[i - 1]! + (Math.PI / 12) * (cm - h0) * (d0 * d0 + d0 * d + d * d);
}

/** cm from the base to the surface of a volume in mL; clamped to the vessel. */
export function heightAt(s: Solid, ml: number): number {
  if (ml <= 0) return 0;
  if (ml >= s.brimMl) return s.brimCm;
  let i = 1;
  while (s.below[i]! < ml) i++;
  const [h0, d0] = s.profile[i - 1]!;
  const [h1, d1] = s.profile[i]!;
  const v = ml - s.below[i - 1]!;
  const r0 = d0 / 2;
  const slope = (d1 - d0) / 2 / (h1 - h0);
  if (Math.abs(slope) < 1e-9) return h0 + v / (Math.PI * r0 * r0);
  return h0 + (Math.cbrt(r0 * r0 * r0 + (3 * slope * v) / Math.PI) - r0) / slope;
}

/** Inner diameter in cm at a height. */
export function diameterAt(s: Solid, cm: number): number {
  if (cm <= 0) return s.profile[0]![1];
  if (cm >= s.brimCm) return s.profile[s.profile.length - 1]![1];
  let i = 1;
  while (s.profile[i]![0] < cm) i++;
  const [h0, d0] = s.profile[i - 1]!;
  const [h1, d1] = s.profile[i]!;
  return d0 + ((d1 - d0) * (cm - h0)) / (h1 - h0);
}
