"use client";
import { METRIC } from "@/core/reading/measures";
import { useMemo, useState } from "react";
import type { Catalogue } from "@/core/material/catalogue";
import { CUTS, type Cut, FORMS, type Form } from "@/core/material/classes";
import { type Material, formsOf, stuffOf } from "@/core/material/material";
import type { UnitSystem } from "@/core/quantity/units";
import { printVolume } from "@/core/reading/print";
import { materialNamed, nearNames } from "@/core/reading/names";
import type { Stored } from "@/core/stores/events";
import type { Calibration } from "@/core/stores/item";
import { listed } from "@/core/words";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";
import { usePutAway } from "./put-away";

const formWords = (c: Pick<Calibration, "form" | "cut">): string =>
  [c.form, c.cut].filter((x) => x !== undefined).join(", ");

/** One cup that was weighed, against the usual figure. */
export function OneCup({
  stored,
  cup,
  catalogue,
}: {
  stored: Stored;
  cup: Calibration;
  catalogue: Catalogue;
}) {
  const units = useUnits();
  const { putAway, sending } = usePutAway();
  const name = catalogue.get(cup.material)?.row.names[0] ?? cup.material;
  return (
    <li className="border-b border-rule py-2 flex flex-wrap gap-x-5 items-baseline">
      <span className="font-semibold">{name}</span>
      <span>{formWords(cup)}</span>
      <span className="grow">
        {cup.amount} weighs {units.massExact(cup.grams)} here
      </span>
      <button
        type="button"
        className="plain text-ash min-h-11"
        disabled={sending}
        onClick={() => void putAway(stored.id, `${cup.amount} of ${name}`, "put away", stored.seq)}
      >
        use the usual figure again<span className="sr-only"> for {name}</span>
      </button>
    </li>
  );
}

interface Weighing {
  readonly name: string;
  readonly form: Form;
  readonly cut: Cut | "";
  readonly amount: string;
  readonly grams: string;
}

const cupOf = (household: UnitSystem): string => (household === "metric" ? METRIC.volume(250) : "1 cup");

/** What the tables say a filled cup of it weighs, to compare with the scale. */
function usualGrams(m: Material | undefined, w: Weighing): number | undefined {
  if (m?.kind !== "plant") return undefined;
  const bare: Material = { kind: "plant", row: m.row };
  const s = stuffOf(bare, { form: w.form, ...(w.cut ? { cut: w.cut } : {}) });
  return s.ok ? s.value.bulkLoose : undefined;
}

interface CupWrong {
  readonly field: string;
  readonly message: string;
  readonly suggestion?: string;
}

/** Grams as the scale shows them: “28”, “28,5 g”. */
const gramsOf = (text: string): number => Number(text.replace(/\s*g(rams?)?$/i, "").replace(",", "."));

/** A cup in the hand: what is said of it, what is wrong with that, and its keeping. */
function useCup(household: UnitSystem, catalogue: Catalogue) {
  const { keep, sending, fault, clear } = useKeep();
  const [w, set] = useState<Weighing>({
    name: "",
    form: "dried",
    cut: "",
    amount: cupOf(household),
    grams: "",
  });
  const [wrong, setWrong] = useState<CupWrong | undefined>();
  const [kept, setKept] = useState("");
  const material = useMemo(() => materialNamed(w.name, catalogue), [w.name, catalogue]);
  const plant = material?.kind === "plant" ? material : undefined;
  const change = (to: Partial<Weighing>): void => {
    clear();
    setWrong(undefined);
    setKept("");
    set({ ...w, ...to });
  };
  const at = (field: string) => {
    if (wrong?.field === field) return wrong;
    return fault?.path.map(String).includes(field) ? fault : undefined;
  };
  const submit = async (): Promise<void> => {
    if (!plant) return setWrong(unknown(w.name, catalogue));
    const grams = gramsOf(w.grams);
    if (!(grams > 0))
      return setWrong({ field: "grams", message: "Write what the scale shows, in grams, like “28”." });
    const { form, amount } = w;
    const cut = w.cut ? { cut: w.cut } : {};
    const cup = { what: "weighed", material: plant.row.id, form, ...cut, amount, grams, heap: 1 } as const;
    if (!(await keep(crypto.randomUUID(), cup))) return;
    set({ ...w, name: "", grams: "" });
    setKept(`Kept. ${plant.row.names[0]} is reckoned by your own ${w.amount} now.`);
  };
  return { w, change, at, submit, sending, kept, plant, usual: usualGrams(material, w) };
}
type Cup = ReturnType<typeof useCup>;

