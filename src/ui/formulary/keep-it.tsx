"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { differences, type Difference } from "@/core/formulary/differences";
import type { CameFrom } from "@/core/formulary/events";
import type { Catalogue } from "@/core/material/catalogue";
import { readPlan } from "@/core/plan/file";
import type { Plan } from "@/core/plan/plan";
import { planDigits } from "@/exchange/plan-code";
import { Wrong } from "../kit/field";
import { useIntent } from "../kit/intent";

interface Props {
  readonly plan: Plan;
  /** How many things still ask. */
  readonly open: number;
  readonly names: readonly { readonly id: string; readonly name: string }[];
  readonly from: CameFrom;
  readonly catalogue: Catalogue;
  readonly kept: () => void;
}

/** A recipe of the same name that stands in the book, and how this differs from it. */
interface Same {
  readonly id: string;
  readonly seq: number;
  readonly apart: readonly Difference[];
}

async function sameNamed(p: Props): Promise<Same | undefined> {
  const other = p.names.find((n) => n.name.toLowerCase() === p.plan.name.toLowerCase());
  if (!other) return undefined;
  const reply = await fetch(`/formulary/${other.id}/file?as=json`, { cache: "no-store" });
  const plan = reply.ok ? readPlan(await reply.json()) : undefined;
  const seq = Number(reply.headers.get("x-recipe-seq"));
  return plan?.ok ? { id: other.id, seq, apart: differences(plan.value, p.plan, p.catalogue) } : undefined;
}

/** Lays a recipe that was read on the Bench, or keeps it in the book; what stands there already is never overwritten. */
export function KeepIt(p: Props) {
  const router = useRouter();
  const { send, sending, fault } = useIntent();
  const [id] = useState(() => crypto.randomUUID());
  const [same, setSame] = useState<Same | undefined>();
  const [told, setTold] = useState("");
  const write = async (to: string, type: "written" | "changed", seen?: number): Promise<void> => {
    const body = { plan: p.plan, from: p.from };
    const sent = await send("/api/recipes", { id: to, type, body, ...(seen === undefined ? {} : { seen }) });
    if (!sent?.ok) return;
    p.kept();
    router.push(`/formulary/${to}`);
    router.refresh();
  };
  const keep = async (): Promise<void> => {
    setTold("");
    const found = await sameNamed(p);
    if (!found) return write(id, "written");
    if (found.apart.length === 0)
      return setTold(`The book has ${p.plan.name} already, and it says the same.`);
    setSame(found);
  };
  return (
    <div className="pt-3">
      <p className="flex flex-wrap gap-x-5 gap-y-2 items-center">
        <a className="slab" href={`/bench?plan=${planDigits(p.plan)}`}>
          Lay it on the Bench
        </a>
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void keep()}>
          keep it in the book
        </button>
        {p.open > 0 && <span className="quiet">what asks is not in it yet</span>}
      </p>
      {told !== "" && <p role="status">{told}</p>}
      {same && (
        <div role="status" className="border-l-[6px] border-cobalt pl-3.5 py-1 my-2">
          <p>
            <strong>The book has {p.plan.name} already.</strong> This differs:{" "}
            {same.apart.map((d) => d.words).join("; ")}.
          </p>
          <p className="flex flex-wrap gap-x-5">
            <button
              type="button"
              className="plain min-h-11"
              disabled={sending}
              onClick={() => void write(same.id, "changed", same.seq)}
            >
              keep it as its next version
            </button>
            <button
              type="button"
              className="plain min-h-11"
              disabled={sending}
              onClick={() => void write(id, "written")}
            >
              keep it as another recipe
            </button>
            <button type="button" className="plain min-h-11" onClick={() => setSame(undefined)}>
              leave it
            </button>
          </p>
        </div>
      )}
      {fault && <Wrong fault={fault} />}
    </div>
  );
}
