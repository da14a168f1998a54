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

import { useKeep } from "./keep";

const JARS = [...VESSELS.values()].filter((v) => v.sort !== "bottle" && v.sort !== "dropper");
const SORT_WORDS: Readonly<Record<string, string>> = {
  jar: "Jars",
  crock: "Crocks",
  pot: "Pots",
  "pressure-pot": "Pressure pots",
};
const number = (text: string): number => Number(text.trim().replace(",", "."));

/** One more vessel: a plain size, or one's own by two measurements or by weighing it empty and full of water. */
export function AddVessel({ done }: { done: () => void }) {
  const { keep, sending, fault, clear } = useKeep();
  const [id] = useState(() => crypto.randomUUID());
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
          ["heightCm", "inside height, cm"],
          ["diameterCm", "inside width, cm"],
        ] as const)
      : ([
          ["emptyG", "empty, g"],
          ["fullOfWaterG", "full of water, g"],
          ["heightCm", "inside height, cm"],
          ["mouthCm", "mouth, cm"],
        ] as const);
  const wrongAt = String(fault?.path.at(-1) ?? "");
  const put =
    (key: string) =>
    (e: React.ChangeEvent<HTMLInputElement>): void => {
      clear();
      setM({ ...m, [key]: e.target.value });
    };
  const send = (): Promise<boolean> => {
    const n = (k: keyof typeof m): number => (m[k].trim() === "" ? 0 : number(m[k]));
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
              <p key={key} className="w-40">
                <label htmlFor={`own-${key}`} className="quiet block">
                  {words}
                </label>
                <input
                  id={`own-${key}`}
                  inputMode="decimal"
                  className="field w-full"
                  value={m[key]}
                  aria-invalid={wrongAt === key}
                  aria-describedby={fault ? "vessel-wrong" : undefined}
                  onChange={put(key)}
                />
              </p>
            ))}
          </div>
        </fieldset>
      )}
      {fault && (
        <p id="vessel-wrong" role="alert" className="wrong">
          {fault.message}
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
