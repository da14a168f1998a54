"use client";
import Link from "../kit/link";
import { useState } from "react";
import type { Batch } from "@/core/journal/fold";
import type { Plan } from "@/core/plan/plan";
import { Wrong } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toRecipe } from "../kit/writes";

/** A batch’s recipe where it has one; and its plan into the book, as it was planned or as it was really made. */
export function IntoTheBook({
  batch,
}: {
  batch: Pick<Batch, "id" | "code" | "name" | "plan" | "begunPlan" | "recipe">;
}) {
  const { send, sending, fault } = useIntent();
  const [id] = useState(() => crypto.randomUUID());
  const [kept, setKept] = useState("");
  const apart = JSON.stringify(batch.plan.steps) !== JSON.stringify(batch.begunPlan.steps);
  const keep = async (did: "planned" | "done"): Promise<void> => {
    const plan = did === "done" ? batch.plan : batch.begunPlan;
    const from = { as: "batch", id: batch.id, code: batch.code, did } as const;
    const sent = await send(toRecipe(id, "written", { plan, from }));
    if (sent?.ok) setKept(id);
  };
  if (batch.recipe)
    return (
      <Link
        className="inline-flex items-center min-h-11"
        href={`/formulary/${batch.recipe.id}?v=${batch.recipe.version}`}
      >
        its recipe
      </Link>
    );
  if (kept !== "")
    return (
      <Link className="inline-flex items-center min-h-11" href={`/formulary/${kept}`}>
        it is in the book
      </Link>
    );
  return (
    <>
      <button
        type="button"
        className="plain min-h-11"
        disabled={sending}
        onClick={() => void keep("planned")}
      >
        keep it in the book{apart ? ", as planned" : ""}
      </button>
      {apart && (
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => void keep("done")}>
          keep it as it was made
        </button>
      )}
      {fault && <Wrong fault={fault} />}
    </>
  );
}

type FromBook = { readonly id: string; readonly version: number; readonly name: string };

/** The plan on the Bench into the book: a new recipe, or the next version of the one it was set out from. */
export function BenchIntoBook({
  plan,
  recipe,
  grown,
}: {
  plan: Plan;
  recipe: FromBook | undefined;
  grown: (recipe: FromBook) => void;
}) {
  const { send, sending, fault } = useIntent();
  const [why, setWhy] = useState<string | undefined>();
  const [told, setTold] = useState("");
  const write = async (
    id: string,
    type: "written" | "changed",
    body: { readonly plan: Plan; readonly why?: string },
  ): Promise<void> => {
    const seen = type === "changed" ? await seenOf(id) : undefined;
    const sent = await send(toRecipe(id, type, body, seen));
    if (!sent?.ok) return;
    const version = sent.answer.versions;
    grown({ id, version, name: plan.name });
    setWhy(undefined);
    setTold(type === "written" ? "It is in the book." : `That is version ${version} of it.`);
  };
  if (why !== undefined && recipe)
    return (
      <form
        className="basis-full flex flex-wrap gap-x-4 items-end justify-center"
        onSubmit={(e) => {
          e.preventDefault();
          void write(recipe.id, "changed", { plan, ...(why.trim() === "" ? {} : { why: why.trim() }) });
        }}
      >
        <p className="grow text-left">
          <label htmlFor="grown-why" className="quiet block">
            why, if you like
          </label>
          <input
            id="grown-why"
            className="field w-full"
            maxLength={300}
            value={why}
            onChange={(e) => setWhy(e.target.value)}
          />
        </p>
        <button type="submit" className="plain min-h-11" disabled={sending}>
          keep the next version
        </button>
        <button type="button" className="plain min-h-11" onClick={() => setWhy(undefined)}>
          leave it
        </button>
        {fault && <Wrong fault={fault} />}
      </form>
    );
  return (
    <>
      {recipe ? (
        <button type="button" className="plain min-h-11" disabled={sending} onClick={() => setWhy("")}>
          keep as the next version
        </button>
      ) : (
        <button
          type="button"
          className="plain min-h-11"
          disabled={sending}
          onClick={() => void write(crypto.randomUUID(), "written", { plan })}
        >
          keep it in the book
        </button>
      )}
      {told !== "" && (
        <span role="status">
          {told} {recipe && <Link href={`/formulary/${recipe.id}`}>{recipe.name}</Link>}
        </span>
      )}
      {fault && <Wrong fault={fault} />}
    </>
  );
}

/** How far a recipe’s journal had got when it is written to. */
async function seenOf(id: string): Promise<number | undefined> {
  const reply = await fetch(`/formulary/${id}/file?as=json`, { cache: "no-store" });
  return reply.ok ? Number(reply.headers.get("x-recipe-seq")) : undefined;
}
