"use client";
import { useMemo, useState } from "react";
import type { Fault, Result } from "@/core/fault";
import { readAmount } from "@/core/reading/amounts";
import type { Plan } from "@/core/plan/plan";
import { type Reckoning, reckonProgram } from "@/core/reckoning/reckon";
import type { Program } from "@/core/reckoning/program";
import { resolve } from "@/core/reckoning/resolve";
import { type ScaleGoal, type Scaled, largestIn, scaleTo } from "@/core/advice/scale";
import { weigh } from "@/core/reckoning/weigh";
import type { Empties } from "@/core/stores/item";
import type { LotOnHand } from "@/core/stores/stores";
import { VESSELS } from "@/core/vessel/catalogue";
import { vesselWords } from "@/core/vessel/vessel";
import { useUnits } from "../../kit/units";
import { verdictHead } from "../../plan/verdict-words";

interface Props {
  readonly plan: Plan;
  readonly program: Program;
  readonly lots: readonly LotOnHand[];
  readonly empties: readonly Empties[];
  readonly take: (plan: Plan) => void;
}

const BOTTLES = [...VESSELS.values()].filter((v) => v.sort === "bottle" || v.sort === "dropper");

/** Grams of a typed amount of a line's stuff, or what is wrong with it. */
function gramsFor(text: string, plan: Plan, program: Program, at: number): Result<number> {
  const l = program.lines[at]!;
  const a = readAmount(text, plan.units);
  if (!a.ok) return a;
  if (a.value.kind !== "measure" && a.value.kind !== "count")
    return {
      ok: false,
      faults: [
        { name: "WrongUnit", message: "Say how much is in hand: “350 mL”, “200 g”, “3 cups”.", path: [] },
      ],
    };
  const w = weigh(a.value, l.stuff);
  return w.ok ? { ok: true, value: w.value.grams } : w;
}

const factorWords = (x: number): string =>
  x < 1 ? `${Math.round(100 * x)} %` : `${Number(x.toFixed(2))} times`;

/** What the plan comes to, scaled, before it is taken. */
function ScaledPlan({
  scaled,
  reckoning,
  program,
  take,
}: {
  scaled: Scaled;
  reckoning: Reckoning;
  program: Program;
  take: () => void;
}) {
  const units = useUnits();
  const head = verdictHead(reckoning.verdict);
  const same = Math.abs(scaled.factor - 1) < 0.005;
  const plants = new Set(program.lines.filter((l) => l.stuff.plant).map((l) => l.line.id));
  const said = reckoning.lines.map(
    (x) => `${x.name} ${plants.has(x.id) ? units.massExact(x.grams.value) : units.volumeExact(x.ml.value)}`,
  );
  return (
    <>
      <p className="font-semibold">
        {same
          ? "It is that already."
          : `${factorWords(scaled.factor)} of the plan makes ${units.volumeExact(reckoning.finished.ml.value)}. ${head.place} ${head.life}`}
      </p>
      <p>{said.join(", ")}.</p>
      {scaled.tell.map((t) => (
        <p key={t} className="quiet">
          {t}
        </p>
      ))}
      {!same && (
        <button type="button" className="plain min-h-11" onClick={take}>
          do this
        </button>
      )}
    </>
  );
}

