import type { Profile } from "@/core/vessel/profile";

/** Where a label lies on a bottle: on its straightest stretch. mm. */
export interface Girth {
  /** Of the outside of the glass there. */
  readonly radiusMm: number;
  /** Its upper edge over the inside’s floor. */
  readonly topMm: number;
}

/** mm of glass, and by how much a wall may lean or belly under paper that is to lie flat. */
const GLASS_MM = 3;
const LEAN_MM = 1.5;
/** mm between the stretches that are tried. */
const STEP = 1;

const diameterMm = (profile: Profile, mm: number): number => {
  const cm = mm / 10;
  const at = profile.findIndex(([h]) => h >= cm);
  if (at <= 0) return profile[Math.max(0, at)]![1] * 10;
  const [[h0, d0], [h1, d1]] = [profile[at - 1]!, profile[at]!];
  return 10 * (h1 === h0 ? d1 : d0 + ((d1 - d0) * (cm - h0)) / (h1 - h0));
};

/** How far the wall leans under a label whose foot stands at a height, and its middle diameter, mm. */
function under(profile: Profile, foot: number, heightMm: number): { lean: number; wide: number } {
  let [least, most] = [Infinity, 0];
  for (let y = foot; y <= foot + heightMm; y += 2) {
    const d = diameterMm(profile, y);
    least = Math.min(least, d);
    most = Math.max(most, d);
  }
  return { lean: (most - least) / 2, wide: diameterMm(profile, foot + heightMm / 2) };
}

/** Where a label of a height lies flat on a bottle: on its body, at the middle of it; nothing where there is no such wall. */
export function girthFor(profile: Profile, heightMm: number): Girth | undefined {
  const brim = profile.at(-1)![0] * 10;
  const flat: { readonly foot: number; readonly wide: number }[] = [];
  for (let foot = 2; foot + heightMm <= brim - 2; foot += STEP) {
    const { lean, wide } = under(profile, foot, heightMm);
    if (lean <= LEAN_MM) flat.push({ foot, wide });
  }
  const widest = Math.max(...flat.map((f) => f.wide));
  const body = flat.filter((f) => f.wide > widest - 1);
  const at = body[Math.floor(body.length / 2)];
  return at && { radiusMm: at.wide / 2 + GLASS_MM, topMm: at.foot + heightMm };
}

/** A slice of a label from top to bottom, mm from its left edge; and where it is seen, mm from the bottle’s axis. */
export interface Slice {
  readonly fromMm: number;
  readonly toMm: number;
  readonly seenFrom: number;
  readonly seenTo: number;
}
/** Slices a label is seen in: so narrow that each looks flat. */
const SLICES = 36;

/** A label round a glass as it is seen from the front: slices of what is not behind it. */
export function slicesOf(widthMm: number, radiusMm: number): Slice[] {
  const seen = (mm: number): number => radiusMm * Math.sin((mm - widthMm / 2) / radiusMm);
  const half = Math.min(widthMm / 2, (Math.PI / 2) * radiusMm);
  const at = (i: number): number => widthMm / 2 - half + (2 * half * i) / SLICES;
  return Array.from({ length: SLICES }, (_, i) => ({
    fromMm: at(i),
    toMm: at(i + 1),
    seenFrom: seen(at(i)),
    seenTo: seen(at(i + 1)),
  }));
}
