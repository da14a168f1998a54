"use client";
import { Told } from "../kit/told";
import { useUnits } from "../kit/units";
import { type RefObject, useDeferredValue, useMemo, useRef, useState } from "react";
import { z } from "zod";
import type { Answer, Answers, Place } from "@/core/exchange/pasted/parts";
import { type Pasted, readPasted } from "@/core/exchange/pasted/pasted";
import { measuresIn } from "@/core/exchange/pasted/stated";
import { MOST_ROWS } from "@/core/exchange/pasted/rows";
import { toText } from "@/core/exchange/written";
import type { Fault } from "@/core/fault";
import { FORMS } from "@/core/material/classes";
import { KIND } from "@/core/plan/kinds";
import { KINDS, type Kind, type Plan } from "@/core/plan/plan";
import type { UnitSystem } from "@/core/quantity/units";
import type { Stored } from "@/core/stores/events";
import type { Busy } from "@/core/stores/free";
import { storesOf } from "@/core/stores/stores";
import { counted } from "@/core/words";
import { usualJar, potsOf } from "../bench/fittings";
import { ChooseFile } from "../kit/choose-file";
import { useDraft } from "../kit/draft";
import { useOunces } from "../plan/ounces";
import { verdictHead } from "../plan/verdict-words";
import { reckonedPlan } from "@/core/formulary/reckoned";
import { KeepIt } from "./keep-it";
import { readFile } from "./read-file";
import { Understood } from "./understood";

interface Props {
  readonly household: UnitSystem;
  readonly items: readonly Stored[];
  readonly busy: readonly Busy[];
}

/** What stands in the pane: words, and the plan itself while they are the words of one that came whole. */
interface Draft {
  readonly text: string;
  readonly whole: Plan | undefined;
  readonly file: string | undefined;
  readonly kind: Kind | undefined;
  /** What was answered about its words. */
  readonly answers: Answers;
}
const EMPTY: Draft = { text: "", whole: undefined, file: undefined, kind: undefined, answers: {} };
const KeptDraft = z.object({
  text: z.string().min(1),
  answers: z
    .record(
      z.string(),
      z.object({
        path: z.array(z.number().int().min(0).max(100)).max(20).optional(),
        form: z.enum(FORMS).optional(),
        out: z.literal(true).optional(),
      }),
    )
    .catch({}),
});
const readDraft = (kept: unknown): Draft | undefined => {
  const draft = KeptDraft.safeParse(kept);
  return draft.success
    ? { ...EMPTY, text: draft.data.text, answers: draft.data.answers as Answers }
    : undefined;
};

/** More letters than this are no recipe; what is past them is not read, and that is said. */
const MOST_LETTERS = 100_000;
const isTooLong = (text: string): boolean =>
  text.length > MOST_LETTERS || text.split("\n", MOST_ROWS + 1).length > MOST_ROWS;

/** Says what the recipe comes to, and what its writer claims beside it. */
function Comes({
  plan,
  pasted,
  stores,
}: {
  plan: Plan;
  pasted: Pasted;
  stores: ReturnType<typeof storesOf>;
}) {
  const units = useUnits();
  const made = useMemo(() => reckonedPlan(plan, stores.catalogue), [plan, stores]);
  if (!made)
    return <p className="wrong pt-2">It cannot be reckoned yet. Lay it on the Bench, where it says why.</p>;
  const head = verdictHead(made.reckoning.verdict);
  return (
    <p className="pt-2">
      It makes about <strong>{units.volumeBoth(made.reckoning.finished.ml.value)}</strong>. {head.place}{" "}
      {head.life}
      {pasted.claims.map((c) => (
        <span key={c.words} className="quiet block">
          The writer says: “{c.words}”.
        </span>
      ))}
    </p>
  );
}

