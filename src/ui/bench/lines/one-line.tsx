"use client";
import { memo } from "react";
import { useSortable } from "@dnd-kit/sortable";
import { CSS } from "@dnd-kit/utilities";
import { ChevronDown, ChevronUp, X } from "lucide-react";

import type { Fault } from "@/core/fault";

import { stuffOf } from "@/core/material/material";

import { Swatch, substanceOf } from "../../figures/substance";
import { Wrong } from "../../kit/field";
import { focusBeside } from "../../kit/focus";
import { useUnits } from "../../kit/units";
import { CautionNote } from "../../plan/cautions";

import { LineMore } from "./line-more";
import { SayOtherwise } from "./say-otherwise";
import { Took } from "./took";
import { FormAndCut, Strength, comesTo } from "./line-words";
import type { LineProps } from "./line-props";

// Made once: the same element is not drawn again.
const UP = <ChevronUp size={15} />;
const DOWN = <ChevronDown size={15} aria-hidden="true" />;
const OUT = <X size={17} />;
/** The field that adds a line. */
const ADDS = 'input[placeholder^="add: type"]';

/** What is wrong with a line, what was changed on it, and the cautions it raises. */
function Beneath({
  p,
  name,
  amount,
  strength,
  other,
}: {
  p: LineProps;
  name: string;
  amount?: Fault | undefined;
  strength?: Fault | undefined;
  other?: Fault | undefined;
}) {
  const { line, hint, actions } = p;
  const id = `line-${line.id}`;
  const set = (field: "amount" | "strength") => (text: string) =>
    actions.change(line.id, (l) => ({ ...l, [field]: text }), `${line.id}-put-right`);
  return (
    <>
      {hint && hint.was.amount !== line.amount && (
        <p className="quiet pl-8" role="status">
          By dry matter: {hint.was.amount} was {line.amount} now.{" "}
          <button
            type="button"
            className="plain min-h-7"
            aria-label={`${name}: ${hint.was.amount} all the same`}
            onClick={() =>
              actions.change(line.id, (l) => ({ ...l, amount: hint.was.amount }), `${line.id}-as-it-was`)
            }
          >
            {hint.was.amount} all the same
          </button>
        </p>
      )}
      {amount && <Wrong id={`${id}-wrong`} fault={amount} put={set("amount")} className="pl-8" />}
      {strength && (
        <Wrong id={`${id}-strength-wrong`} fault={strength} put={set("strength")} className="pl-8" />
      )}
      {other && <Wrong fault={other} className="pl-8" />}
      {p.cautions.map((c, i) => (
        <CautionNote
          key={`${c.id}-${i}`}
          caution={c}
          reason={p.reasons[c.id] ?? ""}
          giveReason={p.giveReason}
        />
      ))}
      {line.gathered === undefined && p.cautions.some((c) => c.id.startsWith("lookalike-")) && (
        <p className="pl-8 flex gap-x-5">
          {([true, false] as const).map((gathered) => (
            <button
              key={String(gathered)}
              type="button"
              className="plain min-h-11"
              aria-label={`${name}: ${gathered ? "gathered" : "bought or grown"}`}
              onClick={() => actions.change(line.id, (l) => ({ ...l, gathered }), `${line.id}-gathered`)}
            >
              {gathered ? "I gathered it" : "bought or grown"}
            </button>
          ))}
        </p>
      )}
    </>
  );
}

/** What a line is of, and what is wrong with it, by its fields. */
function partsOf(p: LineProps) {
  const { line } = p;
  const material = p.catalogue.get(line.material);
  const found = material ? stuffOf(material, { form: line.form, cut: line.cut }) : undefined;
  const amount = p.faults.find((f) => f.path[4] === "amount" || f.path.length <= 4);
  const strength = p.faults.find((f) => f.path[4] === "strength");
  const cooked = p.faults.find((f) => f.path[4] === "cooked");
  return {
    material,
    stuff: found?.ok ? found.value : undefined,
    name: line.called ?? material?.row.names[0] ?? line.material,
    /** The catalogue's name, where the maker's own is another. */
    known: line.called ? material?.row.names[0] : undefined,
    plant: material?.kind === "plant",
    bottled: material?.row.class === "vinegar" || material?.row.class === "spirit",
    wrong: {
      ...{ amount, strength, cooked },
      other: p.faults.find((f) => f !== amount && f !== strength && f !== cooked),
    },
  };
}
type Parts = ReturnType<typeof partsOf>;

