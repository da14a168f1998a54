"use client";
import { Told } from "../kit/told";
import { createContext, useContext, useState } from "react";
import { useRouter } from "../kit/router";
import { useIntent } from "../kit/intent";
import { toStores } from "../kit/writes";

interface Away {
  readonly id: string;
  readonly words: string;
  /** The entry that put it away, by which it is taken back. */
  readonly seq: number;
}
interface PutAway {
  readonly putAway: (id: string, words: string, why: string, seen: number) => Promise<void>;
  readonly sending: boolean;
}
const Context = createContext<PutAway>({ putAway: () => Promise.resolve(), sending: false });

/** How a thing is put out of sight; what was put away can be had back until the page is left. */
export const usePutAway = (): PutAway => useContext(Context);

/** Holds what was put away from a list under it, each with an undo. Nothing is lost by either: the journal keeps both. */
export function PuttingAway({ children }: { children: React.ReactNode }) {
  const router = useRouter();
  const { send, sending, fault } = useIntent();
  const [away, setAway] = useState<readonly Away[]>([]);
  const putAway = async (id: string, words: string, why: string, seen: number): Promise<void> => {
    const sent = await send(toStores(id, "gone", { why }, seen));
    if (sent?.ok) setAway((was) => [{ id, words, seq: sent.answer.seq }, ...was.filter((a) => a.id !== id)]);
    router.refresh();
  };
  const back = async (a: Away): Promise<void> => {
    const sent = await send(toStores(a.id, "corrected", { seq: a.seq, body: null }, a.seq));
    if (sent?.ok) setAway((was) => was.filter((x) => x !== a));
    router.refresh();
  };
  return (
    <Context.Provider value={{ putAway, sending }}>
      <div className="min-w-0">
        {children}
        <div role="status">
          {away.map((a) => (
            <p key={a.id} className="flex flex-wrap gap-x-4 items-center">
              <span>{a.words}: out of the lists.</span>
              <button
                type="button"
                className="plain min-h-11"
                aria-label={`Undo: ${a.words}`}
                disabled={sending}
                onClick={() => void back(a)}
              >
                undo
              </button>
            </p>
          ))}
        </div>
        {fault && (
          <p role="alert" className="wrong">
            <Told of={fault.message} />
          </p>
        )}
      </div>
    </Context.Provider>
  );
}

/** Who moved out, or what is broken or given away. */
export function NoLongerHere({
  id,
  words,
  why,
  seq,
}: {
  id: string;
  words: string;
  why: string;
  seq: number;
}) {
  const { putAway, sending } = usePutAway();
  return (
    <button
      type="button"
      className="plain text-ash min-h-11"
      disabled={sending}
      onClick={() => void putAway(id, words, why, seq)}
    >
      no longer here<span className="sr-only">: {words}</span>
    </button>
  );
}