/** Make the most of this jar, of what is in hand, or for so many bottles; shown before it is taken. */
export function MostDrawer({ plan, program, lots, empties, take }: Props) {
  const units = useUnits();
  const stores = (id: string): number =>
    lots.filter((l) => l.material === id).reduce((s, l) => s + l.leftG, 0);
  const first = program.lines.findIndex((l) => l.stuff.class !== "water");
  const [of, setOf] = useState<string>("jar");
  const [amount, setAmount] = useState("");
  const [size, setSize] = useState(empties[0]?.vessel ?? "b-250-swing");
  const [count, setCount] = useState("4");
  const line = of.startsWith("line-") ? Number(of.slice(5)) : -1;
  const l = program.lines[line];
  const scaled = useMemo<{ done: Scaled } | { wrong: Fault } | undefined>(() => {
    const settle = (r: Result<Scaled>): { done: Scaled } | { wrong: Fault } =>
      r.ok ? { done: r.value } : { wrong: r.faults[0]! };
    if (of === "jar")
      return typeof plan.vessel === "string"
        ? settle(largestIn(plan, plan.vessel))
        : { wrong: { name: "NeedsVessel", message: "Choose a jar of a known size first.", path: [] } };
    if (of === "bottles") {
      const n = Number(count);
      const v = VESSELS.get(size);
      if (!Number.isInteger(n) || n < 1 || n > 99)
        return { wrong: { name: "OutOfRange", message: "Say how many bottles, from 1 to 99.", path: [] } };
      return v ? settle(scaleTo(plan, { to: "bottles", count: n, ml: v.fillMl })) : undefined;
    }
    if (!l) return undefined;
    if (amount.trim() === "") return undefined;
    const g = gramsFor(amount, plan, program, line);
    if (!g.ok) return { wrong: g.faults[0]! };
    const goal: ScaleGoal = l.stuff.plant
      ? { to: "herb", material: l.stuff.id, grams: g.value }
      : { to: "liquid", material: l.stuff.id, ml: g.value / l.stuff.density };
    return settle(scaleTo(plan, goal));
  }, [plan, program, of, amount, size, count, line, l]);
  const made = useMemo(() => {
    if (!scaled || !("done" in scaled)) return undefined;
    const p = resolve(scaled.done.plan);
    return p.ok ? { program: p.value, r: reckonProgram(p.value) } : undefined;
  }, [scaled]);
  const held = l ? stores(l.stuff.id) : 0;
  return (
    <div className="grid gap-x-10 gap-y-2 md:grid-cols-[minmax(0,24rem)_1fr]">
      <div>
        <label htmlFor="most" className="quiet block">
          make the most of
        </label>
        <select
          id="most"
          className="field w-full"
          value={of}
          onChange={(e) => {
            setOf(e.target.value);
            setAmount("");
          }}
        >
          <option value="jar">this {program.vessel ? vesselWords(program.vessel) : "jar"}</option>
          {program.lines.map((x, i) =>
            x.stuff.class === "water" || (x.stage !== "jar" && !x.stuff.plant) ? null : (
              <option key={i} value={`line-${i}`}>
                the {x.stuff.name} in hand
              </option>
            ),
          )}
          <option value="bottles">bottles wanted</option>
        </select>
        {l && (
          <p className="pt-2">
            <label htmlFor="in-hand" className="quiet block">
              how much {l.stuff.name} there is
            </label>
            <input
              id="in-hand"
              className="field w-full"
              value={amount}
              placeholder={l.stuff.plant ? "200 g" : "350 mL"}
              maxLength={60}
              aria-invalid={scaled !== undefined && "wrong" in scaled}
              aria-describedby={scaled && "wrong" in scaled ? "most-wrong" : undefined}
              onChange={(e) => setAmount(e.target.value)}
            />
            {held > 0 && (
              <button
                type="button"
                className="plain"
                onClick={() =>
                  setAmount(
                    l.stuff.plant ? `${Math.floor(held)} g` : `${Math.floor(held / l.stuff.density)} mL`,
                  )
                }
              >
                all in the stores:{" "}
                {l.stuff.plant ? units.massExact(held) : units.volumeExact(held / l.stuff.density)}
              </button>
            )}
          </p>
        )}
        {of === "bottles" && (
          <p className="pt-2 flex gap-3 items-end">
            <span>
              <label htmlFor="how-many" className="quiet block">
                how many
              </label>
              <input
                id="how-many"
                inputMode="numeric"
                className="field w-20"
                value={count}
                maxLength={3}
                aria-invalid={scaled !== undefined && "wrong" in scaled}
                aria-describedby={scaled && "wrong" in scaled ? "most-wrong" : undefined}
                onChange={(e) => setCount(e.target.value)}
              />
            </span>
            <span className="grow min-w-0">
              <label htmlFor="bottle-size" className="quiet block">
                of
              </label>
              <select
                id="bottle-size"
                className="field w-full"
                value={size}
                onChange={(e) => setSize(e.target.value)}
              >
                {BOTTLES.map((v) => (
                  <option key={v.id} value={v.id}>
                    {vesselWords(v)}
                    {empties.some((x) => x.vessel === v.id)
                      ? `, ${empties.find((x) => x.vessel === v.id)!.count} on hand`
                      : ""}
                  </option>
                ))}
              </select>
            </span>
          </p>
        )}
        {scaled && "wrong" in scaled && (
          <p id="most-wrong" role="alert" className="wrong pt-1">
            {scaled.wrong.message}
          </p>
        )}
      </div>
      <div aria-live="polite" className="min-h-28" data-testid="most">
        {made && scaled && "done" in scaled && (
          <ScaledPlan
            scaled={scaled.done}
            reckoning={made.r}
            program={made.program}
            take={() => take({ ...scaled.done.plan, name: plan.name })}
          />
        )}
        {first >= 0 && !(scaled && "done" in scaled) && (
          <p className="quiet">Choose what there is, and everything else is reckoned to go with it.</p>
        )}
      </div>
    </div>
  );
}
