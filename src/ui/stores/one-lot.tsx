"use client";
import { useToday } from "../kit/when";
import Link from "../kit/link";
import { useState } from "react";
import { type Shape, ShelfBottle } from "../figures/shelf-bottles";
import type { StandsIn } from "./stands-in";
import { type Day, printDay } from "@/core/day";
import type { Dried } from "@/core/stores/dried";
import type { Catalogue } from "@/core/material/catalogue";
import { isLiquid, stuffOf } from "@/core/material/material";
import { pricePerG, printMoney } from "@/core/stores/cost";
import type { Stored } from "@/core/stores/events";
import type { Lot } from "@/core/stores/item";
import { substanceOf } from "../figures/substance";
import { useUnits } from "../kit/units";
import { useKeep } from "./keep";
import { DryIt } from "./dry-it";
import { usePutAway } from "./put-away";
import { readPrice } from "./price";

export type LotStored = Stored & { readonly item: Lot };

function priceWords(price: number | undefined, perG: number | undefined, currency: string): string {
  if (price === undefined) return "no price";
  return price === 0 ? "gathered" : `${printMoney(100 * perG!, currency)} for 100 g`;
}

/** What a lot is of, and how an amount of it is said. */
function useLot(s: LotStored, catalogue: Catalogue) {
  const units = useUnits();
  const l = s.item;
  const material = catalogue.get(l.material);
  const found = material ? stuffOf(material, { form: l.form, cut: l.cut }) : undefined;
  const stuff = found?.ok ? found.value : undefined;
  const said = (g: number): string =>
    stuff && isLiquid(stuff) ? units.volumeExact(g / stuff.density) : units.massExact(g);
  return { stuff, said, name: material?.row.names[0] ?? l.material };
}
type OfLot = ReturnType<typeof useLot>;

/** An amount and a price as they are said anew. */
function useRestating(s: LotStored, of: OfLot, currency: string, done: () => void) {
  const { keep, sending, fault, clear } = useKeep();
  const l = s.item;
  const [amount, setAmount] = useState(of.said(s.leftG));
  const [price, setPrice] = useState(l.price === undefined ? "" : String(l.price));
  const { paid, wrong: badPrice } = readPrice(price, currency);
  // Weighed anew at the price it had, a gram costs what it did; another price is a price of what is there now.
  const restate = async (): Promise<void> => {
    if (badPrice) return;
    const { grams: _, price: __, ...rest } = l;
    const ok = await keep(s.id, { ...rest, amount, ...(paid === undefined ? {} : { price: paid }) }, s.seq);
    if (ok) done();
  };
  const say = (to: string): void => {
    clear();
    setAmount(to);
  };
  return { amount, say, price, setPrice, badPrice, fault, sending, restate };
}

/** A lot weighed anew, priced anew, or taken out of the lists. */
function Restate({
  lot: s,
  of,
  currency,
  done,
}: {
  lot: LotStored;
  of: OfLot;
  currency: string;
  done: () => void;
}) {
  const { putAway } = usePutAway();
  const { amount, say, price, setPrice, badPrice, fault, sending, restate } = useRestating(
    s,
    of,
    currency,
    done,
  );
  const id = `lot-${s.id}`;
  const told = fault || badPrice ? `${id}-wrong` : undefined;
  return (
    <form
      className="flex flex-wrap gap-4 items-end pt-2"
      onSubmit={(e) => {
        e.preventDefault();
        void restate();
      }}
    >
      <p>
        <label htmlFor={`${id}-amount`} className="quiet block">
          there is now
        </label>
        <input
          id={`${id}-amount`}
          className="field w-32"
          value={amount}
          maxLength={60}
          aria-invalid={fault !== undefined}
          aria-describedby={told}
          onChange={(e) => say(e.target.value)}
        />
      </p>
      <p>
        <label htmlFor={`${id}-price`} className="quiet block">
          paid for it, {currency}
        </label>
        <input
          id={`${id}-price`}
          inputMode="decimal"
          className="field w-28"
          value={price}
          maxLength={10}
          aria-invalid={badPrice !== undefined}
          aria-describedby={told}
          onChange={(e) => setPrice(e.target.value)}
        />
      </p>
      <button type="submit" className="slab" disabled={sending}>
        Keep it
      </button>
      <Link href={`/recall?lot=${s.id}`} className="inline-flex items-center min-h-11">
        where it went
      </Link>
      <button
        type="button"
        className="plain text-ash min-h-11"
        disabled={sending}
        onClick={() => void putAway(s.id, of.name, "put away", s.seq)}
      >
        take it out of the lists
      </button>
      {told && (
        <p id={told} role="alert" className="wrong basis-full">
          {badPrice ?? fault!.message}
        </p>
      )}
    </form>
  );
}

