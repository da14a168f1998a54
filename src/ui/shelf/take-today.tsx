"use client";
import { useToday } from "../kit/when";
import { Check } from "lucide-react";
import Link from "../kit/link";
import { useRouter } from "../kit/router";
import { useRef, useState } from "react";
import { printDay } from "@/core/day";
import { listed } from "@/core/words";
import type { CourseNow, TakesToday } from "@/core/cellar/house-course";
import { send } from "../kit/send";
import { toBottle } from "../kit/writes";

/** Something taken a moment ago, which can be taken back. */
interface JustTaken {
  readonly who: string;
  readonly bottle: string;
  readonly entry: number;
  readonly seen: number;
}

/** Taking is a pour for somebody, out of the bottle to use next; one key for one touch. */
function useTaking(c: CourseNow) {
  const router = useRouter();
  const busy = useRef(false);
  const [sending, setSending] = useState(false);
  const [wrong, setWrong] = useState("");
  const [just, setJust] = useState<readonly JustTaken[]>([]);
  /** One after the other: the second pour goes out of what the first left. */
  const each = async (some: readonly TakesToday[]): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    setSending(true);
    setWrong("");
    const left = new Map(c.from.map((b) => [b.id, b.left]));
    for (const t of some) {
      const from = c.from.find((b) => left.get(b.id)! >= t.ml) ?? c.from[0];
      if (!from) break;
      left.set(from.id, left.get(from.id)! - t.ml);
      const sent = await send(
        toBottle(from.id, "poured", { ml: t.ml, said: t.said, for: t.who }),
        crypto.randomUUID(),
      );
      if (!sent.ok) {
        setWrong(sent.fault.message);
        break;
      }
      const { entry, seq } = sent.answer;
      setJust((was) => [{ who: t.who, bottle: from.id, entry, seen: seq }, ...was]);
    }
    busy.current = false;
    setSending(false);
    router.refresh();
  };
  const undo = async (j: JustTaken): Promise<void> => {
    const sent = await send(
      toBottle(j.bottle, "corrected", { seq: j.entry, body: null }, { seen: j.seen }),
      crypto.randomUUID(),
    );
    if (sent.ok) setJust((was) => was.filter((x) => x !== j));
    else setWrong(sent.fault.message);
    router.refresh();
  };
  return { each, undo, just, sending, wrong };
}

function OneCourse({ c }: { c: CourseNow }) {
  const day = useToday();
  const t = useTaking(c);
  const { course, takes, from, stands } = c;
  const open = takes.filter((x) => x.taken < course.times);
  return (
    <li className="border-b border-rule py-3">
      <p className="flex flex-wrap items-baseline gap-x-4">
        <span className="font-bold">Take {course.remedy}</span>
        {open.length > 1 && from.length > 0 && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={t.sending}
            onClick={() => void t.each(open)}
          >
            {open.length === 2 ? "both have" : `all ${open.length} have`}
          </button>
        )}
      </p>
      {from.length === 0 && (
        <p className="text-rust">
          None of it is left that is good. <Link href="/cellar">Look in the Cellar.</Link>
        </p>
      )}
      <ul>
        {(from.length > 0 ? takes : []).map((x) => (
          <li key={x.who} className="flex items-center gap-3 min-h-11">
            <button
              type="button"
              className="w-11 h-11 shrink-0 grid place-items-center"
              disabled={t.sending || from.length === 0}
              aria-label={`${x.who} takes ${x.said} of ${course.remedy}`}
              onClick={() => void t.each([x])}
            >
              <span className="w-7 h-7 border-2 border-cobalt bg-paper grid place-items-center">
                {x.taken >= course.times && (
                  <Check size={20} className="text-celadon-deep" aria-hidden="true" />
                )}
              </span>
            </button>
            <span className="min-w-0 break-words">
              {x.who} <span className="text-ash">{x.said}</span>
              {course.times > 1 || x.taken > course.times ? (
                <span className="text-ash">
                  , {x.taken} of {course.times}
                </span>
              ) : null}
            </span>
          </li>
        ))}
      </ul>
      {stands.enough !== undefined && from.length > 0 && (
        <p className="quiet">Enough until {printDay(stands.enough, "long", day)}.</p>
      )}
      {t.just.length > 0 && (
        <p role="status" className="text-ash flex flex-wrap items-center gap-x-3">
          Taken: {listed(t.just.map((j) => j.who))}
          <button
            type="button"
            className="plain min-h-11"
            disabled={t.sending}
            onClick={() => void t.undo(t.just[0]!)}
          >
            undo
          </button>
        </p>
      )}
      {t.wrong && (
        <p role="alert" className="wrong">
          {t.wrong}
        </p>
      )}
    </li>
  );
}

/** What the household takes today, a line for each who takes it. */
export function TakeToday({ courses }: { courses: readonly CourseNow[] }) {
  const today = courses.filter((c) => c.takes.length > 0);
  if (today.length === 0) return null;
  return (
    <ul aria-label="To be taken">
      {today.map((c) => (
        <OneCourse key={c.id} c={c} />
      ))}
    </ul>
  );
}