/** The form and the cut it is weighed in. */
function FormAndCut({ cup: { w, change, plant } }: { cup: Cup }) {
  return (
    <>
      <Field id="cup-form" label="form">
        {(tied) => (
          <select
            {...tied}
            className="field"
            value={w.form}
            onChange={(e) => change({ form: e.target.value as Form })}
          >
            {(plant ? formsOf(plant) : FORMS).map((f) => (
              <option key={f}>{f}</option>
            ))}
          </select>
        )}
      </Field>
      <Field id="cup-cut" label="cut">
        {(tied) => (
          <select
            {...tied}
            className="field"
            value={w.cut}
            onChange={(e) => change({ cut: e.target.value as Cut | "" })}
          >
            <option value="">as usual</option>
            {CUTS.map((c) => (
              <option key={c}>{c}</option>
            ))}
          </select>
        )}
      </Field>
    </>
  );
}

/** A cup filled and put on the scale: from then on the household's own figure counts. */
export function WeighACup({ household, catalogue }: { household: UnitSystem; catalogue: Catalogue }) {
  const cup = useCup(household, catalogue);
  const { w, change, at, usual } = cup;
  const compare = usual === undefined ? "" : `${(usual * 240).toFixed(0)} g`;
  return (
    <form
      className="flex flex-wrap gap-4 items-end pt-2"
      aria-label="Weigh your own cup"
      onSubmit={(e) => {
        e.preventDefault();
        void cup.submit();
      }}
    >
      <Field id="cup-name" label="a cup or spoon of" fault={at("name")} put={(name) => change({ name })}>
        {(tied) => (
          <input
            {...tied}
            className="field w-44"
            value={w.name}
            placeholder="mint"
            maxLength={60}
            onChange={(e) => change({ name: e.target.value })}
          />
        )}
      </Field>
      <FormAndCut cup={cup} />
      <Field id="cup-amount" label="so much, loosely filled" fault={at("amount")}>
        {(tied) => (
          <input
            {...tied}
            className="field w-28"
            value={w.amount}
            maxLength={60}
            onChange={(e) => change({ amount: e.target.value })}
          />
        )}
      </Field>
      <Field id="cup-grams" label="the scale shows, g" fault={at("grams")}>
        {(tied) => (
          <input
            {...tied}
            className="field w-24"
            inputMode="decimal"
            value={w.grams}
            maxLength={12}
            onChange={(e) => change({ grams: e.target.value })}
          />
        )}
      </Field>
      <button type="submit" className="slab" disabled={cup.sending}>
        {cup.sending ? "Writing…" : "Keep it"}
      </button>
      <p role="status" className="quiet basis-full min-h-7">
        {cup.kept || (compare && `The usual figure is ${compare} for ${printVolume(240, household).text}.`)}
      </p>
    </form>
  );
}

function unknown(
  name: string,
  catalogue: Catalogue,
): { field: string; message: string; suggestion?: string } {
  if (name.trim() === "") return { field: "name", message: "Say what is in the cup: “mint”, “elderberry”." };
  const near = nearNames(name, catalogue, 3).map((m) => m.row.names[0]!);
  const message =
    near.length > 0
      ? `“${name}” is not known here. Is it ${listed(near, "or")}?`
      : `“${name}” is not known here. Write it down as a plant of your own first.`;
  return { field: "name", message, ...(near[0] ? { suggestion: near[0] } : {}) };
}
