"use client";
import { memo, useCallback, useState } from "react";
import type { PlanFacts } from "@/core/season/facts";
import type { Told, WhatIf } from "@/core/season/told";
import type { Start } from "@/core/season/year";
import { type Fault, fault } from "@/core/fault";
import { isDay, printDay } from "@/core/day";
import { counted } from "@/core/words";
import { Field } from "../kit/field";
import { useLatest } from "../kit/latest";
import { useUnits } from "../kit/units";
import { type SeasonInHand, seasonWorker } from "./use-season";

interface Supposed {
  readonly whatIf: WhatIf;
  readonly words: string;
  readonly starts: readonly Start[];
  readonly facts: PlanFacts;
}

const whole = (text: string, least: number, most: number): number | undefined => {
  const n = Number(text.trim());
  return text.trim() !== "" && Number.isInteger(n) && n >= least && n <= most ? n : undefined;
};

/** What is typed of a supposition, or what is wrong with it. */
function supposed(t: Typed, today: string): { whatIf: WhatIf; words: string } | Fault {
  const words: string[] = [];
  const people = whole(t.people, 1, 100);
  if (t.people.trim() !== "" && people === undefined)
    return fault("People", "Say how many, like 6.", ["people"]);
  if (people !== undefined) words.push(`we are ${people}`);
  const gifts = whole(t.gifts, 0, 200);
  if (t.gifts.trim() !== "" && gifts === undefined)
    return fault("Gifts", "Say how many, like 10.", ["gifts"]);
  if (gifts !== undefined) words.push(`${counted(gifts, "gift")} each time`);
  const dated = t.from !== "" || t.to !== "";
  if (dated && !(isDay(t.from) && isDay(t.to) && t.from <= t.to))
    return fault("Away", "Give the first day away and the last, the first one first.", ["away"]);
  if (dated) words.push(`away from ${printDay(t.from, "long", today)} to ${printDay(t.to, "long", today)}`);
  if (words.length === 0)
    return fault("Nothing", "Say what is to be supposed: people, gifts or days away.", ["people"]);
  return {
    words: words.join(", "),
    whatIf: { people, gifts, ...(dated ? { away: { from: t.from, to: t.to, why: "supposed" } } : {}) },
  };
}

function Figures({ head, facts, children }: { head: string; facts: PlanFacts; children?: React.ReactNode }) {
  const { volume } = useUnits();
  const days = (n: number): string => (n < 0.5 ? "no day" : counted(Math.round(n), "day"));
  return (
    <li className="border-b border-rule py-2 grid gap-x-6 md:grid-cols-[16rem_minmax(0,1fr)_auto] items-center">
      <strong>{head}</strong>
      <span>
        {days(facts.never + facts.others)} without something
        {facts.never >= 0.5 ? ` (${days(facts.never)} of what is never to run out)` : ""};{" "}
        {facts.thrown > 20 ? volume(facts.thrown) : "nothing"} past its day;{" "}
        {counted(facts.batches, "batch", "batches")} on {counted(facts.days, "making day")}
      </span>
      {children}
    </li>
  );
}

type Typed = { readonly people: string; readonly gifts: string; readonly from: string; readonly to: string };

/** What is supposed. */
const Suppose = memo(function Suppose({
  typed,
  change,
  wrong,
  busy,
  suppose,
}: {
  typed: Typed;
  change: (to: Partial<Typed>) => void;
  wrong: Fault | undefined;
  busy: boolean;
  suppose: () => Promise<void>;
}) {
  const at = (name: string): Fault | undefined => (wrong?.path[0] === name ? wrong : undefined);
  return (
    <form
      className="flex flex-wrap items-end gap-x-5 gap-y-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void suppose();
      }}
    >
      <Field id="season-if-people" label="we are" fault={at("people")}>
        {(tied) => (
          <input
            {...tied}
            className="field w-20"
            inputMode="numeric"
            value={typed.people}
            onChange={(e) => change({ people: e.target.value })}
          />
        )}
      </Field>
      <Field id="season-if-gifts" label="gifts each time" fault={at("gifts")}>
        {(tied) => (
          <input
            {...tied}
            className="field w-20"
            inputMode="numeric"
            value={typed.gifts}
            onChange={(e) => change({ gifts: e.target.value })}
          />
        )}
      </Field>
      <Field id="season-if-from" label="away from" fault={at("away")}>
        {(tied) => (
          <input
            {...tied}
            type="date"
            className="field"
            value={typed.from}
            onChange={(e) => change({ from: e.target.value })}
          />
        )}
      </Field>
      <Field id="season-if-to" label="to">
        {(tied) => (
          <input
            {...tied}
            type="date"
            className="field"
            value={typed.to}
            onChange={(e) => change({ to: e.target.value })}
          />
        )}
      </Field>
      <button type="submit" className="plain min-h-11" disabled={busy}>
        {busy ? "reckoning…" : "set it beside"}
      </button>
    </form>
  );
});

/** Suppositions, each side by side with the plan as it stands. */
export function WhatIfs({ told, season }: { told: Told; season: SeasonInHand }) {
  const { hand, act, facts } = season;
  const [typed, setTyped] = useState<Typed>({ people: "", gifts: "", from: "", to: "" });
  const [wrong, setWrong] = useState<Fault | undefined>();
  const [all, setAll] = useState<readonly Supposed[]>([]);
  const [busy, setBusy] = useState(false);
  const change = useCallback((to: Partial<Typed>): void => {
    setWrong(undefined);
    setTyped((before) => ({ ...before, ...to }));
  }, []);
  const now = useLatest({ typed, starts: hand.starts });
  const suppose = useCallback(async (): Promise<void> => {
    const is = supposed(now().typed, told.today);
    if ("message" in is) return setWrong(is);
    setBusy(true);
    const pinned = now().starts.filter((s) => s.pinned);
    const made = await seasonWorker()
      .atOnce(told, is.whatIf, pinned)
      .catch(() => undefined);
    setBusy(false);
    if (made) setAll((before) => [...before.filter((s) => s.words !== is.words), { ...is, ...made }]);
  }, [now, told]);
  const supposing = Object.values(hand.whatIf).some((x) => x !== undefined);
  return (
    <section aria-labelledby="season-what-if" className="pt-4">
      <h2 id="season-what-if" className="ruled-head">
        What if
      </h2>
      <Suppose {...{ typed, change, wrong, busy, suppose }} />
      <ul>
        <Figures head={supposing ? "as it is drawn" : "this plan"} facts={facts} />
        {all.map((s) => (
          <Figures key={s.words} head={s.words} facts={s.facts}>
            <button
              type="button"
              className="plain min-h-11"
              onClick={() => {
                act({ do: "suppose", whatIf: s.whatIf });
                act({ do: "take", starts: s.starts, step: true });
              }}
            >
              draw this one
            </button>
          </Figures>
        ))}
      </ul>
      {supposing && (
        <p className="py-2">
          The picture shows what is supposed.{" "}
          <button type="button" className="plain min-h-11" onClick={() => act({ do: "suppose", whatIf: {} })}>
            back to what is so
          </button>
        </p>
      )}
    </section>
  );
}
