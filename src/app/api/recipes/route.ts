import { NextResponse } from "next/server";
import { bodyOf, guarded } from "../answer";
import { db } from "@/store/db";
import { RecipeRequest, writeRecipe } from "@/store/recipes";

export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, RecipeRequest);
  if (!body.ok) return body.response;
  return guarded(async () => {
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
