"use client";
import type { ComponentProps } from "react";
import { type Shares, useTall } from "../kit/tall";
import { useWidth } from "../kit/width";
import { VesselFigure } from "./vessel";
import { lidHeight } from "./vessel-frame";

type Figure = Omit<ComponentProps<typeof VesselFigure>, "scale">;

/** Room for a ruler and the marks' words, px; the words are shorter where there is little. */
const [BESIDE, BESIDE_LITTLE, LITTLE] = [180, 134, 330];
/** Px a centimetre at the least and the most: what is larger is no clearer. */
const [LEAST, MOST] = [5, 46];

/** A vessel as large as its column and its share of the window let it be, standing on the foot of its place. */
export function TallVessel({ share, ...figure }: Figure & { readonly share: Shares }) {
  const [ref, width] = useWidth<HTMLDivElement>(420);
  const tall = useTall(share);
  const { profile, lid } = figure;
  const brim = profile.at(-1)![0];
  const beside = width < LITTLE ? BESIDE_LITTLE : BESIDE;
  const handle = lid === "none" ? 3.2 : 0;
  const wide = Math.max(...profile.map(([, d]) => d)) + 0.8 + handle;
  const scale = Math.min(
    MOST,
    (tall - 14) / (brim + lidHeight(lid, brim) + 0.7),
    (width - (figure.measured ? beside : 8)) / wide,
  );
  return (
    <div
      ref={ref}
      className="w-full grid justify-items-center items-end lg:min-h-(--tall)"
      style={{ "--tall": `${tall}px` } as React.CSSProperties}
    >
      <VesselFigure {...figure} scale={Math.max(LEAST, scale)} />
    </div>
  );
}
