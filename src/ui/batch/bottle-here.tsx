"use client";
import { Already } from "./already";
import { type KnownHere, useBatchHere } from "./here";
import type { ComponentProps } from "react";
import { BottleUp } from "./bottle";

/** Bottle, as this device knows the batch. */
export function BottleHere({
  events,
  zone,
  ...props
}: KnownHere & Omit<ComponentProps<typeof BottleUp>, "batch">) {
  const batch = useBatchHere(events, zone, props.today, true);
  if (props.right !== undefined || batch.state === "strained") return <BottleUp batch={batch} {...props} />;
  return <Already batch={batch} what="Bottle" />;
}
