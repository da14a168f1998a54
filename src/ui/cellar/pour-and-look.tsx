"use client";
import { Told } from "../kit/told";
import { useState } from "react";
import { GRAVE_SIGNS, SIGNS, type Sign } from "@/core/cellar/bottle";
import { type Fault, fault as faultOf } from "@/core/fault";
import { readMeasured } from "@/core/reading/amounts";
import { TEASPOON_ML } from "@/core/quantity/units";
import { useUnits } from "../kit/units";
import { SIGN_WORDS } from "./bottle-words";
import { ForWhom } from "./course";
import type { Writing } from "./use-bottle";

/** A spoonful at one touch, or what is typed. */
export function Pour({ w, people }: { w: Writing; people: readonly string[] }) {
  const { household } = useUnits();
  const spoonMl = TEASPOON_ML[household];
  const [said, setSaid] = useState("");
  const [whom, setWhom] = useState("");
  const whose = whom ? { for: whom } : {};
  const [wrong, setWrong] = useState<Fault | undefined>();
  const fault = wrong ?? w.refused("poured");
  const isOf = (field: string): boolean => fault !== undefined && (fault.path[0] ?? "said") === field;
  const pour = async (): Promise<void> => {
    const read = readMeasured(said, household);
    if (!read.ok) return setWrong(read.faults[0]);
    if (read.value.dimension !== "volume")
      return setWrong(faultOf("NotAVolume", "Say it as spoons, cups or mL, like “2 tsp”."));
    if (await w.write("poured", { ml: read.value.si.value, said: said.trim(), ...whose })) setSaid("");
  };
  return (
    <form
      className="flex flex-wrap items-end gap-x-3 gap-y-2"
      onSubmit={(e) => {
        e.preventDefault();
        void pour();
      }}
    >
      <button
        type="button"
        className="slab min-h-14"
        disabled={w.sending}
        onClick={() => void w.write("poured", { ml: spoonMl, said: "a spoonful", ...whose })}
      >
        Pour a spoonful
      </button>
      <p>
        <label htmlFor="pour" className="quiet block">
          or so much
        </label>
        <input
          id="pour"
          className="field w-28"
          placeholder="2 tbsp"
          value={said}
          maxLength={60}
          aria-invalid={isOf("said")}
          aria-describedby={isOf("said") ? "pour-wrong" : undefined}
          onChange={(e) => {
            setWrong(undefined);
            w.clear();
            setSaid(e.target.value);
          }}
        />
      </p>
      <button type="submit" className="plain min-h-11" disabled={w.sending || said.trim() === ""}>
        poured
      </button>
      {people.length > 0 && (
        <ForWhom
          id="pour-for"
          people={people}
          whom={whom}
          wrong={isOf("for") ? "pour-wrong" : undefined}
          set={(name) => {
            w.clear();
            setWhom(name);
          }}
        />
      )}
      {fault && (
        <p id="pour-wrong" role="alert" className="wrong basis-full">
          <Told of={fault.message} />
        </p>
      )}
    </form>
  );
}

/** Look, smell, then taste: what was seen decides what may be said of it. */
export function Look({ w, done }: { w: Writing; done: () => void }) {
  const [signs, setSigns] = useState<readonly Sign[]>([]);
  const [useBy, setUseBy] = useState("");
  const grave = signs.some((s) => GRAVE_SIGNS.has(s));
  const put = async (outcome: "fine" | "use-up" | "throw-out"): Promise<void> => {
    const body = { signs: [...signs], outcome, ...(outcome === "use-up" ? { useBy } : {}) };
    if (await w.write("inspected", body)) done();
  };
  return (
    <fieldset className="py-2">
      <legend className="quiet">look, then smell; taste only if both are well</legend>
      {SIGNS.map((s) => (
        <label key={s} className="flex items-center gap-3 min-h-11 cursor-pointer">
          <input
            type="checkbox"
            className="w-6 h-6 accent-cobalt shrink-0"
            checked={signs.includes(s)}
            onChange={(e) => setSigns(e.target.checked ? [...signs, s] : signs.filter((x) => x !== s))}
          />
          {SIGN_WORDS[s]}
        </label>
      ))}
      {grave ? (
        <p className="flex flex-wrap gap-x-5 items-center">
          <strong className="text-rust">Do not taste it.</strong>
          <button
            type="button"
            className="slab bg-rust"
            disabled={w.sending}
            onClick={() => void put("throw-out")}
          >
            Throw it out untasted
          </button>
        </p>
      ) : (
        <p className="flex flex-wrap gap-x-4 gap-y-2 items-end">
          <button type="button" className="slab" disabled={w.sending} onClick={() => void put("fine")}>
            It is fine
          </button>
          <span>
            <label htmlFor="use-by" className="quiet block">
              or use it up by
            </label>
            <input
              id="use-by"
              type="date"
              className="field"
              value={useBy}
              onChange={(e) => setUseBy(e.target.value)}
            />
          </span>
          <button
            type="button"
            className="plain min-h-11"
            disabled={w.sending || useBy === ""}
            onClick={() => void put("use-up")}
          >
            use it up by then
          </button>
        </p>
      )}
    </fieldset>
  );
}
