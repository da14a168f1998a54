"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import { differences, type Difference } from "@/core/formulary/differences";
import type { CameFrom } from "@/core/formulary/events";
import type { Catalogue } from "@/core/material/catalogue";
import { readPlan } from "@/core/plan/file";
import type { Plan } from "@/core/plan/plan";
import { planDigits } from "@/exchange/plan-code";
import { Wrong } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toRecipe } from "../kit/writes";

interface Props {
  readonly plan: Plan;
  /** How many things still ask. */
  readonly open: number;
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

/** A recipe as the server has it. */
interface Stands {
  readonly id: string;
  readonly seq: number;
  readonly plan: unknown;
}

async function sameNamed(p: Props): Promise<Same | undefined> {
  const reply = await fetch(`/api/recipes?name=${encodeURIComponent(p.plan.name)}`, { cache: "no-store" });
  if (!reply.ok) throw new Error("the book cannot be looked into");
  const said = ((await reply.json()) as { recipe: Stands | null }).recipe;
  const plan = said ? readPlan(said.plan) : undefined;
  if (!said || !plan?.ok) return undefined;
  return { id: said.id, seq: said.seq, apart: differences(plan.value, p.plan, p.catalogue) };
}

/** Lays a recipe that was read on the Bench, or keeps it in the book; what stands there already is never overwritten. */
export function KeepIt(p: Props) {
  const router = useRouter();
  const { send, sending, fault } = useIntent();
  const [id] = useState(() => crypto.randomUUID());
  const [stands, setStands] = useState<{ readonly of: Plan; readonly same: Same } | undefined>();
  // What was said of one recipe goes when another is read in its place.
  const [said, setSaid] = useState<{ readonly of: Plan; readonly text: string } | undefined>();
  const told = said?.of === p.plan ? said.text : "";
  const setTold = (text: string): void => setSaid({ of: p.plan, text });
  const same = stands?.of === p.plan ? stands.same : undefined;
  const write = async (to: string, type: "written" | "changed", seen?: number): Promise<void> => {
    const body = { plan: p.plan, from: p.from };
    const sent = await send(toRecipe(to, type, body, seen));
    if (!sent?.ok) return;
    p.kept();
    router.push(`/formulary/${to}`);
    router.refresh();
  };
  const keep = async (): Promise<void> => {
    setTold("");
    let found: Same | undefined;
    try {
      found = await sameNamed(p);
    } catch {
      // Whether it is there already is not known: nothing is written twice for that.
      return setTold(
        "The book cannot be looked into just now. What you wrote is kept here; try again in a moment.",
      );
    }
    if (!found) return write(id, "written");
    if (found.apart.length === 0)
      return setTold(`The book has ${p.plan.name} already, and it says the same.`);
    setStands({ of: p.plan, same: found });
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
            <button type="button" className="plain min-h-11" onClick={() => setStands(undefined)}>
              leave it
            </button>
          </p>
        </div>
      )}
      {fault && <Wrong fault={fault} />}
    </div>
  );
}
