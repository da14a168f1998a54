"use client";
import { useRouter } from "./router";
import { Dialog } from "radix-ui";
import { useEffect, useRef, useState } from "react";
import { Find } from "./find";

/** Where “g” and one more letter go. */
const GO: Readonly<Record<string, readonly [page: string, words: string]>> = {
  s: ["/", "the Shelf"],
  b: ["/bench", "the Bench"],
  c: ["/cellar", "the Cellar"],
  f: ["/formulary", "the Formulary"],
  t: ["/stores", "the Stores"],
  l: ["/list", "the list to gather and buy"],
  a: ["/batches", "all batches"],
  h: ["/household", "the household"],
  r: ["/ready", "what must be begun when"],
};

const SHEET: readonly (readonly [where: string, keys: readonly (readonly [key: string, does: string])[]])[] =
  [
    [
      "Everywhere",
      [
        ["/", "find anything"],
        ["?", "this sheet"],
        ...Object.entries(GO).map(([letter, [, words]]) => [`g ${letter}`, `go to ${words}`] as const),
        ["Esc", "close what is open"],
      ],
    ],
    [
      "At the stove",
      [
        ["Space", "the bar: what is done now"],
        ["r", "say it again, where it is read aloud"],
      ],
    ],
    [
      "On the Bench",
      [
        ["n", "to the next thing that goes in"],
        ["Ctrl Enter", "begin the batch"],
        ["Ctrl Z", "undo"],
        ["Ctrl Shift Z", "redo"],
        ["← →", "move a joint of the rail by a hundredth"],
        ["Page Up, Page Down", "on to the next school’s mark"],
        ["Space, ↑ ↓, Space", "take a line up, move it, set it down"],
      ],
    ],
  ];

/** Whether a key belongs to what is being typed or chosen, and to nothing else. */
const isTyped = (at: EventTarget | null): boolean =>
  at instanceof HTMLElement &&
  (at.isContentEditable ||
    /^(?:INPUT|TEXTAREA|SELECT)$/.test(at.tagName) ||
    at.closest("[role=dialog]") !== null);

/** “g” waits so long for its letter, ms. */
const G_WAITS = 1200;

/** Keys that work on every page, the box they open and the sheet that tells them. */
export function Keys() {
  const router = useRouter();
  const [finding, setFinding] = useState(false);
  const [sheet, setSheet] = useState(false);
  const g = useRef(0);
  useEffect(() => {
    const onKey = (e: KeyboardEvent): void => {
      if (e.ctrlKey || e.metaKey || e.altKey || isTyped(e.target)) return;
      const to = Date.now() - g.current < G_WAITS ? GO[e.key] : undefined;
      g.current = e.key === "g" ? Date.now() : 0;
      if (to) router.push(to[0]);
      else if (e.key === "/") setFinding(true);
      else if (e.key === "?") setSheet(true);
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [router]);
  return (
    <>
      <Find open={finding} setOpen={setFinding} />
      <Dialog.Root open={sheet} onOpenChange={setSheet}>
        <Dialog.Trigger
          className="quiet min-h-11 min-w-11 max-lg:hidden pointer-coarse:hidden"
          aria-label="Keys"
          aria-keyshortcuts="?"
        >
          ?
        </Dialog.Trigger>
        <Dialog.Portal>
          <Dialog.Overlay className="fixed inset-0 z-30 bg-iron/40" />
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed z-40 top-[8dvh] left-1/2 -translate-x-1/2 w-[36rem] max-w-[94vw] max-h-[84dvh] overflow-y-auto bg-paper border-2 border-iron p-5"
          >
            <Dialog.Title className="text-[1.375rem]">Keys</Dialog.Title>
            {SHEET.map(([where, keys]) => (
              <section key={where} aria-label={where} className="pt-3">
                <h3 className="ruled-head">{where}</h3>
                <dl>
                  {keys.map(([key, does]) => (
                    <div key={key} className="flex gap-4 py-1.5 border-b border-rule">
                      <dt className="w-44 shrink-0 font-semibold">{key}</dt>
                      <dd>{does}</dd>
                    </div>
                  ))}
                </dl>
              </section>
            ))}
            <Dialog.Close className="plain min-h-11 pt-2">close</Dialog.Close>
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </>
  );
}
