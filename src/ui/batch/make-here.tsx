"use client";
import { Already } from "./already";
import { type KnownHere, useBatchHere } from "./here";
import type { ComponentProps } from "react";
import { MakeView } from "../make/make-view";

/** Make, as this device knows the batch, whether or not the house has heard of the last of it. */
export function MakeHere({ events, ...props }: KnownHere & Omit<ComponentProps<typeof MakeView>, "batch">) {
  const batch = useBatchHere(events, props.zone, props.today);
  const isAtWork = batch.state === "working" || batch.state === "strained";
  return isAtWork ? <MakeView batch={batch} {...props} /> : <Already batch={batch} what="Make" />;
}
