"use client";
import { memo, useRef, useState } from "react";
import { STEP_SORTS, type Step } from "@/core/plan/plan";
import { STEP_WORDS } from "../../plan/step-words";
import type { LineActions } from "./line-actions";

/** A step more: put where such a step usually stands, and moved from there. By keys the list is gone through first, and one is put in by Enter. */
export const AddStep = memo(function AddStep({ add }: { add: LineActions["addStep"] }) {
  const [chosen, choose] = useState<Step["do"] | "">("");
  const byKey = useRef(false);
  const put = (sort: Step["do"] | ""): void => {
    if (sort !== "") add(sort);
    choose("");
  };
  return (
    <p className="py-1.5 pl-8">
      <label className="sr-only" htmlFor="add-step">
        Add a step
      </label>
      <select
        id="add-step"
        className="stitch font-normal py-1"
        value={chosen}
        onPointerDown={() => (byKey.current = false)}
        onKeyDown={(e) => {
          byKey.current = true;
          if (e.key !== "Enter" || chosen === "") return;
          e.preventDefault();
          put(chosen);
        }}
        onChange={(e) => {
          const sort = e.target.value as Step["do"] | "";
          if (byKey.current) choose(sort);
          else put(sort);
        }}
      >
        <option value="">add a step …</option>
        {STEP_SORTS.map((sort) => (
          <option key={sort} value={sort}>
            {STEP_WORDS[sort]}
          </option>
        ))}
      </select>
      {chosen !== "" && (
        <button type="button" className="plain min-h-11 ml-3" onClick={() => put(chosen)}>
          add it
        </button>
      )}
    </p>
  );
});
