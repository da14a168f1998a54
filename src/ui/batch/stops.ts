"use client";
import { useState } from "react";
import type { Caution, Stage } from "@/core/cautions/caution";
import { cautionsAt, unanswered } from "@/core/cautions/rules";
import type { Batch } from "@/core/journal/fold";

/** The cautions of a step of a batch, the reasons given here for its stops, and whether one still wants a reason. */
export function useStops(batch: Batch, stage: Stage, all: readonly Caution[] | undefined) {
  const [reasons, setReasons] = useState<Readonly<Record<string, string>>>({});
  const cautions = all ? cautionsAt(stage, all) : [];
  const open = unanswered(cautions, { ...batch.reasons, ...reasons });
  const never = cautions.some((c) => c.severity === "never");
  const given = Object.fromEntries(Object.entries(reasons).filter(([, why]) => why.trim() !== ""));
  return {
    cautions,
    reasons,
    stopped: never || open.length > 0,
    giveReason: (id: string, why: string): void => setReasons((r) => ({ ...r, [id]: why })),
    /** What goes into the journal with the step. */
    body: Object.keys(given).length > 0 ? { reasons: given } : {},
  };
}
export type Stops = ReturnType<typeof useStops>;
