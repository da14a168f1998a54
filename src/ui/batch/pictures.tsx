"use client";
import { Told } from "../kit/told";
import { useRouter } from "../kit/router";
import { useId, useRef, useState } from "react";
import type { Fault } from "@/core/fault";
import type { Batch } from "@/core/journal/fold";
import { Photographs } from "./photographs";

const MOST = 15_000_000;
const TAKES = "image/jpeg,image/png,image/webp";

const tooLarge: Fault = {
  name: "TooLarge",
  message: "A photograph may have 15 MB. Take a smaller one, or make this one smaller.",
  path: ["picture"],
};
const away: Fault = {
  name: "Away",
  message: "The kitchen's server does not answer. The photograph is not kept yet; try again when it is back.",
  path: [],
};

async function sendPicture(
  batch: string,
  key: string,
  file: File,
  words: string,
): Promise<Fault | undefined> {
  const said = new URLSearchParams({ key, ...(words ? { words } : {}) });
  try {
    const reply = await fetch(`/api/batches/${batch}/pictures?${said}`, { method: "POST", body: file });
    if (reply.ok) return undefined;
    return ((await reply.json()) as { fault: Fault }).fault;
  } catch {
    return away;
  }
}

/** One more in the hand, and its keeping. */
function useOneMore(batch: string) {
  const router = useRouter();
  const input = useRef<HTMLInputElement>(null);
  const [words, setWords] = useState("");
  const [file, setFile] = useState<File | undefined>();
  const [fault, setFault] = useState<Fault | undefined>();
  const [sending, setSending] = useState(false);
  // One key for one file, so that a second try does not keep it twice.
  const key = useRef("");
  const choose = (chosen: File | undefined): void => {
    setFault(undefined);
    key.current = crypto.randomUUID();
    setFile(chosen);
  };
  const keep = async (): Promise<void> => {
    if (!file) return;
    if (file.size > MOST) return setFault(tooLarge);
    setSending(true);
    const not = await sendPicture(batch, key.current, file, words.trim());
    setSending(false);
    setFault(not);
    if (not) return;
    setWords("");
    setFile(undefined);
    if (input.current) input.current.value = "";
    router.refresh();
  };
  return { input, words, setWords, file, choose, fault, sending, keep };
}

function OneMore({ batch }: { batch: string }) {
  const id = useId();
  const { input, words, setWords, file, choose, fault, sending, keep } = useOneMore(batch);
  return (
    <form
      className="flex flex-wrap items-end gap-3 py-2"
      onSubmit={(e) => {
        e.preventDefault();
        void keep();
      }}
    >
      <p className="min-w-0">
        <label className="quiet block" htmlFor={`${id}-file`}>
          a photograph
        </label>
        <input
          ref={input}
          id={`${id}-file`}
          type="file"
          accept={TAKES}
          className="field max-w-full"
          aria-invalid={fault !== undefined}
          aria-describedby={fault ? `${id}-wrong` : undefined}
          onChange={(e) => choose(e.target.files?.[0])}
        />
      </p>
      <p>
        <label className="quiet block" htmlFor={`${id}-words`}>
          what it shows
        </label>
        <input
          id={`${id}-words`}
          className="field w-48"
          value={words}
          maxLength={200}
          onChange={(e) => setWords(e.target.value)}
        />
      </p>
      <button type="submit" className="slab" disabled={sending || !file}>
        {sending ? "Sending…" : "Keep it"}
      </button>
      {fault && (
        <p id={`${id}-wrong`} role="alert" className="wrong basis-full">
          <Told of={fault.message} />
        </p>
      )}
    </form>
  );
}

/** Photographs of a batch: one more, and those there are. */
export function Pictures({ batch }: { batch: Batch }) {
  return (
    <section aria-label="Photographs">
      <h2 className="ruled-head pt-4">Photographs</h2>
      <div className="pt-3">
        <Photographs batch={batch.id} all={batch.stove.pictures} side={120} words />
      </div>
      <OneMore batch={batch.id} />
    </section>
  );
}
