"use client";
import { memo, useState } from "react";
import { ChevronDown, ChevronUp, X } from "lucide-react";
import type { Caution } from "@/core/cautions/caution";
import type { Fault } from "@/core/fault";
import { PLACES, type Step, type StepOf, WRINGING } from "@/core/plan/plan";
import { Wrong } from "../../kit/field";
import { useUnits } from "../../kit/units";
import { CautionNote } from "../../plan/cautions";
import { PLACE_WORDS, STEP_WORDS, WRINGING_WORDS } from "../../plan/step-words";
import type { LineActions } from "./line-actions";

const UP = <ChevronUp size={15} />;
const DOWN = <ChevronDown size={15} />;
const OUT = <X size={17} />;

interface Props {
  readonly step: Step;
  readonly first: boolean;
  readonly last: boolean;
  /** Where the level stands before and after, cm, where it is boiled down in a pot. */
  readonly fromCm: number | undefined;
  readonly toCm: number | undefined;
  readonly faults: readonly Fault[];
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly actions: LineActions;
}

/** A text of a step, typed in its place. */
function Said({
  p,
  label,
  field,
  value,
  width,
}: {
  p: Props;
  label: string;
  field: string;
  value: string;
  width: string;
}) {
  const fault = p.faults.find((f) => f.path[2] === field);
  return (
    <input
      aria-label={label}
      className={`stitch py-0.5 ${width}`}
      value={value}
      maxLength={200}
      aria-invalid={fault !== undefined}
      aria-describedby={fault ? `step-${p.step.id}-wrong` : undefined}
      onChange={(e) =>
        p.actions.changeStep(
          p.step.id,
          (s) => ({ ...s, [field]: e.target.value }) as Step,
          `${p.step.id}-${field}`,
        )
      }
    />
  );
}

function Chosen<T extends string>({
  label,
  value,
  among,
  set,
}: {
  label: string;
  value: T;
  among: readonly (readonly [T, string])[];
  set: (value: T) => void;
}) {
  return (
    <select
      aria-label={label}
      className="stitch font-normal py-0.5"
      value={value}
      onChange={(e) => set(e.target.value as T)}
    >
      {among.map(([v, words]) => (
        <option key={v} value={v}>
          {words}
        </option>
      ))}
    </select>
  );
}

const places = PLACES.map((x) => [x, PLACE_WORDS[x]] as const);
const wringings = WRINGING.map((x) => [x, WRINGING_WORDS[x]] as const);
const lids = [
  ["on", "lid on"],
  ["off", "lid off"],
] as const;
const heats = [
  ["no", "cooled"],
  ["yes", "hot, from the boil"],
] as const;

/** How far the level sinks in the pot, as a stick shows it. */
function LevelDrops({ fromCm, toCm }: Pick<Props, "fromCm" | "toCm">) {
  const units = useUnits();
  if (fromCm === undefined || toCm === undefined || fromCm - toCm < 0.1) return null;
  return (
    <span className="block" data-testid="level-drops">
      the level drops {units.length(fromCm - toCm)}, from {units.length(fromCm)} to {units.length(toCm)}
    </span>
  );
}

