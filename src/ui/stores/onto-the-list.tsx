"use client";
import Link from "../kit/link";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { Need, Want } from "@/core/stores/need";
import type { Wanted } from "@/core/stores/item";
import { send } from "../kit/send";
import { useUnits } from "../kit/units";
import { toStores } from "../kit/writes";

/** Puts what a plan lacks onto the household’s list, a line each, in the words it was said in. */
export function OntoTheList({ need, name }: { need: Need; name: string }) {
  const units = useUnits();
  const router = useRouter();
  const [state, setState] = useState<"rest" | "busy" | "done">("rest");
  const [wrong, setWrong] = useState("");
  const lacks = [
    ...need.gather.map((w) => ["gather", w] as const),
    ...need.buy.map((w) => ["buy", w] as const),
  ];
  if (lacks.length === 0) return null;
  const itemOf = (where: Wanted["where"], w: Want): Wanted => {
    const { form, cut, strength } = w.of;
    return {
      ...{ what: "wanted", where, material: w.of.material, for: name },
      amount: w.said ?? (w.liquid ? units.volumeExact(w.lackMl) : units.massExact(w.lackG)),
      ...(form ? { form } : {}),
      ...(cut ? { cut } : {}),
      ...(strength ? { strength } : {}),
    };
  };
  const put = async (): Promise<void> => {
    setState("busy");
    for (const [where, w] of lacks) {
      const sent = await send(
        toStores(crypto.randomUUID(), "kept", { item: itemOf(where, w) }),
        crypto.randomUUID(),
      );
      if (!sent.ok) {
        setWrong(sent.fault.message);
        return setState("rest");
      }
    }
    setState("done");
    router.refresh();
  };
  if (state === "done")
    return (
      <span role="status">
        On <Link href="/list">the list</Link>.
      </span>
    );
  return (
    <>
      <button type="button" className="plain min-h-11" disabled={state === "busy"} onClick={() => void put()}>
        put it on the list
      </button>
      {wrong && (
        <span role="alert" className="wrong">
          {wrong}
        </span>
      )}
    </>
  );
}
