"use client";
import { memo, useState } from "react";
import { Popover } from "radix-ui";
import type { Caution } from "@/core/cautions/caution";
import { FLAG_WORDS, type Person, isChild, isInfant } from "@/core/people/person";
import { KIND, waysOf } from "@/core/plan/kinds";
import { KINDS, type Kind, SAYINGS, SAYING_NAMES, type Saying } from "@/core/plan/plan";
import { listed } from "@/core/words";
import { CautionNote } from "../plan/cautions";

/** What may be changed here; the same functions from one drawing to the next. */
export interface HeadActions {
  readonly rename: (name: string) => void;
  readonly setKind: (kind: Kind) => void;
  readonly setWay: (id: string) => void;
  readonly setMeantFor: (names: readonly string[]) => void;
  readonly say: (what: Saying, words: string) => void;
}

interface Props {
  /** The name as typed; empty while it goes by its usual one. */
  readonly name: string;
  readonly usualName: string;
  readonly kind: Kind;
  readonly way: string;
  readonly meantFor: readonly string[];
  readonly taken: string;
  readonly purpose: string;
  readonly toldBy: string;
  readonly saidToKeep: string;
  readonly people: readonly Person[];
  readonly today: string;
  readonly cautions: readonly Caution[];
  readonly reasons: Readonly<Record<string, string>>;
  readonly giveReason: (id: string, why: string) => void;
  readonly actions: HeadActions;
}

const ageOf = (p: Person, today: string): string => {
  if (isInfant(p, today)) return "under twelve months";
  return isChild(p, today) ? "a child" : "";
};
const about = (p: Person, today: string): string =>
  [
    ageOf(p, today),
    ...p.flags.map((f) => FLAG_WORDS[f]),
    ...(p.allergies.length > 0 ? [`allergic to ${listed(p.allergies)}`] : []),
  ]
    .filter((x) => x !== "")
    .join(", ");

