"use client";
import { useState } from "react";
import type { Place } from "@/core/stores/settings";
import Link from "../kit/link";
import { When } from "../kit/when";
import type { InHand } from "./bottle-words";
import { Look, Pour } from "./pour-and-look";
import type { Writing } from "./use-bottle";

/** A name or a reason, and the button that writes it. */
function Said({
  id,
  label,
  button,
  write,
  sending,
  refused,
  also,
}: {
  id: string;
  label: string;
  button: string;
  write: (said: string) => void;
  sending: boolean;
  /** Why it was not written. */
  refused?: string | undefined;
  /** What may be done besides, with what is typed so far. */
  also?: (said: string) => React.ReactNode;
}) {
  const [said, setSaid] = useState("");
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        write(said.trim());
      }}
    >
      <p className="grow">
        <label htmlFor={id} className="quiet block">
          {label}
        </label>
        <input
          id={id}
          className="field w-full"
          value={said}
          maxLength={60}
          aria-invalid={refused !== undefined}
          aria-describedby={refused ? `${id}-wrong` : undefined}
          onChange={(e) => setSaid(e.target.value)}
        />
      </p>
      <button type="submit" className="plain min-h-11" disabled={sending || said.trim() === ""}>
        {button}
      </button>
      {also?.(said.trim())}
      {refused && (
        <p id={`${id}-wrong`} role="alert" className="wrong basis-full">
          {refused}
        </p>
      )}
    </form>
  );
}

type Touch = "" | "move" | "look" | "give" | "throw";
const TOUCHES: readonly (readonly [Exclude<Touch, "">, string])[] = [
  ["move", "move it"],
  ["look", "look at it"],
  ["give", "give it away"],
  ["throw", "throw it out"],
];

const placesElsewhere = (bottle: InHand["bottle"], places: readonly Place[]): Place[] =>
  places.filter((x) => x.id !== bottle.at && !(bottle.at === undefined && x.class === bottle.place));

/** The way to its label, with whom it is for as far as that is typed. */
const GiftLabel = ({ batch, to }: { batch: string; to: string }) => (
  <Link
    href={`/batch/${batch}/label?sort=gift${to ? `&for=${encodeURIComponent(to)}` : ""}`}
    className="inline-flex items-center min-h-11"
  >
    its gift label
  </Link>
);

/** All that may be done with a bottle that stands somewhere. */
export function Touches({ p, w, places }: { p: InHand; w: Writing; places: readonly Place[] }) {
  const [open, setOpen] = useState<Touch>("");
  const { bottle } = p;
  const elsewhere = placesElsewhere(bottle, places);
  return (
    <>
      <Pour w={w} people={p.people} />
      <p className="flex flex-wrap gap-x-5 pt-2">
        {!bottle.openedDay && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={w.sending}
            onClick={() => void w.write("opened", {})}
          >
            open it
          </button>
        )}
        {TOUCHES.map(([touch, words]) => (
          <button
            key={touch}
            type="button"
            className="plain min-h-11"
            aria-expanded={open === touch}
            onClick={() => setOpen(open === touch ? "" : touch)}
          >
            {words}
          </button>
        ))}
        <button
          type="button"
          className="plain min-h-11"
          disabled={w.sending}
          onClick={() => void w.write("emptied", {})}
        >
          it is empty
        </button>
        <When w={w.when} />
      </p>
      {open === "move" && (
        <p className="flex flex-wrap gap-x-5 py-1" role="group" aria-label="Move it to">
          {elsewhere.map((x) => (
            <button
              key={x.id}
              type="button"
              className="plain min-h-11"
              disabled={w.sending}
              onClick={() =>
                void w.write("moved", { place: x.class, at: x.id }).then((ok) => ok && setOpen(""))
              }
            >
              to the {x.name}
            </button>
          ))}
        </p>
      )}
      {open === "look" && <Look w={w} done={() => setOpen("")} />}
      {open === "give" && (
        <Said
          id="give"
          label="to whom"
          button="given"
          sending={w.sending}
          refused={w.refused("given")?.message}
          write={(to) => void w.write("given", { to })}
          also={(to) => <GiftLabel batch={p.batchId} to={to} />}
        />
      )}
      {open === "throw" && (
        <Said
          id="throw"
          label="why"
          button="thrown out"
          sending={w.sending}
          write={(why) => void w.write("discarded", { why })}
        />
      )}
    </>
  );
}
