"use client";
import { useEffect, useRef, useState } from "react";
import type { Day } from "@/core/day";
import { FLAG_WORDS, type Person, isChild, isInfant } from "@/core/people/person";
import { NoLongerHere, PuttingAway } from "../stores/put-away";
import { CLEAR, PersonForm } from "./person-form";
import { EmptyPlace, type Sitter, SitterFigure, Struck } from "./sitter";

/** How many things somebody must not have are named at once; the rest stand behind a touch. */
const NAMED = 4;

function ageWords(p: Person, today: Day): string {
  if (isInfant(p, today)) return ", under twelve months";
  return isChild(p, today) ? ", a child" : "";
}

/** What is known of somebody, in one line. */
function saysOf(p: Person, today: Day): string {
  const says = [
    p.born ? `born ${p.born}${ageWords(p, today)}` : "",
    ...p.flags.map((f) => FLAG_WORDS[f]),
    p.allergies.length > 0 ? `allergic to ${p.allergies.join(", ")}` : "",
    p.surgery ? `an operation on ${p.surgery}` : "",
  ].filter((x) => x !== "");
  return says.length > 0 ? says.join("; ") : "nothing to think of";
}

function MustNot({ of }: { of: Sitter["mustNot"][number] }) {
  return (
    <li className="flex items-center gap-2 py-0.5" title={of.says}>
      <Struck substance={of.substance} grave={of.grave} />
      <span className={of.grave === "no" ? "text-rust font-bold" : ""}>
        {of.grave === "no" ? "no" : "ask first:"} {of.name}
        <span className="sr-only">. {of.says}</span>
      </span>
    </li>
  );
}

/** What of the house is not for somebody. */
function NotForThem({ all }: { all: Sitter["mustNot"] }) {
  if (all.length === 0) return <p className="quiet pt-2">may have all that is here</p>;
  const more = all.slice(NAMED);
  return (
    <div className="pt-2">
      <ul>
        {all.slice(0, NAMED).map((n) => (
          <MustNot key={n.material} of={n} />
        ))}
      </ul>
      {more.length > 0 && (
        <details>
          <summary className="quiet min-h-11 content-center">{more.length} more of what is here</summary>
          <ul>
            {more.map((n) => (
              <MustNot key={n.material} of={n} />
            ))}
          </ul>
        </details>
      )}
    </div>
  );
}

/** Someone at their place, and under it what is theirs. */
function Place({
  of,
  at,
  today,
  open,
  change,
}: {
  of: Sitter;
  at: number;
  today: Day;
  open: boolean;
  change: () => void;
}) {
  return (
    <li className="min-w-0">
      <div className="flex justify-center border-b-8 border-iron">
        <SitterFigure of={of} at={at} today={today} />
      </div>
      <div className="px-2">
        <button type="button" className="text-lg min-h-11 text-left" aria-expanded={open} onClick={change}>
          <span className="sr-only">change </span>
          <span className="stitch">{of.person.name}</span>
        </button>
        <p className="quiet">{saysOf(of.person, today)}</p>
        {of.cups.map((c, i) => (
          <p key={i} className="pt-1.5">
            <strong>{c.words}</strong>
            <span className="quiet block">{c.of}</span>
          </p>
        ))}
        <NotForThem all={of.mustNot} />
      </div>
    </li>
  );
}

/** The paper on which somebody is written down, before which one finds oneself when it opens. */
function OnPaper({ label, children }: { label: string; children: React.ReactNode }) {
  const paper = useRef<HTMLElement>(null);
  useEffect(() => {
    paper.current?.querySelector("input")?.focus();
  }, []);
  return (
    <section ref={paper} aria-label={label} className="bg-glaze px-4 pb-2 mt-4">
      {children}
    </section>
  );
}

/** Who lives here, at the table: their measures before them, what they must not have under them. */
export function Table({ sitters, today }: { sitters: readonly Sitter[]; today: Day }) {
  const [open, setOpen] = useState<string | undefined>();
  const [fresh, setFresh] = useState("");
  const shut = (): void => {
    setOpen(undefined);
    setFresh("");
  };
  const picked = sitters.find((s) => s.id === open);
  return (
    <PuttingAway>
      <section aria-labelledby="people">
        <h2 id="people" className="sr-only">
          Who lives here
        </h2>
        <ul
          data-drawing=""
          className="grid grid-cols-[repeat(auto-fill,minmax(min(100%,9.5rem),1fr))] sm:grid-cols-[repeat(auto-fill,minmax(min(100%,13.5rem),1fr))] gap-y-6"
        >
          {sitters.map((s, i) => (
            <Place
              key={s.id}
              of={s}
              at={i}
              today={today}
              open={open === s.id}
              change={() => {
                setFresh("");
                setOpen(open === s.id ? undefined : s.id);
              }}
            />
          ))}
          <li className="min-w-0">
            <div className="flex justify-center border-b-8 border-iron">
              <EmptyPlace />
            </div>
            <div className="px-2">
              <button
                type="button"
                className="text-lg min-h-11 text-left"
                aria-expanded={fresh !== ""}
                onClick={() => {
                  setOpen(undefined);
                  setFresh(fresh === "" ? crypto.randomUUID() : "");
                }}
              >
                <span className="stitch">write someone down</span>
              </button>
              <p className="quiet">a short name or a role, and what the cautions should think of</p>
            </div>
          </li>
        </ul>
        {picked && (
          <OnPaper key={`${picked.id} ${picked.seq}`} label={`Of ${picked.person.name}`}>
            <PersonForm id={picked.id} start={picked.person} seen={picked.seq} done={shut} />
            <NoLongerHere id={picked.id} words={picked.person.name} why="moved out" seq={picked.seq} />
          </OnPaper>
        )}
        {fresh !== "" && (
          <OnPaper key={fresh} label="Someone more">
            <PersonForm id={fresh} start={CLEAR} done={shut} />
          </OnPaper>
        )}
        <p className="quiet pt-4 max-w-prose">
          What is struck through is of what stands in your Stores, with honey and spirit; the Bench looks
          along this table every time, and asks no more of anyone than is written here.
        </p>
      </section>
    </PuttingAway>
  );
}
