"use client";
import { useState } from "react";
import type { Stored } from "@/core/stores/events";
import { type Busy, standing } from "@/core/stores/free";
import type { Empties, OwnVessel } from "@/core/stores/item";
import { vesselOfOwn } from "@/core/stores/stores";
import { VESSELS } from "@/core/vessel/catalogue";
import { LIDS, LID_WORDS, type Lid, VESSEL_SORTS, WARES, WARE_WORDS, type Ware, usualWare, vesselWords } from "@/core/vessel/vessel";
import { type DrawnLayer, VesselFigure } from "../figures/vessel";
import { useKeep } from "./keep";

type VesselStored = Stored & { readonly item: OwnVessel };
type EmptiesStored = Stored & { readonly item: Empties };

const JARS = [...VESSELS.values()].filter((v) => v.sort !== "bottle" && v.sort !== "dropper");
const BOTTLES = [...VESSELS.values()].filter((v) => v.sort === "bottle" || v.sort === "dropper" || (v.sort === "jar" && v.fillMl < 520));
const SORT_WORDS: Readonly<Record<string, string>> = { jar: "Jars", crock: "Crocks", pot: "Pots", "pressure-pot": "Pressure pots" };
const number = (text: string): number => Number(text.trim().replace(",", "."));

/** One more vessel: a plain size, or one's own by two measurements or by weighing it empty and full of water. */
function AddVessel({ done }: { done: () => void }) {
  const { keep, sending, fault, clear } = useKeep();
  const [id] = useState(() => crypto.randomUUID());
  const [size, setSize] = useState("m-1000");
  const [name, setName] = useState("");
  const [lid, setLid] = useState<Lid | "">("");
  const [ware, setWare] = useState<Ware | "">("");
  const [by, setBy] = useState<"measure" | "weigh">("measure");
  const [m, setM] = useState({ heightCm: "", diameterCm: "", emptyG: "", fullOfWaterG: "", mouthCm: "" });
  const own = size === "own";
  const fields = by === "measure" ? ([["heightCm", "inside height, cm"], ["diameterCm", "inside width, cm"]] as const) : ([["emptyG", "empty, g"], ["fullOfWaterG", "full of water, g"], ["heightCm", "inside height, cm"], ["mouthCm", "mouth, cm"]] as const);
  const wrongAt = String(fault?.path.at(-1) ?? "");
  const put = (key: string) => (e: React.ChangeEvent<HTMLInputElement>): void => { clear(); setM({ ...m, [key]: e.target.value }); };
  const send = (): Promise<boolean> => {
    const n = (k: keyof typeof m): number => (m[k].trim() === "" ? 0 : number(m[k]));
    const shape = by === "measure" ? { heightCm: n("heightCm"), diameterCm: n("diameterCm") } : { emptyG: n("emptyG"), fullOfWaterG: n("fullOfWaterG"), heightCm: n("heightCm"), mouthCm: n("mouthCm") };
    const called = name.trim() || "my own jar";
    return keep(id, { what: "vessel", ...(name.trim() ? { name: name.trim() } : {}), vessel: own ? { id, name: called, sort: "jar", lid: lid || "glass", shape } : size, ...(lid ? { lid } : {}), ...(ware ? { ware } : {}) });
  };
  return (
    <form className="grid gap-3 py-3" onSubmit={(e) => { e.preventDefault(); void send().then((ok) => ok && done()); }}>
      <div className="flex flex-wrap gap-4 items-end">
        <p><label htmlFor="vessel-size" className="quiet block">which</label><select id="vessel-size" className="field max-w-64" value={size} onChange={(e) => { clear(); setSize(e.target.value); }}>{VESSEL_SORTS.filter((s) => SORT_WORDS[s]).map((sort) => <optgroup key={sort} label={SORT_WORDS[sort]}>{JARS.filter((v) => v.sort === sort).map((v) => <option key={v.id} value={v.id}>{vesselWords(v)}</option>)}</optgroup>)}<optgroup label="Measured"><option value="own">one of my own …</option></optgroup></select></p>
        <p><label htmlFor="vessel-name" className="quiet block">called</label><input id="vessel-name" className="field w-48" value={name} maxLength={40} placeholder="the tall one" onChange={(e) => setName(e.target.value)} /></p>
        <p><label htmlFor="vessel-lid" className="quiet block">lid</label><select id="vessel-lid" className="field" value={lid} onChange={(e) => setLid(e.target.value as Lid)}><option value="">{own ? "glass lid with a rubber ring" : LID_WORDS[VESSELS.get(size)!.lid]}</option>{LIDS.map((l) => <option key={l} value={l}>{LID_WORDS[l]}</option>)}</select></p>
        <p><label htmlFor="vessel-ware" className="quiet block">made of</label><select id="vessel-ware" className="field" value={ware} onChange={(e) => setWare(e.target.value as Ware)}><option value="">{WARE_WORDS[usualWare(own ? "jar" : VESSELS.get(size)!.sort)]}</option>{WARES.map((w) => <option key={w} value={w}>{WARE_WORDS[w]}</option>)}</select></p>
      </div>
      {own && (
        <fieldset>
          <legend className="quiet">how is it measured?</legend>
          <div className="flex flex-wrap gap-6">
            <label className="flex items-center gap-2 min-h-9"><input type="radio" name="by" className="accent-cobalt w-5 h-5" checked={by === "measure"} onChange={() => setBy("measure")} />by a ruler, inside</label>
            <label className="flex items-center gap-2 min-h-9"><input type="radio" name="by" className="accent-cobalt w-5 h-5" checked={by === "weigh"} onChange={() => setBy("weigh")} />by weighing it empty and full of water</label>
          </div>
          <div className="flex flex-wrap gap-4 pt-1">
            {fields.map(([key, words]) => <p key={key} className="w-40"><label htmlFor={`own-${key}`} className="quiet block">{words}</label><input id={`own-${key}`} inputMode="decimal" className="field w-full" value={m[key]} aria-invalid={wrongAt === key} aria-describedby={fault ? "vessel-wrong" : undefined} onChange={put(key)} /></p>)}
          </div>
        </fieldset>
      )}
      {fault && <p id="vessel-wrong" role="alert" className="wrong">{fault.message}</p>}
      <p className="flex gap-5 items-center"><button type="submit" className="slab" disabled={sending}>{sending ? "Writing…" : "Keep it"}</button><button type="button" className="plain" onClick={done}>leave it</button></p>
    </form>
  );
}

