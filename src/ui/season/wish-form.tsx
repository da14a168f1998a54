"use client";
import { useState } from "react";
import type { Fault } from "@/core/fault";
import { readMeasured } from "@/core/reading/amounts";
import { readWish, type SaidWish } from "@/core/season/said";
import { type Gift, type Use, Wish } from "@/core/season/wish";
import type { Told } from "@/core/season/told";
import type { Kind } from "@/core/plan/plan";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { type Typed, blankTyped, faultsOf, typedOf, wishOf } from "./typed-wish";
import { useWriteSeason } from "./use-wish";
import { GiftFields, UseFields } from "./wish-fields";

/** A remedy a wish may be of. */
export interface Known {
  readonly name: string;
  readonly kind: Kind;
  readonly recipe?: string;
}

/** What a sentence said, laid into the fields; what it left open stays to be filled in. */
function laidIn(typed: Typed, said: SaidWish, known: readonly Known[]): Typed {
  const remedy = said.remedy ?? typed.remedy;
  const recipe = known.find((k) => k.name === remedy?.name && k.kind === remedy.kind)?.recipe ?? typed.recipe;
  const { use, gift } = said;
  const saysUse = Object.keys(use).length > 0;
  return {
    ...typed,
    remedy,
    recipe,
    never: typed.never || said.never,
    uses: saysUse ? [...typed.uses, typedUse(use)] : typed.uses,
    gifts: gift ? [...typed.gifts, typedGift(gift)] : typed.gifts,
  };
}
const typedUse = (u: Partial<Use>): Typed["uses"][number] => ({
  people: u.people === undefined ? "" : String(u.people),
  said: u.said ?? "",
  times: u.times === undefined ? "" : String(Math.round(u.times * 1000) / 1000),
  from: u.months?.[0],
  to: u.months?.[1],
});
const typedGift = (g: Partial<Gift>): Typed["gifts"][number] => ({
  day: g.day ?? "",
  count: g.count === undefined ? "" : String(g.count),
  said: g.said ?? "",
});

/** The sentence a wish is said in. */
function Sentence({
  of,
  told,
  known,
  lay,
}: {
  of: Known | undefined;
  told: Told;
  known: readonly Known[];
  lay: (s: SaidWish) => void;
}) {
  const { household } = useUnits();
  const [text, setText] = useState("");
  const [said, setSaid] = useState<SaidWish | undefined>();
  const read = (): void => {
    const is = readWish(text, { known, of, today: told.today, units: household, south: told.south });
    setSaid(is);
    if (is.remedy && is.left.length === 0) {
      lay(is);
      setText("");
    }
  };
  const unread =
    said && said.left.length > 0
      ? `Nothing was made of “${said.left.join(" ")}”. Strike it, or say it in the fields below.`
      : undefined;
  const open = said?.asks.find((f) => f.name === "WhichRemedy");
  const message = unread ?? open?.message;
  return (
    <form
      className="grid gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        read();
      }}
    >
      <Field
        id="season-said"
        label="say what is wanted"
        fault={message === undefined ? undefined : { message }}
      >
        {(tied) => (
          <input
            {...tied}
            className="field w-full"
            maxLength={300}
            value={text}
            placeholder="fire cider for four, from November to March, a tablespoon each morning"
            onChange={(e) => setText(e.target.value)}
          />
        )}
      </Field>
      <div className="flex flex-wrap items-center gap-x-4">
        <button type="submit" className="plain min-h-11" disabled={text.trim() === ""}>
          read it into the fields
        </button>
        {said && !message && said.asks.length > 0 && (
          <ul role="status">
            {said.asks.map((f) => (
              <li key={f.name}>{f.message}</li>
            ))}
          </ul>
        )}
      </div>
    </form>
  );
}

interface InFields {
  readonly typed: Typed;
  readonly change: (to: Partial<Typed>) => void;
}

