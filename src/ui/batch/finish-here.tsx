"use client";
import { Already } from "./already";
import { type KnownHere, useBatchHere } from "./here";
import type { ComponentProps } from "react";
import { Finish } from "./finish/finish";

/** Finish, as this device knows the batch. */
export function FinishHere({
  events,
  today,
  ...props
}: KnownHere & Omit<ComponentProps<typeof Finish>, "batch">) {
  const batch = useBatchHere(events, props.zone, today, true);
  if (props.right !== undefined || batch.state === "strained") return <Finish batch={batch} {...props} />;
  return <Already batch={batch} what="To the measured volume" />;
}
