"use client";
import { useState } from "react";
import { type Day, printDay } from "@/core/care/day";
import { MATERIALS } from "@/core/material/catalogue";
import { stuffOf } from "@/core/material/material";
import type { Household } from "@/core/quantity/units";
import type { Line } from "@/core/remedy/plan";
import { pricePerG, printMoney } from "@/core/stores/cost";
import type { Stored } from "@/core/stores/events";
import type { Lot } from "@/core/stores/item";
import { AddLine } from "../bench/add-line";
import { Swatch, substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";

type LotStored = Stored & { readonly item: Lot };

const number = (text: string): number => Number(text.trim().replace(",", "."));

/** Amounts the Bench would fill in are no weights; a lot wants to be weighed. */
const weighed = (l: Line): boolean => !/\b(?:jar|parts?|liquid)\b|^fill$/.test(l.amount);

/** Something has come in: what, how much, what was paid. */
function Incoming({ household, currency, today }: { household: Household; currency: string; today: Day }) {
  const { keep, sending, fault, clear } = useKeep();
  const [price, setPrice] = useState("");
  const [from, setFrom] = useState("");
  const [line, setLine] = useState<Line | undefined>();
  const [wrong, setWrong] = useState<string | undefined>();
  const [strength, setStrength] = useState("");
  const [id, setId] = useState(() => crypto.randomUUID());
  const material = line ? MATERIALS.get(line.material) : undefined;
  const strong = material?.kind === "stuff" && (material.row.class === "vinegar" || material.row.class === "spirit");
  const badPrice = price.trim() !== "" && !(number(price) >= 0) ? "Write the price as a number, like 4.20, or leave it empty." : undefined;
  return (
    <div className="border-b border-rule pb-3">
      {!line ? (
        <>
          <AddLine household={household} example="500 g hyssop, dried" add={(l) => { clear(); if (!weighed(l)) return setWrong(`Say how much ${MATERIALS.get(l.material)!.row.names[0]} there is: “250 g”, “1 L”, “20 cloves”.`); setWrong(undefined); setLine(l); }} />
          {wrong && <p role="alert" className="wrong">{wrong}</p>}
        </>
      ) : (
        <form className="flex flex-wrap gap-4 items-end pt-2" onSubmit={(e) => { e.preventDefault(); if (badPrice) return; void keep(id, { what: "lot", material: line.material, amount: line.amount, got: today, ...(line.form ? { form: line.form } : {}), ...(line.cut ? { cut: line.cut } : {}), ...(strength.trim() ? { strength: strength.trim() } : {}), ...(price.trim() ? { price: number(price) } : {}), ...(from.trim() ? { from: from.trim() } : {}) }).then((ok) => { if (!ok) return; setLine(undefined); setPrice(""); setStrength(""); setId(crypto.randomUUID()); }); }}>
          <p className="basis-full"><strong>{line.amount} {material!.row.names[0]}</strong>{line.form ? `, ${line.form}` : ""} <button type="button" className="plain ml-3" onClick={() => setLine(undefined)}>not that</button></p>
          {strong && <p><label htmlFor="lot-strength" className="quiet block">strength, off the bottle</label><input id="lot-strength" className="field w-32" value={strength} placeholder="5 %" maxLength={40} onChange={(e) => { clear(); setStrength(e.target.value); }} /></p>}
          <p><label htmlFor="lot-price" className="quiet block">paid for all of it, {currency}</label><input id="lot-price" inputMode="decimal" className="field w-32" value={price} placeholder="gathered: 0" maxLength={10} aria-invalid={badPrice !== undefined} aria-describedby={badPrice ? "lot-wrong" : undefined} onChange={(e) => setPrice(e.target.value)} /></p>
          <p><label htmlFor="lot-from" className="quiet block">from</label><input id="lot-from" className="field w-56" value={from} maxLength={80} onChange={(e) => setFrom(e.target.value)} /></p>
          <button type="submit" className="slab" disabled={sending}>{sending ? "Writing…" : "Put it on the shelf"}</button>
          {(badPrice ?? fault?.message) && <p id="lot-wrong" role="alert" className="wrong basis-full">{badPrice ?? fault!.message}</p>}
        </form>
      )}
    </div>
  );
}

/** One lot: what is left of it, what it cost; weighed anew or put away. */
function OneLot({ lot: s, currency }: { lot: LotStored; currency: string }) {
  const units = useUnits();
  const { keep, putAway, sending, fault, clear } = useKeep();
  const [open, setOpen] = useState(false);
  const l = s.item;
  const material = MATERIALS.get(l.material);
  const stuff = material ? stuffOf(material, { form: l.form, cut: l.cut }) : undefined;
  const liquid = stuff?.ok && !stuff.value.plant && stuff.value.bulkLoose === stuff.value.density;
  const said = (g: number): string => (liquid && stuff.ok ? units.volumeExact(g / stuff.value.density) : units.massExact(g));
  const [amount, setAmount] = useState(said(s.leftG));
  const [price, setPrice] = useState(l.price === undefined ? "" : String(l.price));
  const per = pricePerG(l);
  const badPrice = price.trim() !== "" && !(number(price) >= 0) ? "Write the price as a number, like 4.20, or leave it empty." : undefined;
  const id = `lot-${s.id}`;
  // Weighed anew, the price stays the price of what was bought: per gram it is the same.
  const restate = async (): Promise<void> => {
    if (badPrice) return;
    const { grams: _, price: __, ...rest } = l;
    const share = s.leftG > 0 && amount === said(s.leftG) ? s.leftG / l.grams : undefined;
    const paid = price.trim() === "" ? undefined : number(price);
    const same = paid !== undefined && paid === l.price;
    const ok = await keep(s.id, { ...rest, amount, ...(paid === undefined ? {} : { price: same && share !== undefined ? Number((paid * share).toFixed(4)) : paid }) }, s.seq);
    if (ok) setOpen(false);
  };
  return (
    <li className="border-b border-rule py-2">
      <div className="grid grid-cols-[20px_minmax(0,1fr)_auto] sm:grid-cols-[20px_minmax(0,14rem)_7rem_9.5rem_minmax(0,1fr)_auto] items-baseline gap-x-4">
        <span className="self-center">{stuff?.ok && <Swatch of={substanceOf(stuff.value)} />}</span>
        <span className="min-w-0"><span className="font-semibold">{material?.row.names[0] ?? l.material}</span>{l.form ? `, ${l.form}` : ""}{l.strength ? `, ${l.strength}` : ""}{l.water !== undefined ? `, ${l.water} % water` : ""}</span>
        <span className="text-right">{s.leftG < 0.5 ? <span className="text-ash">used up</span> : said(s.leftG)}{s.leftG >= 0.5 && s.leftG < l.grams * 0.98 && <span className="quiet block">of {said(l.grams)}</span>}</span>
        <span className="text-ash sm:text-right col-start-2 sm:col-start-auto">{l.price === undefined ? "no price" : l.price === 0 ? "gathered" : `${printMoney(100 * per!, currency)} for 100 g`}</span>
        <span className="text-ash min-w-0 col-start-2 sm:col-start-auto">{printDay(l.got, "short")}{l.from ? `, ${l.from}` : ""}</span>
        <span className="col-start-2 sm:col-start-auto"><button type="button" className="plain" aria-expanded={open} onClick={() => setOpen(!open)}>weigh<span className="sr-only"> {material?.row.names[0]} anew</span></button></span>
      </div>
      {open && (
        <form className="flex flex-wrap gap-4 items-end pt-2 pl-9" onSubmit={(e) => { e.preventDefault(); void restate(); }}>
          <p><label htmlFor={`${id}-amount`} className="quiet block">there is now</label><input id={`${id}-amount`} className="field w-32" value={amount} maxLength={60} aria-invalid={fault !== undefined} aria-describedby={fault || badPrice ? `${id}-wrong` : undefined} onChange={(e) => { clear(); setAmount(e.target.value); }} /></p>
          <p><label htmlFor={`${id}-price`} className="quiet block">paid for it, {currency}</label><input id={`${id}-price`} inputMode="decimal" className="field w-28" value={price} maxLength={10} aria-invalid={badPrice !== undefined} aria-describedby={fault || badPrice ? `${id}-wrong` : undefined} onChange={(e) => setPrice(e.target.value)} /></p>
          <button type="submit" className="slab" disabled={sending}>Keep it</button>
          <button type="button" className="plain text-ash min-h-11" disabled={sending} onClick={() => void putAway(s.id, "put away", s.seq)}>put it away</button>
          {(badPrice ?? fault?.message) && <p id={`${id}-wrong`} role="alert" className="wrong basis-full">{badPrice ?? fault!.message}</p>}
        </form>
      )}
    </li>
  );
}

const LIQUIDS: ReadonlySet<string> = new Set(["vinegar", "honey", "sugar", "syrup", "spirit", "glycerin", "juice", "acid", "salt", "mineral", "oil"]);

/** What stands in the stores, by sort; the oldest lot of a thing is used first. */
export function Lots({ lots, household, currency, today }: { lots: readonly LotStored[]; household: Household; currency: string; today: Day }) {
  const classOf = (l: LotStored): string => MATERIALS.get(l.item.material)?.row.class ?? "";
  const name = (l: LotStored): string => MATERIALS.get(l.item.material)?.row.names[0] ?? l.item.material;
  const sorted = [...lots].sort((a, b) => name(a).localeCompare(name(b), "en") || (a.item.got < b.item.got ? -1 : 1));
  const liquids = sorted.filter((l) => LIQUIDS.has(classOf(l)));
  const plants = sorted.filter((l) => !liquids.includes(l));
  return (
    <section aria-labelledby="lots">
      <h2 id="lots" className="text-[1.25rem]">On the shelf</h2>
      <Incoming household={household} currency={currency} today={today} />
      {lots.length === 0 && <p className="py-3 max-w-prose">Nothing is written down yet. Type what has come in, “500 g hyssop, dried” or “2 L cider vinegar”; the Bench then knows what is at hand, and what a batch costs.</p>}
      {([["Herbs, roots, berries and spices", plants], ["Vinegars, honeys, spirits and the like", liquids]] as const).map(([head, rows]) => rows.length > 0 && <div key={head} className="pt-4"><h3 className="ruled-head">{head}</h3><ul>{rows.map((l) => <OneLot key={`${l.id}-${l.seq}`} lot={l} currency={currency} />)}</ul></div>)}
    </section>
  );
}
