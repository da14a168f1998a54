"use client";
import Link from "../kit/link";
import { Undo2 } from "lucide-react";
import { useSpaceBar } from "./use-making";

export interface Bar {
  readonly words: string;
  readonly press?: (() => void) | undefined;
  readonly href?: string | undefined;
  /** The form it sends, by its id: what stands open and is typed in. */
  readonly form?: string | undefined;
  /** Something is to be put right first. */
  readonly waits?: boolean;
}

/** A form that asks something first, or finds what was typed wrong, says so as if its own button were pressed. */
function sendForm(id: string): void {
  const form = document.getElementById(id);
  if (form instanceof HTMLFormElement) form.requestSubmit();
}

/** The foot of a kitchen view: undo at the left, one full bar at the right for a knuckle, an elbow or the space bar. */
export function Foot({
  bar,
  undo,
  undoes,
  sending,
}: {
  bar: Bar | undefined;
  undo: (() => void) | undefined;
  /** What undo takes back, and when it was done. */
  undoes: string;
  sending: boolean;
}) {
  const form = bar?.form;
  const press = form === undefined ? bar?.press : () => sendForm(form);
  useSpaceBar(sending ? undefined : press);
  const large =
    "flex-1 min-w-0 bg-cobalt text-on-cobalt flex items-center justify-between gap-6 px-5 sm:px-10 text-left min-h-[5.375rem] no-underline hover:bg-cobalt-deep";
  const waiting = large
    .replace("bg-cobalt text-on-cobalt", "bg-glaze text-ash")
    .replace("hover:bg-cobalt-deep", "");
  const words = (
    <span className="text-[1.5rem] sm:text-[2rem] font-bold leading-tight min-w-0">{bar?.words}</span>
  );
  return (
    <div className="no-print fixed inset-x-0 bottom-0 z-20 flex border-t-2 border-cobalt bg-paper">
      <button
        type="button"
        className="w-28 sm:w-72 lg:w-96 shrink-0 px-3 sm:px-8 flex items-center gap-4 text-cobalt text-left disabled:text-ash"
        disabled={!undo || sending}
        onClick={undo}
      >
        <Undo2 size={34} aria-hidden="true" className="shrink-0" />
        <span className="min-w-0">
          <span className="block text-[1.25rem] font-bold">
            undo<span className="max-sm:sr-only"> the last tick</span>
          </span>{" "}
          <span className="block text-ash text-[1.125rem] truncate max-sm:sr-only">
            {undo ? undoes : "nothing yet"}
          </span>
        </span>
      </button>
      {bar?.href && (
        <Link href={bar.href} className={large}>
          {words}
        </Link>
      )}
      {bar && !bar.href && (
        <button
          type="button"
          data-bar=""
          className={bar.waits ? waiting : large}
          disabled={sending || bar.waits}
          onClick={press}
        >
          {words}
          <span className="text-[1.125rem] max-md:hidden">knuckle, elbow or space bar</span>
        </button>
      )}
    </div>
  );
}
