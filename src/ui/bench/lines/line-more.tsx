"use client";
import { useState } from "react";
import type { Fault } from "@/core/fault";
import type { Line } from "@/core/plan/plan";
import { LineCooked } from "./line-cooked";
import { LineWhy } from "./line-why";
import type { LineActions } from "./line-actions";

/** What more may be said of a line: what was done to it first, and why it goes in. Behind one touch, so that a plain line is one line. */
export function LineMore({
  line,
  name,
  plant,
  fault,
  change,
}: {
  line: Line;
  name: string;
  plant: boolean;
  fault: Fault | undefined;
  change: LineActions["change"];
}) {
  const [open, setOpen] = useState(false);
  const all = (line.cooked !== undefined || !plant) && line.why !== undefined;
  return (
    <>
      {!all && (
        <button
          type="button"
          className="quiet ml-1.5 hover:text-cobalt"
          aria-expanded={open}
          aria-label={`${name}: say more of it`}
          onClick={() => setOpen(!open)}
        >
          {open ? "less" : "+"}
        </button>
      )}
      {plant && <LineCooked {...{ line, name, fault, change, open }} />}
      <LineWhy {...{ line, name, change, open }} />
    </>
  );
}
