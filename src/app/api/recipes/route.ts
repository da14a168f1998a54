import { NextResponse } from "next/server";
import { bodyOf, guarded } from "../answer";
import { fault } from "@/core/fault";
import { whoAsks } from "@/store/asking";
import { db } from "@/store/db";
import { RecipeRequest, recipeNamed, writeRecipe } from "@/store/recipes";

/** The recipe of a name, to be set beside one that is to be kept; nothing where the book has none. */
export async function GET(request: Request): Promise<NextResponse> {
  const name = (new URL(request.url).searchParams.get("name") ?? "").slice(0, 80);
  return guarded(async () => NextResponse.json({ recipe: (await recipeNamed(db(), name)) ?? null }));
}

const ONLY_A_KEEPER = fault("KeepersOnly", "A recipe is put away by a keeper of the house.");

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, RecipeRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
    if (body.value.type === "put-away" && whoAsks().role !== "keeper")
      return NextResponse.json({ fault: ONLY_A_KEEPER }, { status: 403 });
    const w = await writeRecipe(db(), body.value);
    if (w.ok)
      return NextResponse.json(
        {
          seq: w.state.seq,
          entry: w.seq,
          id: w.state.id,
          versions: w.state.versions.length,
          already: w.already,
        },
        { status: w.already ? 200 : 201 },
      );
    const { state } = w;
    return NextResponse.json({ fault: w.fault, ...(state ? { seq: state.seq } : {}) }, { status: w.status });
  });
}
