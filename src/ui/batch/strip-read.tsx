"use client";
import { useToday } from "../kit/when";
import { useRouter } from "../kit/router";
import { useRef, useState } from "react";
import type { ToBatch } from "@/contract/writes";
import { type Day, printDay } from "@/core/day";
import { type BoxRead, type OnStrip, readStrip } from "@/core/label/read-strip";
import { counted } from "@/core/words";
import { ChooseFile } from "../kit/choose-file";
import { pixelsOf } from "../kit/scan";
import { send } from "../kit/send";
import { toBatch } from "../kit/writes";
import { type StripWeek, type WeekSaid, saidOf, stripWeeks } from "./strip-weeks";

interface Props {
  readonly batch: string;
  readonly code: string;
  readonly begun: Day;
  readonly today: Day;
  /** What a tick stands for, and the days on which that is written already. */
  readonly what: ToBatch["touched"]["what"];
  readonly did: string;
  readonly doneDays: readonly Day[];
  readonly on: OnStrip;
}

/** A strip has fine lines: it is looked at larger than a code alone. */
const LARGEST = 3200;
type Read = readonly BoxRead[];

/** What came of a photograph: its boxes, or why it could not be read. */
async function readFrom(picture: Blob, p: Props): Promise<Read | string> {
  const { findCode } = await import("../kit/find-code");
  let pixels;
  try {
    pixels = await pixelsOf(picture, LARGEST);
  } catch {
    return "That is no picture this page can open. Take a photograph of the strip, as JPEG, PNG or WebP.";
  }
  const found = findCode(pixels);
  if (!found)
    return "The strip’s code cannot be made out. Take it nearer, flat on, in even light, the whole strip in it.";
  if (found.text !== p.code)
    return `That is the strip of ${found.text}, not of ${p.code}. Open its own page to read it.`;
  return readStrip(pixels, found.corners, p.on);
}

const WORDS: Readonly<Record<WeekSaid, string>> = {
  known: "written already",
  ticked: "ticked",
  empty: "not ticked",
  ask: "not sure",
  "not-yet": "still to come",
};

/** A week’s box as it was read; a touch says otherwise. */
function Week({ w, said, is, turn }: { w: StripWeek; said: WeekSaid; is: boolean; turn: () => void }) {
  const fixed = said === "known" || said === "not-yet";
  return (
    <li className="text-center w-20">
      <label className={`grid justify-items-center ${fixed ? "" : "cursor-pointer"}`}>
        <input
          type="checkbox"
          className="w-11 h-11 accent-cobalt"
          checked={said === "known" || is}
          disabled={fixed}
          onChange={turn}
        />
        <span>
          week {w.n}
          <span className={`block ${said === "ask" ? "text-rust font-bold" : "quiet"}`}>{WORDS[said]}</span>
        </span>
      </label>
    </li>
  );
}

/** Writes what the ticks say, one entry a week; one key each, so that nothing is written twice. */
function useWriting(p: Props) {
  const router = useRouter();
  const keys = useRef(new Map<number, string>());
  const [sending, setSending] = useState(false);
  const [wrong, setWrong] = useState("");
  const write = async (weeks: readonly StripWeek[]): Promise<boolean> => {
    setSending(true);
    setWrong("");
    for (const w of weeks) {
      const key = keys.current.get(w.n) ?? crypto.randomUUID();
      keys.current.set(w.n, key);
      const on = w.day === p.today ? {} : { on: w.day };
      const sent = await send(toBatch(p.batch, "touched", { what: p.what }, on), key);
      if (!sent.ok) {
        setWrong(`Week ${w.n}: ${sent.fault.message}`);
        setSending(false);
        router.refresh();
        return false;
      }
    }
    setSending(false);
    router.refresh();
    return true;
  };
  return { sending, wrong, write };
}

/** What will be written, and the bar that writes it. */
function Foot({
  todo,
  asked,
  did,
  sending,
  leave,
}: {
  todo: readonly StripWeek[];
  asked: number;
  did: string;
  sending: boolean;
  leave: () => void;
}) {
  const today = useToday();
  return (
    <>
      <p className="flex flex-wrap items-center gap-x-5 pt-2">
        <button type="submit" className="slab" disabled={sending || todo.length === 0}>
          {todo.length === 0 ? "Nothing new" : `${did} in ${counted(todo.length, "week")}: write it down`}
        </button>
        <button type="button" className="plain min-h-11" onClick={leave}>
          leave it
        </button>
        {asked > 0 && <span className="quiet">touch a box that is not sure where it was ticked</span>}
      </p>
      <p className="quiet">
        Each is written on the last day of its week
        {todo.at(-1)?.day ? `, to ${printDay(todo.at(-1)!.day, "long", today)}` : ""}.
      </p>
    </>
  );
}

/** The strip off the glass, read from a photograph: what is ticked is shown, what is not sure is asked, and only then is it written. */
export function StripRead(p: Props) {
  const weeks = stripWeeks(p.begun, p.on.boxes.length, p.today, p.doneDays);
  const [read, setRead] = useState<Read | undefined>();
  const [why, setWhy] = useState("");
  const [turned, setTurned] = useState<ReadonlyMap<number, boolean>>(new Map());
  const w = useWriting(p);
  const take = async (file: File): Promise<void> => {
    setWhy("Looking…");
    setRead(undefined);
    setTurned(new Map());
    const r = await readFrom(file, p);
    setWhy(typeof r === "string" ? r : "");
    if (typeof r !== "string") setRead(r);
  };
  const said = weeks.map((x, i) => saidOf(x, read?.[i]));
  const is = (i: number): boolean => turned.get(i) ?? said[i] === "ticked";
  /** What stands under a box: once it was touched, what it was made. */
  const shown = (i: number): WeekSaid => {
    if (!turned.has(i)) return said[i]!;
    return is(i) ? "ticked" : "empty";
  };
  const asked = said.filter((s, i) => s === "ask" && !turned.has(i)).length;
  const todo = weeks.filter((x, i) => said[i] !== "known" && x.come && is(i));
  return (
    <section aria-label="The strip">
      <ChooseFile
        words="read its strip from a photograph"
        label="A photograph of the strip"
        accept="image/jpeg,image/png,image/webp"
        camera
        take={(f) => void take(f)}
        className="min-h-11"
      />
      {why && (
        <p role="status" className={why === "Looking…" ? "quiet" : "wrong"}>
          {why}
        </p>
      )}
      {read && (
        <form
          className="bg-glaze p-3"
          onSubmit={(e) => {
            e.preventDefault();
            void w.write(todo).then((ok) => ok && setRead(undefined));
          }}
        >
          <ul className="flex flex-wrap gap-2">
            {weeks.map((x, i) => (
              <Week
                key={x.n}
                w={x}
                said={shown(i)}
                is={is(i)}
                turn={() => setTurned(new Map([...turned, [i, !is(i)]]))}
              />
            ))}
          </ul>
          <Foot {...{ todo, asked }} did={p.did} sending={w.sending} leave={() => setRead(undefined)} />
          {w.wrong && (
            <p role="alert" className="wrong">
              {w.wrong}
            </p>
          )}
        </form>
      )}
    </section>
  );
}
