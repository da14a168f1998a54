"use client";
import { Told } from "../kit/told";
import { memo, useId } from "react";
import type { Caution } from "@/core/cautions/caution";
import { isLearnable, quiet } from "@/core/cautions/quiet";
import { counted } from "@/core/words";
import { useKnows } from "../kit/knows";
import { Wrong } from "../kit/wrong";

const BAR: Readonly<Record<Caution["severity"], string>> = {
  never: "border-rust",
  stop: "border-rust",
  caution: "border-cobalt",
  note: "border-rule",
};
const SAID: Readonly<Record<Caution["severity"], string>> = {
  never: "Never: ",
  stop: "Stop: ",
  caution: "Caution: ",
  note: "",
};

/** A caution beside what it is about: what is so, then what to do. A stop may be passed with a reason that is kept; a never may not. */
export const CautionNote = memo(function CautionNote({
  caution: c,
  reason = "",
  giveReason,
}: {
  caution: Caution;
  reason?: string;
  giveReason?: (id: string, why: string) => void;
}) {
  const id = useId();
  return (
    <div
      className={`border-l-[6px] ${BAR[c.severity]} pl-3.5 py-1 my-2`}
      data-caution={c.id}
      data-severity={c.severity}
    >
      <p className={c.severity === "note" ? "" : "font-bold"}>
        <span className="sr-only">{SAID[c.severity]}</span>
        <Told of={c.says} />
      </p>
      <p>
        <Told of={c.todo} />
      </p>
      {c.severity === "stop" && giveReason && (
        <p className="pt-1.5">
          <label htmlFor={id} className="quiet block">
            To go on as it is, say why; it is kept with the batch.
          </label>
          <input
            id={id}
            className="field w-full mt-1"
            value={reason}
            maxLength={300}
            onChange={(e) => giveReason(c.id, e.target.value)}
          />
        </p>
      )}
    </div>
  );
});

function NoteLines({ cautions }: { cautions: readonly Caution[] }) {
  return (
    <ul className="grid grid-cols-[repeat(auto-fit,minmax(min(100%,20rem),1fr))] gap-x-8">
      {cautions.map((c, i) => (
        <li
          key={`${c.id}-${i}`}
          className="py-1.5 border-b border-rule"
          data-caution={c.id}
          data-severity={c.severity}
        >
          <span className="font-semibold">
            <Told of={c.says} />
          </span>{" "}
          <Told of={c.todo} />
        </li>
      ))}
    </ul>
  );
}

/** What is good to know: what is of this plan in whole lines, what holds for many a remedy behind one that opens. */
export const Notes = memo(function Notes({
  cautions,
  head = "Good to know",
}: {
  cautions: readonly Caution[];
  head?: string;
}) {
  const { knows, learn, sending, fault } = useKnows();
  const { told, folded: all } = quiet(cautions);
  const folded = all.filter((c) => !(isLearnable(c) && knows.has(c.id)));
  const learnable = folded.filter(isLearnable).map((c) => c.id);
  if (told.length + folded.length === 0) return null;
  return (
    <section aria-label={head} className="pt-4">
      {told.length > 0 && <h2 className="ruled-head">{head}</h2>}
      <NoteLines cautions={told} />
      {folded.length > 0 && (
        <details>
          <summary className="plain min-h-11 pt-2.5 cursor-pointer">
            Good to know of any remedy like it: {counted(folded.length, "line")}
          </summary>
          <NoteLines cautions={folded} />
          {learnable.length > 0 && (
            <button
              type="button"
              className="plain min-h-11"
              disabled={sending}
              onClick={() => void learn(learnable)}
            >
              we know how this is done
            </button>
          )}
          <Wrong fault={fault} />
        </details>
      )}
    </section>
  );
});

/** Cautions of one step of a batch, gravest first; stops ask for a reason unless one was given before. */
export function StageCautions({
  cautions,
  reasons,
  given,
  giveReason,
}: {
  cautions: readonly Caution[];
  reasons: Readonly<Record<string, string>>;
  given: Readonly<Record<string, string>>;
  giveReason?: (id: string, why: string) => void;
}) {
  const grave = cautions.filter((c) => c.severity !== "note");
  return (
    <>
      {grave.map((c, i) => (
        <div key={`${c.id}-${i}`}>
          <CautionNote
            caution={c}
            reason={reasons[c.id] ?? ""}
            {...(giveReason && !given[c.id] ? { giveReason } : {})}
          />
          {given[c.id] && <p className="quiet pl-5">Gone on all the same: “{given[c.id]}”</p>}
        </div>
      ))}
      <Notes cautions={cautions.filter((c) => c.severity === "note")} />
    </>
  );
}
