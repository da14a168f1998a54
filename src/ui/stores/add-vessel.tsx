"use client";
import { useState } from "react";

import { VESSELS } from "@/core/vessel/catalogue";
import {
  LIDS,
  LID_WORDS,
  type Lid,
  VESSEL_SORTS,
  WARES,
  WARE_WORDS,
  type Ware,
  usualWare,
  vesselWords,
} from "@/core/vessel/vessel";

import { type Fault, type Result, fail, fault, ok } from "@/core/fault";
import { readAmount } from "@/core/reading/amounts";
import { readLength } from "@/core/reading/lengths";
import { Field } from "../kit/field";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";

const JARS = [...VESSELS.values()].filter((v) => v.sort !== "bottle" && v.sort !== "dropper");
const SORT_WORDS: Readonly<Record<string, string>> = {
  jar: "Jars",
  crock: "Crocks",
  pot: "Pots",
  "pressure-pot": "Pressure pots",
};
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

/** One more vessel: a plain size, or one's own by two measurements or by weighing it empty and full of water. */
export function AddVessel({ done }: { done: () => void }) {
  const { keep, sending, fault: refused, clear } = useKeep();
  const [id] = useState(() => crypto.randomUUID());
  const { lengths } = useUnits();
  const [asked, setAsked] = useState(false);
  const [size, setSize] = useState("m-1000");
  const [name, setName] = useState("");
  const [lid, setLid] = useState<Lid | "">("");
  const [ware, setWare] = useState<Ware | "">("");
  const [by, setBy] = useState<"measure" | "weigh">("measure");
  const [m, setM] = useState({ heightCm: "", diameterCm: "", emptyG: "", fullOfWaterG: "", mouthCm: "" });
  const own = size === "own";
  const fields =
    by === "measure"
      ? ([
          ["heightCm", `inside height, ${lengths}`],
          ["diameterCm", `inside width, ${lengths}`],
        ] as const)
      : ([
          ["emptyG", "empty, g"],
          ["fullOfWaterG", "full of water, g"],
          ["heightCm", `inside height, ${lengths}`],
          ["mouthCm", `mouth, ${lengths}`],
        ] as const);
  const read = new Map(fields.map(([key]) => [key as string, measured(key, m[key], lengths)]));
  // What is wrong with a field is said beside it: what it cannot be read as, or what the store says of it.
  const wrongOf = (key: string): Fault | undefined => {
    const is = read.get(key);
    if (asked && is && !is.ok) return is.faults[0];
    return refused?.path.map(String).includes(key) ? refused : undefined;
  };
  const elsewhere = refused && !fields.some(([key]) => wrongOf(key)) ? refused : undefined;
  const put =
    (key: string) =>
    (e: React.ChangeEvent<HTMLInputElement>): void => {
      clear();
      setM({ ...m, [key]: e.target.value });
    };
  const send = (): Promise<boolean> => {
    setAsked(true);
    if (own && [...read.values()].some((r) => !r.ok)) return Promise.resolve(false);
    const n = (k: string): number => {
      const is = read.get(k);
      return is?.ok ? is.value : 0;
    };
    const shape =
      by === "measure"
        ? { heightCm: n("heightCm"), diameterCm: n("diameterCm") }
        : {
            emptyG: n("emptyG"),
            fullOfWaterG: n("fullOfWaterG"),
            heightCm: n("heightCm"),
            mouthCm: n("mouthCm"),
          };
    const called = name.trim() || "my own jar";
    return keep(id, {
      what: "vessel",
      ...(name.trim() ? { name: name.trim() } : {}),
      vessel: own ? { id, name: called, sort: "jar", lid: lid || "glass", shape } : size,
      ...(lid ? { lid } : {}),
      ...(ware ? { ware } : {}),
    });
  };
  return (
    <form
      className="grid gap-3 py-3"
      onSubmit={(e) => {
        e.preventDefault();
        void send().then((ok) => ok && done());
      }}
    >
      <div className="flex flex-wrap gap-4 items-end">
        <p>
          <label htmlFor="vessel-size" className="quiet block">
            which
          </label>
          <select
            id="vessel-size"
            className="field max-w-64"
            value={size}
            onChange={(e) => {
              clear();
              setSize(e.target.value);
            }}
          >
            {VESSEL_SORTS.filter((s) => SORT_WORDS[s]).map((sort) => (
              <optgroup key={sort} label={SORT_WORDS[sort]}>
                {JARS.filter((v) => v.sort === sort).map((v) => (
                  <option key={v.id} value={v.id}>
                    {vesselWords(v)}
                  </option>
                ))}
              </optgroup>
            ))}
            <optgroup label="Measured">
              <option value="own">one of my own …</option>
            </optgroup>
          </select>
        </p>
        <p>
          <label htmlFor="vessel-name" className="quiet block">
            called
          </label>
          <input
            id="vessel-name"
            className="field w-48"
            value={name}
            maxLength={40}
            placeholder="the tall one"
            onChange={(e) => setName(e.target.value)}
          />
        </p>
        <p>
          <label htmlFor="vessel-lid" className="quiet block">
            lid
          </label>
          <select
            id="vessel-lid"
            className="field"
            value={lid}
            onChange={(e) => setLid(e.target.value as Lid)}
          >
            <option value="">
              {own ? "glass lid with a rubber ring" : LID_WORDS[VESSELS.get(size)!.lid]}
            </option>
            {LIDS.map((l) => (
              <option key={l} value={l}>
                {LID_WORDS[l]}
              </option>
            ))}
          </select>
        </p>
        <p>
          <label htmlFor="vessel-ware" className="quiet block">
            made of
          </label>
          <select
            id="vessel-ware"
            className="field"
            value={ware}
            onChange={(e) => setWare(e.target.value as Ware)}
          >
            <option value="">{WARE_WORDS[usualWare(own ? "jar" : VESSELS.get(size)!.sort)]}</option>
            {WARES.map((w) => (
              <option key={w} value={w}>
                {WARE_WORDS[w]}
              </option>
            ))}
          </select>
        </p>
      </div>
      {own && (
        <fieldset>
          <legend className="quiet">how is it measured?</legend>
          <div className="flex flex-wrap gap-6">
            <label className="flex items-center gap-2 min-h-9">
              <input
                type="radio"
                name="by"
                className="accent-cobalt w-5 h-5"
                checked={by === "measure"}
                onChange={() => setBy("measure")}
              />
              by a ruler, inside
            </label>
            <label className="flex items-center gap-2 min-h-9">
              <input
                type="radio"
                name="by"
                className="accent-cobalt w-5 h-5"
                checked={by === "weigh"}
                onChange={() => setBy("weigh")}
              />
              by weighing it empty and full of water
            </label>
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
                    value={m[key]}
                    onChange={put(key)}
                  />
                )}
              </Field>
            ))}
          </div>
        </fieldset>
      )}
      {elsewhere && (
        <p role="alert" className="wrong">
          {elsewhere.message}
        </p>
      )}
      <p className="flex gap-5 items-center">
        <button type="submit" className="slab" disabled={sending}>
          {sending ? "Writing…" : "Keep it"}
        </button>
        <button type="button" className="plain" onClick={done}>
          leave it
        </button>
      </p>
    </form>
  );
}
