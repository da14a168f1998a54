"use client";
import { Told } from "../kit/told";
import { useRouter } from "../kit/router";
import { useMemo, useState } from "react";
import { Printer } from "lucide-react";
import type { Day } from "@/core/day";
import type { Fault } from "@/core/fault";
import type { Catalogue } from "@/core/material/catalogue";
import type { Stored } from "@/core/stores/events";
import type { Wanted } from "@/core/stores/item";
import { type ListLine, listOf } from "@/core/stores/wanted";
import { storesOf } from "@/core/stores/stores";
import { hemisphereOf, isIn, monthsOf, monthsWords } from "@/core/material/months";
import type { LotOnHand } from "@/core/stores/stores";
import { capital, listed } from "@/core/words";
import { send } from "../kit/send";
import { toStores } from "../kit/writes";
import { PuttingAway, usePutAway } from "./put-away";
import { readPrice } from "./price";
import { useKeep } from "./keep";

const HEADS: readonly (readonly [Wanted["where"], string])[] = [
  ["gather", "To gather"],
  ["buy", "To buy"],
];

const nameOf = (l: ListLine, catalogue: Catalogue): string =>
  l.words ?? catalogue.get(l.material ?? "")?.row.names[0] ?? l.material ?? "";
const amountsOf = (l: ListLine): string => listed(l.parts.flatMap(({ item }) => item.amount ?? []));

/** Ticks a line off: it goes into the stores with its price, as much as was got, and off the list. */
function useTicking(l: ListLine, today: Day, currency: string, name: string) {
  const router = useRouter();
  const { putAway } = usePutAway();
  const [fault, setFault] = useState<Fault | undefined>();
  const [sending, setSending] = useState(false);
  const [lots] = useState(() => l.parts.map(() => crypto.randomUUID()));
  const tick = async (amounts: readonly string[], price: string): Promise<void> => {
    const { paid, wrong } = readPrice(price, currency);
    if (wrong) return setFault({ name: "NotAPrice", message: wrong, path: ["price"] });
    setFault(undefined);
    setSending(true);
    for (const [i, { id, seq, item }] of l.parts.entries()) {
      const { material, form, cut, strength } = item;
      if (material) {
        const lot = {
          ...{ what: "lot" as const, material, amount: amounts[i] ?? "", got: today },
          ...(form ? { form } : {}),
          ...(cut ? { cut } : {}),
          ...(strength ? { strength } : {}),
          // Paid for all of it: the first of several carries the price.
          ...(paid === undefined ? {} : { price: i === 0 ? paid : 0 }),
        };
        const sent = await send(toStores(lots[i]!, "kept", { item: lot }), lots[i]!);
        if (!sent.ok) {
          setFault(sent.fault);
          return setSending(false);
        }
      }
      await putAway(id, name, "got", seq);
    }
    setSending(false);
    router.refresh();
  };
  return { tick, fault, sending };
}

/** How much was got and what it cost: into the stores with it. */
function GotIt({
  l,
  id,
  name,
  currency,
  fault,
  sending,
  tick,
}: Pick<ReturnType<typeof useTicking>, "fault" | "sending" | "tick"> & {
  l: ListLine;
  id: string;
  name: string;
  currency: string;
}) {
  const { putAway } = usePutAway();
  const [amounts, setAmounts] = useState(() => l.parts.map((p) => p.item.amount ?? ""));
  const [price, setPrice] = useState("");
  return (
    <form
      className="no-print flex flex-wrap gap-4 items-end pl-14 pb-2"
      onSubmit={(e) => {
        e.preventDefault();
        void tick(amounts, price);
      }}
    >
      {l.parts.map((p, i) => (
        <p key={p.id}>
          <label htmlFor={`${id}-${i}`} className="quiet block">
            {p.item.for ? `got, for ${p.item.for}` : "got"}
          </label>
          <input
            id={`${id}-${i}`}
            className="field w-32"
            maxLength={60}
            value={amounts[i]}
            onChange={(e) => setAmounts(amounts.map((a, j) => (j === i ? e.target.value : a)))}
          />
        </p>
      ))}
      <p>
        <label htmlFor={`${id}-price`} className="quiet block">
          paid, {currency}
        </label>
        <input
          id={`${id}-price`}
          className="field w-28"
          inputMode="decimal"
          maxLength={10}
          value={price}
          aria-invalid={fault?.path[0] === "price"}
          onChange={(e) => setPrice(e.target.value)}
        />
      </p>
      <button type="submit" className="slab" disabled={sending}>
        Into the stores
      </button>
      <button
        type="button"
        className="plain min-h-11"
        disabled={sending}
        onClick={() => void Promise.all(l.parts.map((p) => putAway(p.id, name, "not wanted", p.seq)))}
      >
        not wanted
      </button>
      {fault && (
        <p role="alert" className="wrong basis-full">
          <Told of={fault.message} />
        </p>
      )}
    </form>
  );
}

