import { useState } from "react";
import { type Fault, type Result, fail, fault, ok } from "@/core/fault";
import { readAmount } from "@/core/reading/amounts";
import { readLength } from "@/core/reading/lengths";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";

/** A measurement as it was typed: a length by the household's ruler, or a weight in grams. */
function measured(key: string, text: string, lengths: "cm" | "in"): Result<number> {
  if (key.endsWith("Cm")) return readLength(text, lengths);
  const bare = Number(text.trim().replace(",", "."));
  if (text.trim() !== "" && Number.isFinite(bare)) return ok(bare);
  const amount = readAmount(text, "metric");
  if (amount.ok && amount.value.kind === "measure" && amount.value.dimension === "mass")
    return ok(amount.value.si.value);
  return fail(fault("NotAWeight", "Write what the scale shows, in grams, like 640."));
}

export type Sizes = Record<"heightCm" | "diameterCm" | "emptyG" | "fullOfWaterG" | "mouthCm", string>;
type By = "measure" | "weigh";
const UNMEASURED: Sizes = { heightCm: "", diameterCm: "", emptyG: "", fullOfWaterG: "", mouthCm: "" };

/** What is asked for each way of measuring, in the order it is measured. */
const fieldsOf = (by: By, lengths: "cm" | "in"): readonly (readonly [keyof Sizes, string])[] =>
  by === "measure"
    ? [
        ["heightCm", `inside height, ${lengths}`],
        ["diameterCm", `inside width, ${lengths}`],
      ]
    : [
        ["emptyG", "empty, g"],
        ["fullOfWaterG", "full of water, g"],
        ["heightCm", `inside height, ${lengths}`],
        ["mouthCm", `mouth, ${lengths}`],
      ];

/** A vessel of one's own by what was measured of it. */
export function useMeasured() {
  const { lengths } = useUnits();
  const [by, setBy] = useState<By>("measure");
  const [typed, setTyped] = useState(UNMEASURED);
  const fields = fieldsOf(by, lengths);
  const read = new Map(fields.map(([key]) => [key, measured(key, typed[key], lengths)]));
  return {
    ...{ by, setBy, typed, fields, read },
    type: (key: keyof Sizes, text: string): void => setTyped({ ...typed, [key]: text }),
    readable: [...read.values()].every((r) => r.ok),
    /** Only where all of it reads. */
    shape: () => {
      const n = (key: keyof Sizes): number => {
        const is = read.get(key);
        return is?.ok ? is.value : 0;
      };
      return by === "measure"
        ? { heightCm: n("heightCm"), diameterCm: n("diameterCm") }
        : {
            ...{ emptyG: n("emptyG"), fullOfWaterG: n("fullOfWaterG") },
            ...{ heightCm: n("heightCm"), mouthCm: n("mouthCm") },
          };
    },
  };
}
type Measuring = ReturnType<typeof useMeasured>;

/** One of two ways to measure, and its fields. */
export function MeasureOwn({
  measuring: { by, setBy, typed, fields, type },
  wrongOf,
}: {
  measuring: Measuring;
  wrongOf: (key: string) => Fault | undefined;
}) {
  const ways = [
    ["measure", "by a ruler, inside"],
    ["weigh", "by weighing it empty and full of water"],
  ] as const;
  return (
    <fieldset>
      <legend className="quiet">how is it measured?</legend>
      <div className="flex flex-wrap gap-6">
        {ways.map(([way, words]) => (
          <label key={way} className="flex items-center gap-2 min-h-11">
            <input
              type="radio"
              name="by"
              className="accent-cobalt w-5 h-5"
              checked={by === way}
              onChange={() => setBy(way)}
            />
            {words}
          </label>
        ))}
      </div>
      <div className="flex flex-wrap gap-4 pt-1">
        {fields.map(([key, words]) => (
          <Field key={key} id={`own-${key}`} label={words} fault={wrongOf(key)} className="w-44">
            {(tied) => (
              <input
                {...tied}
                inputMode="decimal"
                className="field w-full"
                maxLength={20}
                value={typed[key]}
                onChange={(e) => type(key, e.target.value)}
              />
            )}
          </Field>
        ))}
      </div>
    </fieldset>
  );
}
