"use client";
import { Told } from "../kit/told";
import { useState } from "react";

import { VESSELS, offeredIn } from "@/core/vessel/catalogue";
import {
  LID_WORDS,
  type Lid,
  VESSEL_SORTS,
  WARE_WORDS,
  type Ware,
  usualWare,
  vesselWords,
} from "@/core/vessel/vessel";

import type { Fault } from "@/core/fault";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";
import { MeasureOwn, type Sizes, useMeasured } from "./measure-own";

const SORT_WORDS: Readonly<Record<string, string>> = {
  jar: "Jars",
  crock: "Crocks",
  pot: "Pots",
  "pressure-pot": "Pressure pots",
};
/** Which size it is: those everyone has, or one's own. */
function WhichSize({ size, change }: { size: string; change: (to: string) => void }) {
  const { market } = useUnits();
  const jars = offeredIn(market, size);
  return (
    <p>
      <label htmlFor="vessel-size" className="quiet block">
        which
      </label>
      <select
        id="vessel-size"
        className="field max-w-64"
        value={size}
        onChange={(e) => change(e.target.value)}
      >
        {VESSEL_SORTS.filter((s) => SORT_WORDS[s]).map((sort) => (
          <optgroup key={sort} label={SORT_WORDS[sort]}>
            {jars
              .filter((v) => v.sort === sort)
              .map((v) => (
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
  );
}

/** A list whose first entry is what is usual. */
function UsualOr<T extends string>({
  id,
  label,
  usual,
  value,
  words,
  change,
}: {
  id: string;
  label: string;
  usual: string;
  value: T | "";
  words: Readonly<Record<T, string>>;
  change: (to: T | "") => void;
}) {
  return (
    <p>
      <label htmlFor={id} className="quiet block">
        {label}
      </label>
      <select id={id} className="field" value={value} onChange={(e) => change(e.target.value as T | "")}>
        <option value="">{usual}</option>
        {(Object.keys(words) as T[]).map((k) => (
          <option key={k} value={k}>
            {words[k]}
          </option>
        ))}
      </select>
    </p>
  );
}

/** A vessel as it is said so far, and its keeping. */
function useNewVessel() {
  const { keep, sending, fault: refused, clear } = useKeep();
  const [id] = useState(() => crypto.randomUUID());
  const [asked, setAsked] = useState(false);
  const { market } = useUnits();
  const [size, setSize] = useState(market === "us" ? "us-quart" : "m-1000");
  const [name, setName] = useState("");
  const [lid, setLid] = useState<Lid | "">("");
  const [ware, setWare] = useState<Ware | "">("");
  const measuring = useMeasured();
  const own = size === "own";
  // What is wrong with a field is said beside it: what it cannot be read as, or what the store says of it.
  const wrongOf = (key: string): Fault | undefined => {
    const is = measuring.read.get(key as keyof Sizes);
    if (asked && is && !is.ok) return is.faults[0];
    return refused?.path.map(String).includes(key) ? refused : undefined;
  };
  const send = async (): Promise<boolean> => {
    setAsked(true);
    if (own && !measuring.readable) return false;
    const called = name.trim();
    return keep(id, {
      what: "vessel",
      ...(called ? { name: called } : {}),
      vessel: own
        ? { id, name: called || "my own jar", sort: "jar", lid: lid || "glass", shape: measuring.shape() }
        : size,
      ...(lid ? { lid } : {}),
      ...(ware ? { ware } : {}),
    });
  };
  const elsewhere = refused && !measuring.fields.some(([key]) => wrongOf(key)) ? refused : undefined;
  return {
    ...{
      size,
      setSize,
      name,
      setName,
      lid,
      setLid,
      ware,
      setWare,
      own,
      wrongOf,
      elsewhere,
      sending,
      send,
      clear,
    },
    measuring: {
      ...measuring,
      type: (key: keyof Sizes, text: string): void => {
        clear();
        measuring.type(key, text);
      },
    },
  };
}

/** One more vessel: a plain size, or one's own by two measurements or by weighing it empty and full of water. */
export function AddVessel({ done }: { done: () => void }) {
  const v = useNewVessel();
  return (
    <form
      className="grid gap-3 py-3"
      onSubmit={(e) => {
        e.preventDefault();
        void v.send().then((kept) => kept && done());
      }}
    >
      <div className="flex flex-wrap gap-4 items-end">
        <WhichSize
          size={v.size}
          change={(to) => {
            v.clear();
            v.setSize(to);
          }}
        />
        <p>
          <label htmlFor="vessel-name" className="quiet block">
            called
          </label>
          <input
            id="vessel-name"
            className="field w-48"
            value={v.name}
            maxLength={40}
            placeholder="the tall one"
            onChange={(e) => v.setName(e.target.value)}
          />
        </p>
        <UsualOr
          id="vessel-lid"
          label="lid"
          usual={v.own ? LID_WORDS.glass : LID_WORDS[VESSELS.get(v.size)!.lid]}
          value={v.lid}
          words={LID_WORDS}
          change={v.setLid}
        />
        <UsualOr
          id="vessel-ware"
          label="made of"
          usual={WARE_WORDS[usualWare(v.own ? "jar" : VESSELS.get(v.size)!.sort)]}
          value={v.ware}
          words={WARE_WORDS}
          change={v.setWare}
        />
      </div>
      {v.own && <MeasureOwn measuring={v.measuring} wrongOf={v.wrongOf} />}
      {v.elsewhere && (
        <p role="alert" className="wrong">
          <Told of={v.elsewhere.message} />
        </p>
      )}
      <p className="flex gap-5 items-center">
        <button type="submit" className="slab" disabled={v.sending}>
          {v.sending ? "Writing…" : "Keep it"}
        </button>
        <button type="button" className="plain" onClick={done}>
          leave it
        </button>
      </p>
    </form>
  );
}
