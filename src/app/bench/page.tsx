import type { Metadata } from "next";
import { z } from "zod";
import { secondRun } from "@/core/journal/ours";
import { reckonBatch } from "@/core/journal/reckon";
import { planOf, present, versionOf } from "@/core/formulary/recipe";
import { planOfDigits } from "@/exchange/plan-code";
import { recipeOf } from "@/store/recipes";
import { taughtBy } from "../formulary/taught";
import type { Plan } from "@/core/plan/plan";
import { freeInstead, standing } from "@/core/stores/free";
import { VESSELS } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";
import { batchOf } from "@/store/journal";
import { db } from "@/store/db";
import { busyVessels } from "@/store/shelf";
import { storedItems, stores } from "@/store/stores";
import { Bench } from "@/ui/bench/bench";
import type { From } from "@/ui/bench/from";
import { hasSettled } from "@/store/household";
import { WhoseCups } from "@/ui/kit/whose-cups";
import { frame } from "../frame";
import { asPlanned } from "./planned";

export const metadata: Metadata = { title: "Bench" };

interface Asked {
  readonly again?: string;
  /** A batch whose marc is to be run a second time. */
  readonly second?: string;
  readonly right?: string;
  readonly recipe?: string;
  readonly v?: string;
  readonly plan?: string;
  /** Which of the things its batches taught is taken along, by its number. */
  readonly learned?: string;
  /** Of a start of the season: the vessel it is planned for, how full, and the day. */
  readonly into?: string;
  readonly fill?: string;
  readonly on?: string;
}

/** A recipe of the book at the version that is asked for, with what was learned of it where that is wanted. */
async function fromRecipe({ recipe: asked, v, learned }: Asked): Promise<From | undefined> {
  const id = z.uuid().safeParse(asked);
  const recipe = id.success ? await recipeOf(db(), id.data) : undefined;
  if (!recipe) return undefined;
  const version = versionOf(recipe, Number(v)) ?? present(recipe);
  const plan = planOf(recipe, version);
  const taught = learned === undefined ? undefined : (await taughtBy(recipe, version))[Number(learned)];
  return { as: "recipe", id: recipe.id, version: version.n, ...(await inFreeVessel(taught?.plan ?? plan)) };
}

/** A recipe’s plan in its own vessel, or in a free one where that is taken. */
async function inFreeVessel(plan: Plan): Promise<Pick<Extract<From, { as: "recipe" }>, "plan" | "moved">> {
  if (typeof plan.vessel !== "string") return { plan };
  const [{ vessels }, busy] = await Promise.all([stores(db()), busyVessels(db())]);
  const instead = freeInstead(plan.vessel, standing(vessels, busy));
  const taken = VESSELS.get(plan.vessel);
  if (!instead || !taken) return { plan };
  const { lid: _l, ware: _w, ...rest } = plan;
  const { own, vessel } = instead.to;
  const { lid, ware } = own.own;
  return {
    plan: { ...rest, vessel: own.own.vessel, ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) },
    moved: { from: vesselWords(taken), holds: instead.holds, to: vesselWords(vessel) },
  };
}

function fromCode(code: string): From {
  const plan = planOfDigits(code);
  return plan.ok ? { as: "card", plan: plan.value } : { as: "wrong", fault: plan.faults[0]! };
}

/** A second run of the marc of a strained batch. */
async function fromMarc(asked: string): Promise<From | undefined> {
  const id = z.uuid().safeParse(asked);
  const batch = id.success ? await batchOf(db(), id.data) : undefined;
  const r = batch && reckonBatch(batch);
  const plan = batch && r?.ok ? secondRun(batch, r.value.program) : undefined;
  return batch && plan && { as: "second", id: batch.id, code: batch.code, ...(await inFreeVessel(plan)) };
}

/** What an address names to be set out: a recipe, a card’s plan, a batch to be planned again or put right; nothing where there is none. */
async function fromOf(asked: Asked): Promise<From | undefined> {
  if (asked.recipe !== undefined) return fromRecipe(asked);
  if (asked.plan !== undefined) return fromCode(asked.plan);
  if (asked.second !== undefined) return fromMarc(asked.second);
  const id = z.uuid().safeParse(asked.right ?? asked.again);
  const batch = id.success ? await batchOf(db(), id.data) : undefined;
  if (!batch) return undefined;
  const { code, seq, reasons, begunPlan: plan } = batch;
  if (!asked.right) return { as: "again", id: batch.id, code, seq, reasons: {}, plan };
  return batch.state === "working" ? { as: "right", id: batch.id, code, seq, reasons, plan } : undefined;
}

/** Another batch, or another recipe, is another Bench. */
function keyOf(from: From | undefined): string {
  switch (from?.as) {
    case "again":
    case "right":
    case "second":
      return `${from.as}-${from.id}-${from.as === "again" ? (from.planned ?? "") : ""}`;
    case "recipe":
      return `recipe-${from.id}-${from.version}-${from.planned ?? ""}`;
    case "card":
      return `card-${from.plan.name}`;
    case "wrong":
    case undefined:
      return "bench";
  }
}

export default async function BenchPage({ searchParams }: { searchParams: Promise<Asked> }) {
  const [{ home, today }, settled, items, busy, from] = await Promise.all([
    frame(),
    hasSettled(db()),
    storedItems(db()),
    busyVessels(db()),
    searchParams.then(async (asked) => {
      const from = await fromOf(asked);
      const takes = from?.as === "recipe" || from?.as === "again";
      return takes ? { ...from, ...(await asPlanned(from.plan, asked, (await frame()).today)) } : from;
    }),
  ]);
  // The batch that is put right does not stand in its own way.
  const others = from?.as === "right" ? busy.filter((b) => b.code !== from.code) : [...busy];
  return (
    <>
      <WhoseCups asked={!settled} />
      <Bench
        key={keyOf(from)}
        household={home.units}
        currency={home.currency}
        today={today}
        items={items}
        busy={others}
        from={from}
      />
    </>
  );
}