/** The amount as typed, and other ways to say it. */
function Amount({ p, of }: { p: LineProps; of: Parts }) {
  const { line, actions } = p;
  const id = `line-${line.id}`;
  return (
    <>
      <input
        aria-label={`${of.name}: amount`}
        aria-invalid={of.wrong.amount !== undefined}
        aria-describedby={of.wrong.amount ? `${id}-wrong` : `${id}-exact`}
        className="stitch text-right py-0.5 w-[7.25rem]"
        value={line.amount}
        maxLength={10_000}
        onChange={(e) => actions.change(line.id, (l) => ({ ...l, amount: e.target.value }), `${id}-amount`)}
      />
      {of.stuff && p.grams !== undefined ? (
        <SayOtherwise
          id={line.id}
          name={of.name}
          amount={line.amount}
          stuff={of.stuff}
          grams={p.grams}
          system={p.system}
          sayAs={actions.sayIn}
        />
      ) : (
        <span />
      )}
    </>
  );
}

/** Under the name: form and cut; under the amount: what it comes to. */
function FormAndExact({ p, of }: { p: LineProps; of: Parts }) {
  const units = useUnits();
  const { material, stuff, plant } = of;
  const wide = plant ? "whitespace-nowrap" : "col-start-2 col-span-2";
  return (
    <>
      <span className="col-start-2 min-w-0">
        {plant && stuff && (
          <FormAndCut
            id={p.line.id}
            name={of.name}
            material={material!}
            form={stuff.form!}
            cut={stuff.cut}
            reform={p.actions.reform}
          />
        )}
      </span>
      <span
        id={`line-${p.line.id}-exact`}
        className={`quiet text-right ${p.stale ? "opacity-50" : ""} ${wide}`}
      >
        {comesTo(p, stuff, units)}
      </span>
    </>
  );
}

/** One line; drawn again only when it or what it comes to has changed, so that a drag touches only what moves. */
export const OneLine = memo(function OneLine(p: LineProps) {
  const { line, actions } = p;
  const sort = useSortable({ id: line.id });
  const of = partsOf(p);
  const { material, stuff, name, wrong } = of;
  return (
    <li
      ref={sort.setNodeRef}
      style={{ transform: CSS.Translate.toString(sort.transform), transition: sort.transition ?? undefined }}
      className={`border-b border-rule py-2 ${sort.isDragging ? "relative z-10 bg-glaze" : ""}`}
      data-line={line.id}
    >
      <div className="grid grid-cols-[28px_minmax(0,1fr)_auto_24px_56px] max-[20rem]:flex max-[20rem]:flex-wrap items-baseline gap-x-1.5">
        <button
          type="button"
          ref={sort.setActivatorNodeRef}
          {...sort.attributes}
          {...sort.listeners}
          aria-label={`Move ${name}: drag, or space and the arrow keys`}
          className="self-center min-h-7 min-w-7 inline-grid place-items-center cursor-grab touch-none"
        >
          {stuff ? <Swatch of={substanceOf(stuff)} /> : null}
        </button>
        <span className="min-w-0 break-words">
          {name}
          {of.known && <span className="block text-ash text-[0.9375rem]">{of.known}</span>}
          {line.note && (
            <button
              type="button"
              className="quiet text-left hover:line-through focus-visible:line-through"
              aria-label={`${name}: strike out “${line.note}”`}
              onClick={() => actions.change(line.id, ({ note: _note, ...l }) => l, `${line.id}-note`)}
            >
              ({line.note})
            </button>
          )}
          {line.optional && <span className="quiet"> if you like</span>}
          {of.bottled && <Strength p={p} name={name} material={material!} fault={wrong.strength} />}
          <LineMore line={line} name={name} plant={of.plant} fault={wrong.cooked} change={actions.change} />
        </span>
        <Amount p={p} of={of} />
        <button
          type="button"
          className="text-ash hover:text-rust min-w-7 min-h-7 inline-grid place-items-center self-center justify-self-center"
          aria-label={`Take out ${name}`}
          onClick={(e) => {
            focusBeside(e.currentTarget, 'button[aria-label^="Take out"]', ADDS);
            actions.remove(line.id);
          }}
        >
          {OUT}
        </button>
        <FormAndExact p={p} of={of} />
        <Earlier p={p} name={name} />
        {material && <Took line={line} material={material} catalogue={p.catalogue} actions={actions} />}
      </div>
      <Beneath p={p} name={name} amount={wrong.amount} strength={wrong.strength} other={wrong.other} />
    </li>
  );
});

/** One place earlier or later, into another step past the end of its own. */
function Earlier({ p, name }: { p: LineProps; name: string }) {
  const place = "text-ash hover:text-cobalt min-w-7 min-h-7 inline-grid place-items-center";
  return (
    <span className="col-start-5 inline-flex justify-center">
      {!p.first && (
        <button
          type="button"
          className={place}
          aria-label={`${name} earlier`}
          onClick={() => p.actions.nudge(p.line.id, -1)}
        >
          {UP}
        </button>
      )}
      {!p.last && (
        <button
          type="button"
          className={place}
          aria-label={`${name} later`}
          onClick={() => p.actions.nudge(p.line.id, 1)}
        >
          {DOWN}
        </button>
      )}
    </span>
  );
}