/** What a lot is besides its name: its form, how strong it is, since when it dries. */
function lotWords(l: Lot, today: Day): string {
  return [
    l.form ? `, ${l.form}` : "",
    l.drying ? `, drying since ${printDay(l.drying, "short", today)}` : "",
    l.strength ? `, ${l.strength}` : "",
    l.water !== undefined ? `, ${l.water} % water` : "",
  ].join("");
}

/** One lot on its shelf: its vessel, as full as it is left. It opens by a touch. */
export function OneLot({
  lot: s,
  shape,
  catalogue,
  open,
  touch,
}: {
  lot: LotStored;
  /** What it is drawn in; nothing where it is not known what it is. */
  shape: (StandsIn & { readonly drawn: Shape }) | undefined;
  catalogue: Catalogue;
  open: boolean;
  touch: () => void;
}) {
  const today = useToday();
  const of = useLot(s, catalogue);
  const l = s.item;
  return (
    <li id={`lot-${s.id}`} className={`min-w-0 text-center target:bg-glaze ${open ? "bg-glaze" : ""}`}>
      <button type="button" className="block w-full" aria-expanded={open} onClick={touch}>
        <span
          className="flex items-end justify-center h-44 border-b-[7px] border-iron px-1"
          aria-hidden="true"
        >
          {shape && of.stuff && (
            <ShelfBottle of={shape.drawn} toCm={shape.toCm} substance={substanceOf(of.stuff)} />
          )}
        </span>
        <span className="inline-block pt-1.5 px-1 leading-tight break-words max-w-full">
          <span className="sr-only">change the amount of </span>
          <span className="stitch">{of.name}</span>
          <span className="font-normal text-iron">{lotWords(l, today)}</span>
        </span>
      </button>
      <p>
        {s.leftG < 0.5 ? <span className="text-ash">used up</span> : <strong>{of.said(s.leftG)}</strong>}
        {s.leftG >= 0.5 && s.leftG < l.grams * 0.98 && (
          <span className="quiet block">of {of.said(l.grams)}</span>
        )}
        {shape && shape.behind > 0 && <span className="quiet block">and {shape.behind} more, full</span>}
      </p>
    </li>
  );
}

/** What is known of a lot, and what may be said anew of it: its amount, its price, that it is dry, that it is gone. */
export function LotOpened({
  lot: s,
  currency,
  catalogue,
  before,
  today,
  done,
}: {
  lot: LotStored;
  currency: string;
  catalogue: Catalogue;
  /** What the household’s own drying of it came to. */
  before: Dried | undefined;
  today: Day;
  done: () => void;
}) {
  const of = useLot(s, catalogue);
  const l = s.item;
  const per = pricePerG({ ...l, boughtG: s.boughtG });
  return (
    <li className="col-span-full bg-glaze px-4 py-3 mb-4">
      <p>
        <strong>{of.name}</strong>
        <span className="text-ash">
          , {priceWords(l.price, per, currency)}; {printDay(l.got, "year")}
          {l.from ? `, ${l.from}` : ""}
        </span>
      </p>
      <Restate lot={s} of={of} currency={currency} done={done} />
      <DryIt lot={s} said={of.said} before={before} today={today} done={done} />
    </li>
  );
}