/**
 * The household's vessels on a shelf, each with what stands in it.
 * @param levels layers of today by batch code
 */
export function Vessels({ vessels, busy, levels }: { vessels: readonly VesselStored[]; busy: readonly Busy[]; levels: Readonly<Record<string, readonly DrawnLayer[]>> }) {
  const { putAway, sending, fault } = useKeep();
  const [adding, setAdding] = useState(0);
  const [open, setOpen] = useState(false);
  const all = standing(vessels.flatMap((s) => { const vessel = vesselOfOwn(s.item); return vessel ? [{ id: s.id, own: s.item, vessel }] : []; }), busy).sort((a, b) => b.vessel.fillMl - a.vessel.fillMl);
  const seqOf = (id: string): number => vessels.find((v) => v.id === id)!.seq;
  const scale = 92 / Math.max(10, ...all.map((s) => s.vessel.solid.brimCm + 2));
  return (
    <section aria-labelledby="vessels">
      <h2 id="vessels" className="text-[1.25rem]">Vessels</h2>
      {all.length === 0 ? <p className="py-3 max-w-prose">No vessel is written down yet. The Bench then offers every plain size; with your own written down it begins from those that are free.</p> : (
        <ul className="flex flex-wrap items-start gap-y-4 pt-3">
          {all.map((s) => (
            <li key={s.own.id} className="w-[8.5rem] text-center">
              <div className="h-28 flex items-end justify-center border-b-[7px] border-iron"><VesselFigure profile={s.vessel.solid.profile} layers={s.holds ? (levels[s.holds] ?? []) : []} lid={s.vessel.lid} scale={scale} title={vesselWords(s.vessel)} /></div>
              <p className="stencil text-lg leading-tight pt-1">{s.vessel.size}</p>
              <p className="quiet leading-tight">{s.own.own.name ?? s.vessel.name}</p>
              <p className={s.holds ? "font-semibold" : "text-celadon-deep font-semibold"}>{s.holds ?? "free"}</p>
              {!s.holds && <button type="button" className="plain text-ash" disabled={sending} onClick={() => void putAway(s.own.id, "put away", seqOf(s.own.id))}>put away<span className="sr-only">: {vesselWords(s.vessel)}</span></button>}
            </li>
          ))}
        </ul>
      )}
      {fault && <p role="alert" className="wrong">{fault.message}</p>}
      {open ? <AddVessel key={adding} done={() => { setAdding(adding + 1); setOpen(false); }} /> : <button type="button" className="plain min-h-11" onClick={() => setOpen(true)}>write down a vessel</button>}
    </section>
  );
}