/** What one step says, each part of it changed in its place. */
function Words({ p }: { p: Props }) {
  const { step: s, actions } = p;
  const set = <D extends Step["do"]>(to: Partial<StepOf<D>>): void =>
    actions.changeStep(s.id, (x) => ({ ...x, ...to }) as Step);
  switch (s.do) {
    case "simmer":
      return (
        <>
          simmer <Said p={p} label="Simmer: how long" field="for" value={s.for} width="w-24" />
          {", "}
          <Chosen
            label="Simmer: lid"
            value={s.lid ?? "on"}
            among={lids}
            set={(lid) => set<"simmer">({ lid })}
          />
        </>
      );
    case "reduce":
      return (
        <>
          boil down to <Said p={p} label="Boil down to" field="to" value={s.to} width="w-24" />
          <LevelDrops fromCm={p.fromCm} toCm={p.toCm} />
        </>
      );
    case "pressure":
      return (
        <>
          under pressure{" "}
          <Said p={p} label="Under pressure: how long" field="for" value={s.for} width="w-24" />
        </>
      );
    case "steep":
      return (
        <>
          let it stand <Said p={p} label="Stand: how long" field="for" value={s.for} width="w-28" />{" "}
          <Chosen
            label="Stand: where"
            value={s.in ?? "dark-cupboard"}
            among={places}
            set={(place) => set<"steep">({ in: place })}
          />
        </>
      );
    case "cool":
      return (
        <>
          cool to <Said p={p} label="Cool to" field="to" value={s.to} width="w-24" />
        </>
      );
    case "strain":
      return (
        <>
          strain and measure,{" "}
          <Chosen label="Strain: how" value={s.how} among={wringings} set={(how) => set<"strain">({ how })} />
        </>
      );
    case "bottle":
      return (
        <>
          bottle it{" "}
          <Chosen
            label="Bottle: how warm"
            value={s.hot ? "yes" : "no"}
            among={heats}
            set={(hot) => set<"bottle">({ hot: hot === "yes" })}
          />
        </>
      );
    case "add":
      return <>then add{s.what.length === 0 ? ": nothing yet" : ""}</>;
  }
}

/** What else is done at a step, in the maker’s own words: a touch opens it, and they are read out at the stove. */
function OwnWords({
  step: s,
  name,
  actions,
}: {
  step: Step;
  name: string;
  actions: Pick<LineActions, "changeStep">;
}) {
  const [open, setOpen] = useState(false);
  const say = (text: string): void =>
    actions.changeStep(
      s.id,
      ({ words: _, ...x }) => (text === "" ? x : { ...x, words: text }) as Step,
      `${s.id}-words`,
    );
  if (!open && !s.words)
    return (
      <button
        type="button"
        className="plain ml-2"
        aria-label={`${name}: in your own words`}
        onClick={() => setOpen(true)}
      >
        + words
      </button>
    );
  return (
    <input
      className="block w-full bg-transparent border-b border-dashed border-ash text-iron"
      aria-label={`${name}: in your own words`}
      autoFocus={open}
      maxLength={500}
      placeholder="what else is done, in your own words"
      value={s.words ?? ""}
      onChange={(e) => say(e.target.value)}
      onBlur={() => setOpen(false)}
    />
  );
}

/** A step between the things that go in: said in words, changed where it stands, moved and taken out. */
export const StepRow = memo(function StepRow(p: Props) {
  const { step: s, actions } = p;
  const name = STEP_WORDS[s.do];
  const fault = p.faults[0];
  const touch = "text-ash hover:text-cobalt min-w-7 min-h-7 inline-grid place-items-center";
  return (
    <li className="border-b border-rule py-1.5 pl-8" data-step={s.id}>
      <div className="flex items-center gap-x-2">
        <span className="quiet grow min-w-0">
          <Words p={p} />
          <OwnWords step={s} name={name} actions={actions} />
        </span>
        {!p.first && (
          <button
            type="button"
            className={touch}
            aria-label={`${name}: earlier`}
            onClick={() => actions.nudgeStep(s.id, -1)}
          >
            {UP}
          </button>
        )}
        {!p.last && (
          <button
            type="button"
            className={touch}
            aria-label={`${name}: later`}
            onClick={() => actions.nudgeStep(s.id, 1)}
          >
            {DOWN}
          </button>
        )}
        <button
          type="button"
          className="text-ash hover:text-rust min-w-7 min-h-7 inline-grid place-items-center"
          aria-label={`Take out the step: ${name}`}
          onClick={() => actions.removeStep(s.id)}
        >
          {OUT}
        </button>
      </div>
      {fault && (
        <Wrong
          id={`step-${s.id}-wrong`}
          fault={fault}
          put={(text) => actions.changeStep(s.id, (x) => ({ ...x, [String(fault.path[2])]: text }) as Step)}
        />
      )}
      {p.cautions.map((c, i) => (
        <CautionNote
          key={`${c.id}-${i}`}
          caution={c}
          reason={p.reasons[c.id] ?? ""}
          giveReason={p.giveReason}
        />
      ))}
    </li>
  );
});