/** What is pasted that is a plan, a page or a code rather than words. */
const WHOLE = /^\s*[{[<]|^\s*\d{12,}\s*$|[?&]plan=\d/;

/** What stands in the pane, read as it is typed; and what may be done with it. */
function useWriting({ household, items, busy }: Props) {
  const { market } = useUnits();
  const stores = useMemo(() => storesOf(items), [items]);
  const ounces = useOunces();
  const draft = useDraft<Draft>("jolly-write-in", EMPTY, readDraft);
  const { text, kind, answers } = draft.value;
  const [fault, setFault] = useState<Fault | undefined>();
  const system = measuresIn(text) ?? household;
  const asked = useDeferredValue(text);
  const jar = useMemo(() => usualJar(stores, busy, household), [stores, busy, household]);
  const pasted = useMemo(
    () =>
      readPasted(asked.slice(0, MOST_LETTERS), {
        ...{ system, catalogue: stores.catalogue, ounces, kind, jar, answers },
        pot: potsOf(market).pot,
      }),
    [asked, system, stores, ounces, kind, jar, answers, market],
  );
  const type = (next: string): void => {
    setFault(undefined);
    draft.set({ ...EMPTY, text: next, kind, answers });
  };
  const say = (key: string, answer: Answer | undefined): void => {
    const { [key]: _was, ...others } = answers;
    draft.set({ ...draft.value, answers: answer ? { ...others, [key]: answer } : others });
  };
  const put = (from: number, to: number, said: string): void =>
    type(text.slice(0, from) + said + text.slice(to));
  const take = async (given: File | string, name?: string): Promise<void> => {
    setFault(undefined);
    const read = await readFile(given);
    if (!read.ok) return setFault(read.faults[0]);
    const plan = "plan" in read.value ? read.value.plan : undefined;
    const words = "plan" in read.value ? toText(read.value.plan, stores.catalogue) : read.value.text;
    draft.set({ ...EMPTY, text: words, whole: plan, file: name });
  };
  return { stores, draft, pasted, fault, type, put, take, say };
}
type Writing = ReturnType<typeof useWriting>;

/** A file, a picture of a card; or a clean page. */
function GivenAsFile({ w }: { w: Writing }) {
  return (
    <p className="flex flex-wrap gap-x-4 items-center">
      <ChooseFile
        words="a file, or a picture of a card"
        label="a recipe file, or a picture of a card"
        accept=".json,.jsonld,.md,.txt,.html,.htm,image/*"
        take={(file) => void w.take(file, file.name)}
      />
      {w.draft.value.text !== "" && (
        <button type="button" className="plain min-h-11" onClick={() => w.draft.set(EMPTY)}>
          clear it
        </button>
      )}
    </p>
  );
}

/** The page it is written or pasted on. */
function Page({ w, area }: { w: Writing; area: RefObject<HTMLTextAreaElement | null> }) {
  const { text } = w.draft.value;
  return (
    <div className="min-w-0">
      <label htmlFor="recipe-text" className="quiet block">
        a recipe, as it was told
      </label>
      <textarea
        id="recipe-text"
        ref={area}
        className="field w-full min-h-[10rem] leading-[1.6] resize-y"
        rows={Math.min(14, Math.max(6, text.split("\n").length + 1))}
        value={text}
        maxLength={400_000}
        aria-invalid={w.fault !== undefined}
        aria-describedby={w.fault ? "write-in-wrong" : undefined}
        placeholder={
          "Winter damson, from the lock above\na good pound of damsons, stones out\ncover with water and half an hour\n…"
        }
        onPaste={(e) => {
          const html = e.clipboardData.getData("text/html");
          const given = e.clipboardData.getData("text/plain");
          // What is pasted into an empty page is taken whole: a plan, a page, a code; into words it is words.
          if (text.trim() !== "" || !WHOLE.test(given || html)) return;
          e.preventDefault();
          void w.take(given || html);
        }}
        onChange={(e) => w.type(e.target.value)}
      />
      {isTooLong(text) && (
        <p role="alert" className="wrong">
          That is longer than a recipe: only its beginning is read. Paste one recipe at a time.
        </p>
      )}
      {w.fault && (
        <p id="write-in-wrong" role="alert" className="wrong">
          <Told of={w.fault.message} />
        </p>
      )}
      <GivenAsFile w={w} />
    </div>
  );
}

/** How much of it was read, what asks, and which kind it is taken for. */
function HowItReads({ w }: { w: Writing }) {
  const { draft, pasted } = w;
  const { whole } = draft.value;
  const { read, asked, notes } = pasted.counts;
  return (
    <>
      <p className="pt-1" role="status">
        {counted(read, "thing", "things")} read,{" "}
        {asked === 0 ? "none asks" : `${asked} ask${asked === 1 ? "s" : ""}`}
        {notes > 0 ? `, ${counted(notes, "note", "notes")}` : ""}.{" "}
        <label>
          <span className="quiet">It is </span>
          <select
            className="stitch"
            aria-label="Kind of the recipe"
            value={(whole ?? pasted).kind}
            disabled={whole !== undefined}
            onChange={(e) => draft.set({ ...draft.value, kind: KINDS.find((k) => k === e.target.value) })}
          >
            {KINDS.map((k) => (
              <option key={k} value={k}>
                {KIND[k].name}
              </option>
            ))}
          </select>
        </label>
        {!pasted.kindSure && !whole && <span className="quiet"> (guessed)</span>}
      </p>
      {!whole &&
        pasted.took.map((t) => (
          <p key={t} className="quiet">
            {t}
          </p>
        ))}
    </>
  );
}

/** Write or paste a recipe, in your own words: read as it is typed, and beside it what was understood, asked and left. */
export function WriteIn(props: Props) {
  const w = useWriting(props);
  const area = useRef<HTMLTextAreaElement>(null);
  /** The words in the page itself, marked, to be said otherwise. */
  const find = ({ from, to }: Place): void => {
    area.current?.focus();
    area.current?.setSelectionRange(from, to);
  };
  const { stores, draft, pasted } = w;
  const { text, whole, file } = draft.value;
  const plan = whole ?? pasted.plan;
  const from =
    file === undefined
      ? ({ as: "pasted", text: text.slice(0, 40_000) } as const)
      : ({ as: "file", name: file.slice(0, 200) } as const);
  return (
    <section aria-labelledby="write-in" className="min-w-0">
      <h2 id="write-in" className="ruled-head">
        Write or paste one in, in your own words
      </h2>
      <div
        className="pt-2"
        onDragOver={(e) => e.preventDefault()}
        onDrop={(e) => {
          const [dropped] = e.dataTransfer.files;
          if (!dropped) return;
          e.preventDefault();
          void w.take(dropped, dropped.name);
        }}
      >
        <Page w={w} area={area} />
        <Understood
          {...{ pasted, whole, put: w.put, find, say: w.say }}
          answers={draft.value.answers}
          catalogue={stores.catalogue}
        />
      </div>
      {text.trim() !== "" && <HowItReads w={w} />}
      {plan && (
        <>
          <Comes plan={plan} pasted={pasted} stores={stores} />
          <KeepIt
            plan={plan}
            open={whole ? 0 : pasted.counts.asked}
            from={from}
            catalogue={stores.catalogue}
            kept={() => draft.clear()}
          />
        </>
      )}
    </section>
  );
}