/** Empty bottles, counted by size. */
export function EmptyBottles({ empties }: { empties: readonly EmptiesStored[] }) {
  const { keep, sending, fault } = useKeep();
  const missing = BOTTLES.filter((v) => !empties.some((e) => e.item.vessel === v.id));
  const [size, setSize] = useState(missing[0]?.id ?? "b-100");
  const [count, setCount] = useState("6");
  const n = Number(count);
  return (
    <section aria-labelledby="empties">
      <h2 id="empties" className="text-[1.25rem]">Empty bottles</h2>
      <ul className="pt-2 border-t-2 border-iron mt-2">
        {[...empties].sort((a, b) => (VESSELS.get(b.item.vessel)?.fillMl ?? 0) - (VESSELS.get(a.item.vessel)?.fillMl ?? 0)).map((e) => {
          const v = VESSELS.get(e.item.vessel);
          const to = (k: number): void => void keep(e.id, { ...e.item, count: Math.max(0, k) }, e.seq);
          return (
            <li key={e.id} className="border-b border-rule py-1 flex items-center justify-between gap-3">
              <span>{v ? vesselWords(v) : e.item.vessel}</span>
              <span className="inline-flex items-center gap-2">
                <button type="button" className="plain min-w-9 min-h-9 no-underline text-xl" disabled={sending || e.item.count === 0} aria-label={`One fewer ${v ? vesselWords(v) : ""}`} onClick={() => to(e.item.count - 1)}>−</button>
                <strong className="w-8 text-center">{e.item.count}</strong>
                <button type="button" className="plain min-w-9 min-h-9 no-underline text-xl" disabled={sending} aria-label={`One more ${v ? vesselWords(v) : ""}`} onClick={() => to(e.item.count + 1)}>+</button>
              </span>
            </li>
          );
        })}
      </ul>
      <form className="flex flex-wrap gap-3 items-end pt-2" onSubmit={(e) => { e.preventDefault(); void keep(crypto.randomUUID(), { what: "empties", vessel: size, count: n }); }}>
        <p><label htmlFor="empty-size" className="quiet block">of</label><select id="empty-size" className="field" value={size} onChange={(e) => setSize(e.target.value)}>{missing.map((v) => <option key={v.id} value={v.id}>{vesselWords(v)}</option>)}</select></p>
        <p><label htmlFor="empty-count" className="quiet block">how many</label><input id="empty-count" inputMode="numeric" className="field w-20" value={count} maxLength={3} aria-invalid={!Number.isInteger(n) || n < 0} aria-describedby={fault ? "empty-wrong" : undefined} onChange={(e) => setCount(e.target.value)} /></p>
        <button type="submit" className="plain min-h-11" disabled={sending || !Number.isInteger(n) || n < 0}>count them in</button>
        {(fault || !Number.isInteger(n) || n < 0) && <p id="empty-wrong" role="alert" className="wrong basis-full">{fault?.message ?? "Say how many, as a whole number."}</p>}
      </form>
    </section>
  );
}