/** Whom it is meant for: nobody in particular, or some of the household. */
function MeantFor({
  meant,
  people,
  today,
  set,
}: {
  meant: readonly string[];
  people: readonly Person[];
  today: string;
  set: (names: readonly string[]) => void;
}) {
  const isMeant = (p: Person): boolean => meant.some((n) => n.toLowerCase() === p.name.toLowerCase());
  return (
    <Popover.Root>
      meant for{" "}
      <Popover.Trigger
        className="stitch font-normal text-left"
        aria-label={`Meant for ${meant.length > 0 ? listed(meant) : "anyone here"}; choose`}
      >
        {meant.length > 0 ? listed(meant) : "anyone here"}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          aria-label="Whom is it meant for"
          className="bg-paper border border-iron p-4 w-[22rem] max-w-[92vw] z-20"
        >
          <p className="font-semibold">Whom is it meant for?</p>
          {people.length === 0 && (
            <p className="quiet pt-1">
              Nobody is written down yet. <a href="/household">Say who lives here</a>, and the cautions think
              of them.
            </p>
          )}
          <ul>
            {people.map((p) => (
              <li key={p.name}>
                <label className="flex items-baseline gap-3 py-1.5 min-h-10 cursor-pointer">
                  <input
                    type="checkbox"
                    className="accent-cobalt w-5 h-5 shrink-0 translate-y-1"
                    checked={isMeant(p)}
                    onChange={(e) =>
                      set(
                        e.target.checked
                          ? [...meant, p.name]
                          : meant.filter((n) => n.toLowerCase() !== p.name.toLowerCase()),
                      )
                    }
                  />
                  <span>
                    {p.name}
                    {about(p, today) !== "" && <span className="text-ash">, {about(p, today)}</span>}
                  </span>
                </label>
              </li>
            ))}
          </ul>
          <p className="quiet pt-1">
            Nobody ticked: it is for anyone, and the whole household is thought of.
          </p>
          <Popover.Close className="plain min-h-11">done</Popover.Close>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

/** One of a few, chosen in the line of words it stands in. */
function Chosen({
  id,
  label,
  value,
  of,
  choose,
  className = "",
}: {
  id: string;
  label: string;
  value: string | undefined;
  of: readonly { readonly id: string; readonly name: string }[];
  choose: (id: string) => void;
  className?: string;
}) {
  return (
    <>
      <label className="sr-only" htmlFor={id}>
        {label}
      </label>
      <select
        id={id}
        className={`stitch ${className}`}
        value={value}
        onChange={(e) => choose(e.target.value)}
      >
        {of.map((x) => (
          <option key={x.id} value={x.id}>
            {x.name}
          </option>
        ))}
      </select>
    </>
  );
}

const KIND_NAMES = KINDS.map((id) => ({ id, name: KIND[id].name }));

const SAYS: Readonly<Record<Saying, { readonly label: string; readonly hint: string }>> = {
  taken: { label: "How it is taken, for the label", hint: "how it is taken, for the label" },
  purpose: { label: "What it is for; for your eyes alone", hint: "what it is for, yours alone" },
  toldBy: { label: "Who told it", hint: "who told it" },
  saidToKeep: { label: "How long others say it keeps", hint: "how long they say it keeps" },
};

/** Something that is only said of it. */
function OneSaying({ what, words, say }: { what: Saying; words: string; say: HeadActions["say"] }) {
  const { label, hint } = SAYS[what];
  return (
    <>
      <label className="sr-only" htmlFor={what}>
        {label}
      </label>
      <input
        id={what}
        className={`stitch font-normal max-w-full placeholder:text-cobalt mr-3 ${what === "toldBy" ? "w-32" : "w-60"}`}
        placeholder={hint}
        value={words}
        maxLength={SAYINGS[what].most}
        onChange={(e) => say(what, e.target.value)}
      />
    </>
  );
}

/** What is said of it stands there; what may be said besides comes at a touch. */
function Sayings({ p }: { p: Props }) {
  const [open, setOpen] = useState(false);
  const shown = SAYING_NAMES.filter((what) => open || p[what] !== "");
  return (
    <>
      {shown.map((what) => (
        <OneSaying key={what} what={what} words={p[what]} say={p.actions.say} />
      ))}
      {shown.length < SAYING_NAMES.length && (
        <button type="button" className="plain" onClick={() => setOpen(true)}>
          say more of it
        </button>
      )}
    </>
  );
}

/** What it is, how it is made, how long and where it stands, whom it is for. Drawn again only when one of these changes. */
export const BenchHead = memo(function BenchHead(p: Props) {
  const { actions } = p;
  const beside = (what: string): React.ReactNode =>
    p.cautions
      .filter((c) => c.about.what === what)
      .map((c, i) => (
        <CautionNote
          key={`${c.id}-${i}`}
          caution={c}
          reason={p.reasons[c.id] ?? ""}
          giveReason={p.giveReason}
        />
      ));
  return (
    <>
      <h1>
        <label htmlFor="name" className="sr-only">
          Name of the batch
        </label>
        <input
          id="name"
          className="w-full text-ellipsis bg-transparent font-bold border-b border-transparent hover:border-ash placeholder:text-iron placeholder:opacity-100"
          placeholder={p.usualName}
          value={p.name}
          maxLength={80}
          onChange={(e) => actions.rename(e.target.value)}
        />
      </h1>
      {beside("name")}
      <p className="pt-1 leading-8">
        <Chosen
          id="kind"
          label="Kind"
          value={p.kind}
          of={KIND_NAMES}
          choose={(kind) => actions.setKind(kind as Kind)}
        />
        {" · "}
        <Chosen
          id="way"
          label="Way"
          className="max-w-[min(15rem,100%)] font-normal"
          value={p.way}
          of={waysOf(p.kind)}
          choose={actions.setWay}
        />
        {" · "}
        <MeantFor meant={p.meantFor} people={p.people} today={p.today} set={actions.setMeantFor} />
        {" · "}
        <Sayings p={p} />
      </p>
      {beside("people")}
      {beside("taken")}
    </>
  );
});
