"use client";
import { COOKED_WORDS } from "@/core/plan/cooked";
import { COOKED, type Cooked, type Line } from "@/core/plan/plan";
import type { Fault } from "@/core/fault";
import { Wrong } from "../../kit/field";
import type { LineActions } from "./line-actions";

const USUAL: Readonly<Record<Cooked, string>> = {
  simmered: "20 min",
  steamed: "15 min",
  blanched: "2 min",
  roasted: "30 min",
};

/** What was done to a plant over the heat before it goes in; nothing of it stands on a line that goes in as it is. */
export function LineCooked({
  line,
  name,
  fault,
  change,
  open,
}: {
  line: Line;
  name: string;
  fault: Fault | undefined;
  change: LineActions["change"];
  /** Asked for just now; one that is cooked first shows it. */
  open: boolean;
}) {
  const set = (cooked: Line["cooked"]): void =>
    change(line.id, ({ cooked: _, ...l }) => (cooked ? { ...l, cooked } : l), `${line.id}-cooked`);
  if (!open && !line.cooked) return null;
  const wrong = `line-${line.id}-cooked-wrong`;
  return (
    <span className="block">
      <select
        className="stitch font-normal py-0.5"
        aria-label={`${name}: cooked how`}
        value={line.cooked?.how ?? ""}
        onChange={(e) => {
          const how = COOKED.find((c) => c === e.target.value);
          set(how && { how, for: line.cooked?.how === how ? line.cooked.for : USUAL[how] });
        }}
      >
        <option value="">as it is</option>
        {COOKED.map((c) => (
          <option key={c} value={c}>
            {COOKED_WORDS[c]}
          </option>
        ))}
      </select>
      {line.cooked && (
        <>
          {", "}
          <input
            className="stitch font-normal w-20 py-0.5"
            aria-label={`${name}: cooked for how long`}
            aria-invalid={fault !== undefined}
            aria-describedby={fault ? wrong : undefined}
            maxLength={40}
            value={line.cooked.for}
            onChange={(e) => set({ how: line.cooked!.how, for: e.target.value })}
          />
          {fault && (
            <Wrong id={wrong} fault={fault} put={(text) => set({ how: line.cooked!.how, for: text })} />
          )}
        </>
      )}
    </span>
  );
}
