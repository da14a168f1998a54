"use client";
import { useRouter } from "../kit/router";
import { useState } from "react";
import type { ToRecipe } from "@/contract/writes";
import type { Recipe } from "@/core/formulary/recipe";
import { Wrong } from "../kit/field";
import { useIntent } from "../kit/intent";
import { toRecipe } from "../kit/writes";

type Open = "name" | "note" | "away" | "";

interface Props {
  readonly recipe: Recipe;
  readonly version: { readonly n: number; readonly seq: number; readonly undone: boolean };
}

/** What is being said of a recipe, and its writing down. */
function useSaying(recipe: Recipe) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const [open, setOpen] = useState<Open>("");
  const [text, setText] = useState("");
  const write = async <T extends keyof ToRecipe>(type: T, body: ToRecipe[T]): Promise<void> => {
    const sent = await send(toRecipe(recipe.id, type, body, recipe.seq));
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
  return { open, text, setText, say, write, sending, fault };
}
type Saying = ReturnType<typeof useSaying>;

/** A recipe that is put away, and the way to take it out again. */
function PutAway({ recipe, s }: { recipe: Recipe; s: Saying }) {
  const { why, seq } = recipe.putAway!;
  return (
    <p className="pt-3">
      <strong>It is put away{why ? `: ${why}` : ""}.</strong>{" "}
      <button
        type="button"
        className="plain min-h-11"
        disabled={s.sending}
        onClick={() => void s.write("corrected", { seq, body: null })}
      >
        take it out again
      </button>
      {s.fault && <Wrong fault={s.fault} />}
    </p>
  );
}

/** The one thing that is being said. */
function OneThing({ open, s }: { open: Exclude<Open, "">; s: Saying }) {
  const text = s.text.trim();
  const send = (): void => {
    if (open === "name") void s.write("renamed", { name: text });
    if (open === "note") void s.write("noted", { text });
    if (open === "away") void s.write("put-away", text === "" ? {} : { why: text });
  };
  return (
    <form
      className="flex flex-wrap gap-x-4 gap-y-2 items-end pt-1"
      onSubmit={(e) => {
        e.preventDefault();
        send();
      }}
    >
      <p className="grow min-w-0">
        <label htmlFor="recipe-says" className="quiet block">
          {LABELS[open]}
        </label>
        <input
          id="recipe-says"
          className="field w-full"
          value={s.text}
          maxLength={open === "note" ? 2000 : 300}
          aria-invalid={s.fault !== undefined}
          aria-describedby={s.fault ? "recipe-wrong" : undefined}
          onChange={(e) => s.setText(e.target.value)}
        />
      </p>
      <button type="submit" className="slab" disabled={s.sending}>
        {DOES[open]}
      </button>
    </form>
  );
}

/** What may be said of a recipe: another name, a note, that it is put away or taken out again; a version that was a slip. */
export function RecipeActions({ recipe, version }: Props) {
  const s = useSaying(recipe);
  if (recipe.putAway) return <PutAway recipe={recipe} s={s} />;
  const canUndo = !version.undone && version.n > 1 && recipe.versions.filter((v) => !v.undone).length > 1;
  const opens = (what: Exclude<Open, "">, words: string, first = "") => (
    <button
      type="button"
      className="plain min-h-11"
      aria-expanded={s.open === what}
      onClick={() => s.say(what, first)}
    >
      {words}
    </button>
  );
  return (
    <div className="no-print pt-2">
      <p className="flex flex-wrap gap-x-4">
        {opens("note", "write a note")}
        {opens("name", "another name", recipe.name)}
        {canUndo && (
          <button
            type="button"
            className="plain min-h-11"
            disabled={s.sending}
            onClick={() => void s.write("corrected", { seq: version.seq, body: null, why: "a slip" })}
          >
            take version {version.n} back
          </button>
        )}
        {opens("away", "put it away")}
      </p>
      {s.open !== "" && <OneThing open={s.open} s={s} />}
      {s.fault && <Wrong id="recipe-wrong" fault={s.fault} />}
    </div>
  );
}

const LABELS = {
  name: "what it is called from now on",
  note: "what is to be remembered of it",
  away: "why, if you like",
} as const;
const DOES = { name: "call it that", note: "write it in", away: "put it away" } as const;
