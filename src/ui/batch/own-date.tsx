import type { Fault } from "@/core/fault";
import type { BottlingDraft } from "./use-bottling";

/** A best-by date of the maker's own, and why where it is later than reckoned. */
export function OwnDate({
  draft,
  reckoned,
  fault,
  put,
}: {
  draft: BottlingDraft;
  /** The day that was reckoned. */
  reckoned: string;
  fault: Fault | undefined;
  put: (change: (d: BottlingDraft) => Partial<BottlingDraft>) => void;
}) {
  return (
    <>
      <label className="flex items-center gap-3 min-h-12 pt-2 cursor-pointer">
        <input
          type="checkbox"
          className="w-6 h-6 accent-cobalt"
          checked={draft.own}
          onChange={(e) => put((d) => ({ own: e.target.checked, bestBy: d.bestBy || reckoned }))}
        />
        a date of my own
      </label>
      {draft.own && (
        <div className="flex flex-wrap gap-4 pl-9">
          <p>
            <label className="quiet block" htmlFor="own-date">
              best by
            </label>
            <input
              id="own-date"
              type="date"
              className="field"
              value={draft.bestBy}
              onChange={(e) => put(() => ({ bestBy: e.target.value }))}
            />
          </p>
          <p className="grow">
            <label className="quiet block" htmlFor="own-reason">
              {draft.bestBy > reckoned
                ? "why later than reckoned (kept, and marked on the label)"
                : "why, if you like"}
            </label>
            <input
              id="own-reason"
              className="field w-full"
              maxLength={300}
              value={draft.reason}
              aria-invalid={fault?.name === "ReasonWanted"}
              onChange={(e) => put(() => ({ reason: e.target.value }))}
            />
          </p>
        </div>
      )}
    </>
  );
}
