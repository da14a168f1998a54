"use client";
import { Told } from "../kit/told";
import Link from "../kit/link";
import { useRouter } from "../kit/router";
import { useRef, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Plan } from "@/core/plan/plan";
import { ordinal } from "@/core/words";
import { send } from "../kit/send";
import { toBatch } from "../kit/writes";
import type { Sending } from "./begin";
import { forgetDraft } from "./draft";
import type { Made } from "./made";
import type { Bench } from "./state";

interface FromBatchOf<As extends string> {
  readonly as: As;
  readonly id: string;
  readonly code: string;
  readonly seq: number;
  readonly reasons: Readonly<Record<string, string>>;
  readonly plan: Plan;
  /** It is a start of the season: for when, and in what. */
  readonly planned?: string;
}
/**
 * Whose plan is set on the Bench: a batch’s, to be made again or to be put right while it works; a recipe’s of the book; or one that came on a
 * card or a link.
 */
export type From =
  | FromBatchOf<"again">
  | FromBatchOf<"right">
  | {
      readonly as: "recipe";
      readonly id: string;
      readonly version: number;
      readonly plan: Plan;
      readonly planned?: string;
      /** Its own vessel is taken: what stands in it, and the free one it is set out in. */
      readonly moved?: { readonly from: string; readonly holds: string; readonly to: string } | undefined;
    }
  /** A second run of a batch’s marc. */
  | {
      readonly as: "second";
      readonly id: string;
      readonly code: string;
      readonly plan: Plan;
      readonly moved?: { readonly from: string; readonly holds: string; readonly to: string } | undefined;
    }
  | { readonly as: "card"; readonly plan: Plan }
  /** A card or a link whose code does not read. */
  | { readonly as: "wrong"; readonly fault: Fault };

/** Says whose plan stands here, and what becomes of it. */
export function FromBatch({ from, why, setWhy }: { from: From; why: string; setWhy: (why: string) => void }) {
  switch (from.as) {
    case "wrong":
      return (
        <p role="alert" className="no-print wrong py-2 mt-4">
          <Told of={from.fault.message} />
        </p>
      );
    case "card":
      return (
        <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">
          A plan from outside stands on the Bench: {from.plan.name}. Undo brings back what stood here before.
        </p>
      );
    case "recipe":
      return (
        <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">
          <Link href={`/formulary/${from.id}`}>{from.plan.name}</Link>, the {ordinal(from.version)} way,
          stands on the Bench. {from.planned}
          {!from.planned &&
            from.moved &&
            ` Its ${from.moved.from} holds ${from.moved.holds}; it is set out in the ${from.moved.to}.`}{" "}
          Undo brings back what stood here before.
        </p>
      );
    case "second":
      return (
        <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">
          A second run of the marc of <Link href={`/batch/${from.id}`}>{from.code}</Link>: weaker than the
          first, and the same steps.
          {from.moved &&
            ` Its ${from.moved.from} holds ${from.moved.holds}; it is set out in the ${from.moved.to}.`}{" "}
          Use the marc the same day. Undo brings back what stood here before.
        </p>
      );
    case "right":
      return <PuttingRight from={from} why={why} setWhy={setWhy} />;
    case "again":
      return (
        <p role="status" className="no-print bg-celadon px-3 py-2 mt-4">
          The plan of <Link href={`/batch/${from.id}`}>{from.code}</Link> stands on the Bench. {from.planned}{" "}
          Undo brings back what stood here before.
        </p>
      );
  }
}

function PuttingRight({
  from,
  why,
  setWhy,
}: {
  from: FromBatchOf<"right">;
  why: string;
  setWhy: (why: string) => void;
}) {
  return (
    <div
      role="status"
      className="no-print bg-celadon px-3 py-2 mt-4 flex flex-wrap items-end gap-x-6 gap-y-2"
    >
      <p>
        <strong>Putting {from.code} right.</strong> What stands here replaces its plan; what it was stays in
        its journal. <Link href={`/batch/${from.id}`}>Leave it as it is.</Link>
      </p>
      <p className="grow">
        <label className="quiet block" htmlFor="right-why">
          why, if you like
        </label>
        <input
          id="right-why"
          className="field w-full"
          maxLength={300}
          value={why}
          onChange={(e) => setWhy(e.target.value)}
        />
      </p>
    </div>
  );
}

/** Sends the plan as what a batch should have been begun with. */
export function usePuttingRight(
  from: From | undefined,
  bench: Bench,
  made: Made,
): Sending & {
  readonly why: string;
  readonly setWhy: (why: string) => void;
  readonly put: () => Promise<void>;
} {
  const router = useRouter();
  const [why, setWhy] = useState("");
  const [sending, setSending] = useState(false);
  const [refused, setRefused] = useState<Fault | undefined>();
  const intent = useRef({ text: "", key: "" });
  const put = async (): Promise<void> => {
    if (from?.as !== "right" || sending) return;
    setSending(true);
    setRefused(undefined);
    const said = why.trim() === "" ? {} : { why: why.trim() };
    const body = { seq: 1, body: { plan: made.plan, reasons: bench.reasons }, ...said };
    const text = JSON.stringify(body);
    if (intent.current.text !== text) intent.current = { text, key: crypto.randomUUID() };
    const { key } = intent.current;
    const sent = await send(toBatch(from.id, "corrected", body, { seen: from.seq }), key);
    setSending(false);
    if (!sent.ok) return setRefused(sent.fault);
    forgetDraft(from.id);
    router.push(`/batch/${from.id}`);
    router.refresh();
  };
  return { sending, refused, why, setWhy, put };
}
