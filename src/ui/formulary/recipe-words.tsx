import { Fragment } from "react";
import type { Difference } from "@/core/formulary/differences";
import { MATERIALS } from "@/core/material/catalogue";
import type { Plan } from "@/core/plan/plan";
import type { Program } from "@/core/reckoning/program";
import { fillOf, substanceOf } from "../figures/substance";
import { stepSentence } from "../plan/step-words";

const SHAKEN = {
  "twice-daily": "Shake it twice a day.",
  daily: "Shake it every day.",
  "every-few-days": "Shake it every few days.",
  "when-remembered": "Shake it when you remember.",
} as const;

/** What a line or a step was in the version it is set beside. */
function Was({ of }: { of: readonly Difference[] }) {
  const [first] = of;
  if (!first) return null;
  return (
    <span className="text-ash text-[0.9375rem] text-right">
      {first.was === "" ? "new" : `was ${first.was}`}
    </span>
  );
}

/** A recipe’s lines and steps, with what they were before. */
export function RecipeWords({
  plan,
  program,
  differences,
}: {
  plan: Plan;
  program: Program | undefined;
  differences: readonly Difference[];
}) {
  const own = new Map(plan.materials?.map((m) => [m.id, m.names[0]!]));
  const stuffOf = new Map(program?.lines.map((l) => [l.line.id, l.stuff]));
  const nameOf = (id: string, material: string): string =>
    stuffOf.get(id)?.name ?? MATERIALS.get(material)?.row.names[0] ?? own.get(material) ?? material;
  const ofLine = (id: string) =>
    differences.filter((d) => "line" in d.about && d.about.line === id && d.is !== "");
  const ofStep = (id: string) =>
    differences.filter((d) => "step" in d.about && d.about.step === id && d.is !== "");
  const gone = differences.filter((d) => d.is === "" && d.was !== "");
  return (
    <ol aria-label="Recipe">
      {plan.steps.map((s) =>
        s.do === "add" ? (
          <li key={s.id}>
            <ul className="border-t border-rule">
              {s.what.map((l) => {
                const stuff = stuffOf.get(l.id);
                return (
                  <li
                    key={l.id}
                    className="py-2 border-b border-rule grid grid-cols-[1.25rem_minmax(0,7rem)_minmax(0,1fr)_auto] gap-x-3 items-baseline"
                  >
                    <svg width="18" height="18" aria-hidden="true" className="self-center">
                      <rect
                        x="0.5"
                        y="0.5"
                        width="17"
                        height="17"
                        fill={stuff ? fillOf(substanceOf(stuff)) : "none"}
                        stroke="var(--color-iron)"
                      />
                    </svg>
                    <span className="font-bold text-cobalt text-right break-words">{l.amount}</span>
                    <span className="min-w-0 break-words">
                      {nameOf(l.id, l.material)}
                      <span className="text-ash">
                        {[stuff?.form ?? l.form, l.cut, l.strength].filter(Boolean).map((x) => `, ${x}`)}
                        {l.optional && ", if you like"}
                      </span>
                      {l.note && <span className="text-ash"> ({l.note})</span>}
                    </span>
                    <Was of={ofLine(l.id)} />
                  </li>
                );
              })}
            </ul>
          </li>
        ) : (
          <li key={s.id} className="py-1.5 flex justify-between gap-x-4">
            <span>
              {stepSentence(s)}
              {s.do === "steep" && plan.shake ? ` ${SHAKEN[plan.shake]}` : ""}
              {s.words && <span className="block text-ash">{s.words}.</span>}
            </span>
            <Was of={ofStep(s.id)} />
          </li>
        ),
      )}
      {gone.length > 0 && (
        <li className="quiet pt-1">
          {gone.map((d, i) => (
            <Fragment key={d.words}>
              {i > 0 && "; "}
              {d.words}, was {d.was}
            </Fragment>
          ))}
        </li>
      )}
    </ol>
  );
}
