"use client";
import { Search } from "lucide-react";
import { Dialog } from "radix-ui";
import { Suspense, lazy, useEffect, useState } from "react";

const load = () => import("./find-box");
/** The box comes once the page rests: no page waits for it, and it is there before a hand is. */
const FindBox = lazy(load);
const whenIdle = (then: () => void): void => {
  if ("requestIdleCallback" in window) window.requestIdleCallback(then, { timeout: 2000 });
  else setTimeout(then, 500);
};

/** What is typed before the box has come: none of it is lost. */
function Early({ text, type }: { text: string; type: (text: string) => void }) {
  return (
    <input
      aria-label="What is looked for"
      className="w-full min-h-12 text-[1.25rem] bg-transparent border-b-2 border-iron px-0.5"
      value={text}
      maxLength={200}
      autoFocus
      onChange={(e) => type(e.target.value)}
    />
  );
}

/** Anything, found from anywhere: the button in the head, or “/”. */
export function Find({ open, setOpen }: { open: boolean; setOpen: (open: boolean) => void }) {
  const [early, setEarly] = useState("");
  useEffect(() => whenIdle(() => void load()), []);
  return (
    <Dialog.Root
      open={open}
      onOpenChange={(to) => {
        setEarly("");
        setOpen(to);
      }}
    >
      <Dialog.Trigger
        className="plain min-h-11 min-w-11 inline-flex items-center justify-center gap-1.5"
        aria-keyshortcuts="/"
      >
        <Search size={20} aria-hidden="true" /> <span className="max-sm:sr-only">find</span>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-iron/40" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed z-40 top-[8dvh] left-1/2 -translate-x-1/2 w-[44rem] max-w-[94vw] bg-paper border-2 border-iron p-4"
        >
          <Dialog.Title className="sr-only">Find anything</Dialog.Title>
          <Suspense fallback={<Early text={early} type={setEarly} />}>
            <FindBox first={early} close={() => setOpen(false)} />
          </Suspense>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
