"use client";
import { Already } from "./already";
import { type KnownHere, useBatchHere } from "./here";
import type { ComponentProps } from "react";
import { Strain } from "./strain/strain";

/** Strain, as this device knows the batch. */
export function StrainHere({
  events,
  zone,
  ...props
}: KnownHere & Omit<ComponentProps<typeof Strain>, "batch">) {
  const batch = useBatchHere(events, zone, props.today, true);
  if (batch.state === "working") return <Strain batch={batch} {...props} />;
  return <Already batch={batch} what="Strain" />;
}