/** Which remedy a new wish is of. */
function WhichRemedy({
  typed,
  change,
  known,
  fault,
}: InFields & { known: readonly Known[]; fault: Fault | undefined }) {
  const choose = (name: string): void => {
    const is = known.find((k) => k.name === name);
    if (is) change({ remedy: { name: is.name, kind: is.kind }, recipe: is.recipe });
  };
  return (
    <Field id="season-remedy" label="of which remedy" fault={fault}>
      {(tied) => (
        <select
          {...tied}
          className="field"
          value={typed.remedy?.name ?? ""}
          onChange={(e) => choose(e.target.value)}
        >
          <option value="">choose one</option>
          {known.map((k) => (
            <option key={`${k.kind} ${k.name}`}>{k.name}</option>
          ))}
          {typed.remedy && !known.some((k) => k.name === typed.remedy?.name) && (
            <option>{typed.remedy.name}</option>
          )}
        </select>
      )}
    </Field>
  );
}

/** Whether it may run out, and how much that counts. */
function HowItCounts({ typed, change }: InFields) {
  return (
    <div className="flex flex-wrap items-center gap-x-8 gap-y-2">
      <label className="flex items-center gap-2 min-h-11">
        <input
          type="checkbox"
          className="w-6 h-6 accent-cobalt"
          checked={typed.never}
          onChange={(e) => change({ never: e.target.checked })}
        />
        never to run out
      </label>
      {!typed.never && (
        <label className="flex items-center gap-2 min-h-11">
          a day without it counts
          <select
            className="field"
            value={typed.counts}
            onChange={(e) => change({ counts: e.target.value as Typed["counts"] })}
          >
            <option value="much">much</option>
            <option value="some">some</option>
            <option value="little">little</option>
          </select>
        </label>
      )}
      <label className="flex items-center gap-2 min-h-11">
        <input
          type="checkbox"
          className="w-6 h-6 accent-cobalt"
          checked={typed.learned}
          onChange={(e) => change({ learned: e.target.checked })}
        />
        learn from what is poured, where nothing is said
      </label>
    </div>
  );
}

/** A wish as it is written down or changed. */
export function WishForm({
  wish,
  of,
  told,
  known,
  done,
}: {
  wish: Wish | undefined;
  of: Known | undefined;
  told: Told;
  known: readonly Known[];
  done: () => void;
}) {
  const { household } = useUnits();
  const { write, sending, fault, clear } = useWriteSeason();
  const [typed, setTyped] = useState<Typed>(() => (wish ? typedOf(wish) : blankTyped(of)));
  const [wrong, setWrong] = useState<readonly Fault[]>([]);
  const change = (to: Partial<Typed>): void => {
    clear();
    setWrong([]);
    setTyped({ ...typed, ...to });
  };
  const keep = async (): Promise<void> => {
    const is = wishOf(typed, wish?.id ?? crypto.randomUUID(), (said) => readMeasured(said, household));
    if (!("wish" in is)) return setWrong(is.faults);
    if (await write("wished", { wish: is.wish })) done();
  };
  const at = (...path: (string | number)[]): Fault | undefined => faultsOf(wrong, path);
  return (
    <section
      aria-label={typed.remedy ? `What is wanted of ${typed.remedy.name}` : "A new wish"}
      className="grid gap-4 border-y-2 border-iron py-4 my-3"
    >
      <Sentence of={typed.remedy} told={told} known={known} lay={(s) => change(laidIn(typed, s, known))} />
      {!wish && !of && <WhichRemedy {...{ typed, known, change }} fault={at("remedy")} />}
      <UseFields typed={typed} change={change} at={at} />
      <GiftFields typed={typed} change={change} at={at} />
      <HowItCounts typed={typed} change={change} />
      {(fault ?? at()) && (
        <p role="alert" className="wrong">
          {(fault ?? at())!.message}
        </p>
      )}
      <div className="flex flex-wrap items-center gap-4">
        <button type="button" className="slab" disabled={sending} onClick={() => void keep()}>
          keep this wish
        </button>
        <button type="button" className="plain min-h-11" onClick={done}>
          leave it
        </button>
        {(wish ?? of) && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={sending}
            onClick={() =>
              void write("dropped", { wish: wish?.id ?? idOf(of!), why: "" }).then((ok) => ok && done())
            }
          >
            out of the plan
          </button>
        )}
      </div>
    </section>
  );
}
/** How a remedy is named in the plan where nobody wished it. */
const idOf = (k: Known): string => `${k.kind}: ${k.name.toLowerCase()}`.slice(0, 100);
