"use client";
import { GRAVE_SIGNS, SIGNS, type Sign } from "@/core/cellar/bottle";
import type { Batch } from "@/core/journal/fold";
import { capital, listed } from "@/core/words";
import { SIGN_WORDS } from "../../cellar/bottle-words";
import { Refusal } from "../refusal";
import { useWrite } from "../write";

const GRAVE = SIGNS.filter((s) => GRAVE_SIGNS.has(s));

/** What ends a jar, looked and smelled for before the cloth, not after. */
export function SignsFirst({
  signs,
  change,
  gassy,
}: {
  signs: readonly Sign[];
  change: (to: readonly Sign[]) => void;
  /** A little gas is ordinary in this one. */
  gassy: boolean;
}) {
  return (
    <fieldset className="pt-1 pb-3">
      <legend className="ruled-head w-full">Before the cloth: look at it and smell it</legend>
      <div className="grid sm:grid-cols-2">
        {GRAVE.map((s) => (
          <label key={s} className="flex items-center gap-3 min-h-12 cursor-pointer">
            <input
              type="checkbox"
              className="w-6 h-6 accent-rust shrink-0"
              checked={signs.includes(s)}
              onChange={(e) => change(e.target.checked ? [...signs, s] : signs.filter((x) => x !== s))}
            />
            {capital(SIGN_WORDS[s])}
          </label>
        ))}
      </div>
      {gassy && (
        <p className="quiet">
          A little gas is ordinary here, and is let out; foam and a yeasty smell are not.
        </p>
      )}
    </fieldset>
  );
}

/** One yes, and nothing is strained: thrown out untasted, with why. */
export function ThrowItOut({ batch, signs }: { batch: Batch; signs: readonly Sign[] }) {
  const { write, insist, sending, fault, router } = useWrite(batch.id, batch.seq);
  const why = listed(signs.map((s) => SIGN_WORDS[s]));
  return (
    <div role="alert" className="border-2 border-rust p-4">
      <p className="font-bold text-rust">Do not taste it, and do not strain it: {why}.</p>
      <p className="pt-1">
        Throw it out where neither child nor animal gets at it, and scald the jar and the lid. What was used
        stays written down.
      </p>
      {fault && <Refusal fault={fault} insist={insist} sending={sending} />}
      <button
        type="button"
        className="slab mt-3 min-h-14"
        disabled={sending}
        onClick={() =>
          void write("discarded", { why: `Before straining: ${why}.` }, () => {
            router.push(`/batch/${batch.id}`);
            router.refresh();
          })
        }
      >
        {sending ? "Writing…" : "Thrown out"}
      </button>
    </div>
  );
}
