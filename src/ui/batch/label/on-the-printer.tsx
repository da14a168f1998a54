"use client";
import { useState } from "react";
import type { Greeting, LabelSort } from "@/core/label/sorts";

interface Answered {
  readonly printed: number;
  readonly from: number;
  readonly why: string | null;
}

/** Sends the labels to the label printer; where it stops it says at which, and goes on from there. */
export function OnThePrinter({
  batch,
  sort,
  size,
  many,
  greeting,
}: {
  batch: string;
  sort: LabelSort;
  size: string;
  many: number;
  greeting: Greeting;
}) {
  const [busy, setBusy] = useState(false);
  const [out, setOut] = useState(0);
  const [told, setTold] = useState("");
  const print = async (): Promise<void> => {
    setBusy(true);
    const from = out >= many ? 1 : out + 1;
    try {
      const reply = await fetch("/api/labels", {
        method: "POST",
        headers: { "content-type": "application/json" },
        body: JSON.stringify({ batch, sort, size, from, ...greeting }),
      });
      const said = (await reply.json()) as Answered & { fault?: { message: string } };
      if (!reply.ok) setTold(said.fault?.message ?? "It could not be printed just now.");
      else {
        const done = said.from - 1 + said.printed;
        setOut(done);
        const lies = done === 1 ? "1 lies" : `${done} lie`;
        setTold(
          said.why === null ? `${lies} in its tray.` : `${done} of ${many} lie in its tray: ${said.why}.`,
        );
      }
    } catch {
      setTold("The kitchen’s server does not answer. Try again when it is back.");
    }
    setBusy(false);
  };
  return (
    <p className="flex flex-wrap gap-x-4 items-center">
      <button type="button" className="plain min-h-11" disabled={busy} onClick={() => void print()}>
        {out > 0 && out < many ? `go on printing from label ${out + 1}` : "print on the label printer"}
      </button>
      <span role="status">{told}</span>
    </p>
  );
}
