import type { Metadata } from "next";
import { db } from "@/store/db";
import { plansIn } from "@/store/recipes";
import { SeasonView } from "@/ui/season/season";
import type { Known } from "@/ui/season/wish-form";
import { frame } from "../frame";
import { startsToBegin } from "./planned-starts";
import { seasonTold } from "./season-of";

export const metadata: Metadata = { title: "Season" };

/** Recipes of the book that a wish may be of. */
const MOST_RECIPES = 300;

export default async function SeasonPage() {
  const { home, today } = await frame();
  const [{ told, season }, book] = await Promise.all([seasonTold(home, today), plansIn(db(), MOST_RECIPES)]);
  const kept = await startsToBegin(today, season);
  const recipes = book.map((r): Known => ({ name: r.name, kind: r.plan.kind, recipe: r.id }));
  const made = told.remedies.map((r): Known => ({ name: r.name, kind: r.kind }));
  const known = [
    ...recipes,
    ...made.filter(
      (m) => !recipes.some((r) => r.name.toLowerCase() === m.name.toLowerCase() && r.kind === m.kind),
    ),
  ];
  return <SeasonView told={told} kept={kept} keptOn={season.plan?.on} seq={season.seq} known={known} />;
}
