import { useRouter } from "../kit/router";
import { useCallback, useRef, useState } from "react";
import { likeFirst } from "@/core/advice/fixes";
import type { Fault } from "@/core/fault";
import { send } from "../kit/send";
import { elsewhere, useWhen } from "../kit/when";
import { toBegin } from "../kit/writes";
import type { Sending } from "./begin";
import { forgetDraft } from "./draft";
import type { Made } from "./made";
import type { Bench as BenchState } from "./state";
import type { BenchActions } from "./use-bench";

/** Sends the plan to be begun, and sets out the other jar of it where there is one. */
export function useBeginning(
  bench: BenchState,
  made: Made,
  actions: BenchActions,
  clear: () => BenchState,
): Sending & {
  readonly begun: string;
  readonly begin: () => Promise<void>;
  readonly clear: () => void;
} {
  const router = useRouter();
  const [sending, setSending] = useState(false);
  const [refused, setRefused] = useState<Fault | undefined>();
  const when = useWhen(refused);
  const [begun, setBegun] = useState("");
  const others = useRef<string[]>([]);
  const begin = async (): Promise<void> => {
    setSending(true);
    setRefused(undefined);
    const { id, key, reasons, recipe, jars } = bench;
    const from = recipe ? { recipe: { id: recipe.id, version: recipe.version } } : {};
    // The same ids for the same intent, however often the button is hit.
    while (others.current.length < jars - 1) others.current.push(crypto.randomUUID());
    const also = jars > 1 ? { also: others.current.slice(0, jars - 1) } : {};
    const sent = await send(toBegin(id, { plan: made.plan, reasons, ...from, ...also, on: when.on }), key);
    setSending(false);
    if (!sent.ok) return setRefused(sent.fault);
    others.current = [];
    const [next, ...rest] = bench.rest;
    if (next) {
      // The other jar of the same making: its plan is set out, ready to be begun too.
      actions.replace({ ...clear(), plan: likeFirst(next, made.plan), named: true, reasons, rest });
      setBegun(sent.answer.code);
      router.refresh();
      return;
    }
    actions.replace({ ...bench, id: "" });
    forgetDraft();
    router.push(`/?begun=${sent.answer.code}`);
  };
  return {
    sending,
    refused: elsewhere(when, refused),
    when,
    begun,
    begin,
    clear: useCallback(() => setBegun(""), []),
  };
}
