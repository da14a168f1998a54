"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Recipe } from "@/core/formulary/recipe";
import { Wrong } from "../kit/field";
import { useIntent } from "../kit/intent";

type Open = "name" | "note" | "away" | "";

/** What may be said of a recipe: another name, a note, that it is put away or taken out again; a version that was a slip. */
export function RecipeActions({
  recipe,
  version,
}: {
  recipe: Recipe;
  version: { n: number; seq: number; undone: boolean };
}) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const [open, setOpen] = useState<Open>("");
  const [text, setText] = useState("");
  const write = async (type: string, body: object): Promise<void> => {
    const sent = await send("/api/recipes", { id: recipe.id, seen: recipe.seq, type, body });
    if (!sent?.ok) return;
    setOpen("");
    setText("");
    router.refresh();
  };
  const say = (what: Open, first = ""): void => {
    clear();
    setOpen(open === what ? "" : what);
    setText(first);
  };
  if (recipe.putAway)
    return (
      <p className="pt-3">
        <strong>It is put away{recipe.putAway.why ? `: ${recipe.putAway.why}` : ""}.</strong>{" "}
        <button
          type="button"
          className="plain min-h-9"
          disabled={sending}
          onClick={() => void write("corrected", { seq: recipe.putAway!.seq, body: null })}
        >
          take it out again
        </button>
        {fault && <Wrong fault={fault} />}
      </p>
    );
  const canUndo = !version.undone && version.n > 1 && recipe.versions.filter((v) => !v.undone).length > 1;
  return (
    <div className="no-print pt-2">
      <p className="flex flex-wrap gap-x-4">
        <button
          type="button"
          className="plain min-h-9"
          aria-expanded={open === "note"}
          onClick={() => say("note")}
        >
          write a note
        </button>
        <button
          type="button"
          className="plain min-h-9"
          aria-expanded={open === "name"}
          onClick={() => say("name", recipe.name)}
        >
          another name
        </button>
        {canUndo && (
          <button
            type="button"
            className="plain min-h-9"
            disabled={sending}
            onClick={() => void write("corrected", { seq: version.seq, body: null, why: "a slip" })}
          >
            take version {version.n} back
          </button>
        )}
        <button
          type="button"
          className="plain min-h-9"
          aria-expanded={open === "away"}
          onClick={() => say("away")}
        >
          put it away
        </button>
      </p>
      {open !== "" && (
        <form
          className="flex flex-wrap gap-x-4 gap-y-2 items-end pt-1"
          onSubmit={(e) => {
            e.preventDefault();
            if (open === "name") void write("renamed", { name: text.trim() });
            if (open === "note") void write("noted", { text: text.trim() });
            if (open === "away") void write("put-away", text.trim() === "" ? {} : { why: text.trim() });
          }}
        >
          <p className="grow min-w-0">
            <label htmlFor="recipe-says" className="quiet block">
              {LABELS[open]}
            </label>
            <input
              id="recipe-says"
              className="field w-full"
              value={text}
              maxLength={open === "note" ? 2000 : 300}
              aria-invalid={fault !== undefined}
              aria-describedby={fault ? "recipe-wrong" : undefined}
              onChange={(e) => setText(e.target.value)}
            />
          </p>
          <button type="submit" className="slab" disabled={sending}>
            {DOES[open]}
          </button>
        </form>
      )}
      {fault && <Wrong id="recipe-wrong" fault={fault} />}
    </div>
  );
}

const LABELS = {
  name: "what it is called from now on",
  note: "what is to be remembered of it",
  away: "why, if you like",
} as const;
const DOES = { name: "call it that", note: "write it in", away: "put it away" } as const;
