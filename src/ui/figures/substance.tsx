import { memo } from "react";
import type { Stuff } from "@/core/material/material";

/** The substances the drawings know; each has one colour and one pattern everywhere. */
export const SUBSTANCES = [
  "honey",
  "vinegar",
  "water",
  "spirit",
  "glycerin",
  "sugar",
  "juice",
  "leaf-dried",
  "leaf-fresh",
  "root",
  "berry",
  "seed",
  "decoction",
  "marc",
  "steam",
] as const;
export type Substance = (typeof SUBSTANCES)[number];

export const SUBSTANCE_WORDS: Readonly<Record<Substance, string>> = {
  honey: "honey",
  vinegar: "vinegar",
  water: "water",
  spirit: "spirit",
  glycerin: "glycerin",
  sugar: "sugar",
  juice: "juice",
  "leaf-dried": "dried herb",
  "leaf-fresh": "fresh herb",
  root: "root or bulb",
  berry: "berry or fruit",
  seed: "seed or spice",
  decoction: "strained liquid",
  marc: "marc",
  steam: "boiled away",
};

export function substanceOf(s: Pick<Stuff, "class" | "form" | "plant">): Substance {
  if (s.plant) {
    if (s.class === "berry" || s.class === "fruit" || s.class === "pepper") return "berry";
    if (
      s.class === "root" ||
      s.class === "bulb" ||
      s.class === "vegetable" ||
      s.class === "bark" ||
      s.class === "mushroom"
    )
      return "root";
    if (s.class === "seed" || s.class === "resin" || s.class === "peel") return "seed";
    return s.form === "dried" || s.form === "powdered" ? "leaf-dried" : "leaf-fresh";
  }
  if (s.class === "honey" || s.class === "syrup") return "honey";
  if (s.class === "sugar" || s.class === "salt" || s.class === "acid" || s.class === "mineral")
    return "sugar";
  if (s.class === "vinegar") return "vinegar";
  if (s.class === "spirit") return "spirit";
  if (s.class === "glycerin") return "glycerin";
  if (s.class === "juice") return "juice";
  if (s.class === "remedy") return "decoction";
  return "water";
}

export const fillOf = (s: Substance): string => `url(#substance-${s})`;

/** The colour a substance’s pattern stands on; what takes another’s colour is washed with this. */
export const GROUND: Readonly<Record<Substance, string>> = {
  honey: "#dc9b2e",
  vinegar: "#c98f58",
  water: "#bcd0d8",
  spirit: "#cdd3e2",
  glycerin: "#dcd3c0",
  sugar: "#f1ede2",
  juice: "#e3cf6a",
  "leaf-dried": "#a9925a",
  "leaf-fresh": "#8fa25d",
  root: "#cdbb94",
  berry: "#8d4b63",
  seed: "#b79a76",
  decoction: "#7b3f52",
  marc: "#8a8378",
  steam: "#e4e2dc",
};

const Pattern = ({
  id,
  size = 12,
  children,
}: {
  id: Substance;
  size?: number;
  children: React.ReactNode;
}) => (
  <pattern id={`substance-${id}`} width={size} height={size} patternUnits="userSpaceOnUse">
    <rect width={size} height={size} fill={GROUND[id]} />
    {children}
  </pattern>
);

/** Pattern definitions, once a page. Lines stay visible in one colour, so that print and colour-blind eyes tell them apart. */
export function SubstanceDefs() {
  return (
    <svg width="0" height="0" aria-hidden="true" className="absolute">
      <defs>
        <Pattern id="honey" size={14}>
          <path
            d="M3.5 0 7 2v4l-3.5 2L0 6V2zM10.5 7 14 9v4l-3.5 2L7 13V9zM10.5-7 14-5v4l-3.5 2L7-1v-4z"
            fill="none"
            stroke="#9c6510"
            strokeWidth="0.8"
          />
        </Pattern>
        <Pattern id="vinegar" size={16}>
          <path d="M0 4q4-3 8 0t8 0M0 12q4-3 8 0t8 0" fill="none" stroke="#84502a" strokeWidth="1" />
        </Pattern>
        <Pattern id="water" size={14}>
          <path d="M2 4h6M8 11h5" fill="none" stroke="#55788a" strokeWidth="1" />
        </Pattern>
        <Pattern id="spirit" size={8}>
          <path d="M4 0v8" stroke="#7f8aab" strokeWidth="1" />
        </Pattern>
        <Pattern id="glycerin" size={10}>
          <circle cx="5" cy="5" r="2" fill="none" stroke="#8a7b57" strokeWidth="0.9" />
        </Pattern>
        <Pattern id="sugar" size={8}>
          <path d="M1 1h2v2H1zM5 5h2v2H5z" fill="none" stroke="#8f897b" strokeWidth="0.8" />
        </Pattern>
        <Pattern id="juice" size={12}>
          <path d="M0 6h12M6 0v12" stroke="#a08b22" strokeWidth="0.7" strokeDasharray="2 3" />
        </Pattern>
        <Pattern id="leaf-dried" size={12}>
          <path
            d="M2 5l3-4M8 11l3-4M8 4l2-3M2 11l2-3"
            stroke="#5f4f22"
            strokeWidth="1.1"
            strokeLinecap="round"
          />
        </Pattern>
        <Pattern id="leaf-fresh" size={12}>
          <path
            d="M2 6q0-4 4-5-1 4-4 5zM7 12q0-4 4-5-1 4-4 5z"
            fill="none"
            stroke="#42562a"
            strokeWidth="1"
          />
        </Pattern>
        <Pattern id="root" size={14}>
          <path d="M2 2l4 1-1 4-4-1zM9 8l4-1 0 4-4 1z" fill="none" stroke="#7c6434" strokeWidth="1" />
        </Pattern>
        <Pattern id="berry" size={12}>
          <circle cx="3" cy="3" r="2" fill="none" stroke="#4b1c2f" strokeWidth="1.1" />
          <circle cx="9" cy="9" r="2" fill="none" stroke="#4b1c2f" strokeWidth="1.1" />
        </Pattern>
        <Pattern id="seed" size={10}>
          <ellipse cx="3" cy="3" rx="2" ry="1" fill="#66492a" />
          <ellipse cx="8" cy="8" rx="1" ry="2" fill="#66492a" />
        </Pattern>
        <Pattern id="decoction" size={8}>
          <circle cx="2" cy="2" r="0.9" fill="#4a1f2e" />
          <circle cx="6" cy="6" r="0.9" fill="#4a1f2e" />
        </Pattern>
        <Pattern id="marc" size={10}>
          <path d="M0 0l10 10M10 0L0 10" stroke="#5c564d" strokeWidth="0.8" />
        </Pattern>
        <Pattern id="steam" size={14}>
          <path d="M4 13q-3-3 0-6t0-6M11 13q-3-3 0-6t0-6" fill="none" stroke="#a5a199" strokeWidth="0.9" />
        </Pattern>
      </defs>
    </svg>
  );
}

/** A swatch of a substance, as it stands in the drawings. */
export const Swatch = memo(function Swatch({ of, size = 16 }: { of: Substance; size?: number }) {
  return (
    <svg width={size} height={size} aria-hidden="true" className="shrink-0">
      <rect x="0.5" y="0.5" width={size - 1} height={size - 1} fill={fillOf(of)} stroke="#1f2125" />
    </svg>
  );
});