/** When it is picked here, and where it was got the last time. */
function whereAndWhen(
  l: ListLine,
  lots: readonly LotOnHand[],
  { zone, today }: { readonly zone: string; readonly today: Day },
): string {
  if (!l.material) return "";
  const months = l.where === "gather" ? monthsOf(l.material, hemisphereOf(zone)) : undefined;
  const from = lots.findLast((x) => x.material === l.material && x.from)?.from;
  const now = months && isIn(months, Number(today.slice(5, 7)));
  return [
    months ? `${now ? "picked here now" : "not its time"}: ${monthsWords(months)}` : "",
    from ? `last from ${from}` : "",
  ]
    .filter((w) => w !== "")
    .join("; ");
}

function OneLine({
  l,
  catalogue,
  today,
  currency,
  lots,
  zone,
}: {
  l: ListLine;
  catalogue: Catalogue;
  today: Day;
  currency: string;
  lots: readonly LotOnHand[];
  zone: string;
}) {
  const name = nameOf(l, catalogue);
  const { tick, fault, sending } = useTicking(l, today, currency, name);
  const [open, setOpen] = useState(false);
  const where = whereAndWhen(l, lots, { zone, today });
  const whose = listed([...new Set(l.parts.flatMap(({ item }) => item.for ?? []))]);
  const id = `list-${l.parts[0]!.id}`;
  return (
    <li className="border-b border-rule py-1">
      <div className="flex items-center gap-3 min-h-12">
        <button
          type="button"
          className="w-11 h-11 shrink-0 grid place-items-center no-print"
          aria-expanded={open}
          aria-label={`${capital(name)}: got it`}
          disabled={sending}
          onClick={() => (l.material ? setOpen(!open) : void tick([], ""))}
        >
          <span className="w-7 h-7 border-2 border-cobalt bg-paper" />
        </button>
        <span className="hidden print:inline-block w-4 h-4 border border-iron" aria-hidden="true" />
        <span className="min-w-0 break-words">
          <strong>{amountsOf(l)}</strong> {name}
          {l.form ? `, ${l.form}` : ""}
          {whose && <span className="text-ash"> for {whose}</span>}
          {where && <span className="block text-ash">{where}</span>}
        </span>
      </div>
      {open && <GotIt {...{ l, id, currency, fault, sending, tick }} name={name} />}
    </li>
  );
}

/** Something that is no ingredient: lids, paper, a bell pepper for supper. */
function Another() {
  const { keep, sending, fault } = useKeep();
  const [words, setWords] = useState("");
  const put = async (): Promise<void> => {
    if (await keep(crypto.randomUUID(), { what: "wanted", where: "buy", words: words.trim() })) setWords("");
  };
  return (
    <form
      className="no-print flex flex-wrap gap-4 items-end pt-4"
      onSubmit={(e) => {
        e.preventDefault();
        void put();
      }}
    >
      <p>
        <label htmlFor="list-another" className="quiet block">
          something else
        </label>
        <input
          id="list-another"
          className="field w-64 max-w-full"
          placeholder="lids for the quart jars"
          maxLength={80}
          value={words}
          onChange={(e) => setWords(e.target.value)}
        />
      </p>
      <button type="submit" className="slab" disabled={sending || words.trim() === ""}>
        Put it on
      </button>
      {fault && (
        <p role="alert" className="wrong basis-full">
          <Told of={fault.message} />
        </p>
      )}
    </form>
  );
}

/** What is to be picked and bought, for one plan or several: ticked off it goes into the stores. */
export function GatherList({
  items,
  currency,
  today,
  zone,
}: {
  items: readonly Stored[];
  currency: string;
  today: Day;
  zone: string;
}) {
  const { catalogue, lots } = useMemo(() => storesOf(items), [items]);
  const list = useMemo(() => listOf(items), [items]);
  return (
    <div className="pt-5 max-w-3xl">
      <h1>To gather and buy</h1>
      <PuttingAway>
        {list.length === 0 && (
          <p className="pt-3">
            Nothing is on the list. On the Bench, “to gather, to buy” puts what a plan lacks onto it.
          </p>
        )}
        {HEADS.map(([where, head]) => {
          const lines = list.filter((l) => l.where === where);
          return lines.length === 0 ? null : (
            <section key={where} aria-label={head} className="pt-4">
              <h2 className="ruled-head">{head}</h2>
              <ul>
                {lines.map((l) => (
                  <OneLine key={l.key} {...{ l, catalogue, today, currency, lots, zone }} />
                ))}
              </ul>
            </section>
          );
        })}
      </PuttingAway>
      <Another />
      {list.length > 0 && (
        <p className="no-print pt-3">
          <button
            type="button"
            className="plain min-h-11 inline-flex items-center gap-2"
            onClick={() => window.print()}
          >
            <Printer size={18} aria-hidden="true" /> print this list
          </button>
        </p>
      )}
    </div>
  );
}
