import { printDay } from "@/core/day";
import type { Batch } from "@/core/journal/fold";
import type { StrainPlan } from "../shelf/card";

/** How many of them stand under the band; all stand further down. */
const SHOWN = 8;

/** The newest photographs, small, under the window band. */
export function WindowPictures({ batch }: { batch: Batch }) {
  const shown = batch.stove.pictures.slice(-SHOWN);
  if (shown.length === 0) return null;
  return (
    <ul className="flex gap-2" aria-label="Photographs, small">
      {shown.map((p) => (
        <li key={p.id}>
          <a
            href={`/batch/${batch.id}/picture/${p.id}`}
            aria-label={`Photograph, ${printDay(p.day, "short")}${p.words ? `: ${p.words}` : ""}`}
          >
            <img
              src={`/batch/${batch.id}/picture/${p.id}?small`}
              alt={p.words ?? `Photograph of ${printDay(p.day)}`}
              width={48}
              height={48}
              className="border border-iron"
            />
          </a>
        </li>
      ))}
    </ul>
  );
}

/** The day to strain on, where the household's own days move it off the best one. */
export function HomeDays({ plan }: { plan: StrainPlan | undefined }) {
  if (!plan) return null;
  switch (plan.fits) {
    case "suits":
      return null;
    case "off-day":
      return <p>No straining day falls into its window; {printDay(plan.day, "weekday")} is nearest.</p>;
    case "away":
      return (
        <p className="text-rust font-bold">
          Nobody is home in all of its window. Move it, or ask somebody to strain it by {printDay(plan.day)}.
        </p>
      );
  }
}
