"use client";
import { Told } from "../../kit/told";
import type { Estimate } from "@/core/estimate";
import { useUnits } from "../../kit/units";
import { Fragment, useState } from "react";
import type { Kind } from "@/core/plan/plan";
import { readMeasured } from "@/core/reading/amounts";
import type { Measures } from "@/core/reading/measures";
import type { Stores } from "@/core/stores/stores";
import { Field } from "../../kit/field";
import { useKeep } from "../../stores/keep";
import { readPrice } from "../../stores/price";
import type { Cost } from "@/core/stores/cost";
import { againstShop, printMoney } from "@/core/stores/cost";
import type { Bench } from "../state";

function said(x: number): string {
  if (x < 0.95) return `${Math.round(100 * x)} % of the shop’s price`;
  return x <= 1.05 ? "about the shop’s price" : `${Number(x.toFixed(1))} times the shop’s price`;
}
function priceWords(price: number | undefined, currency: string): string {
  if (price === undefined) return "no price known";
  return price === 0 ? "nothing" : printMoney(price, currency);
}

/** Each line at its price; those without one say so, and where to write one. */
function LineByLine({ cost, currency }: { cost: Cost; currency: string }) {
  return (
    <section>
      <h3 className="ruled-head">Line by line</h3>
      <ul>
        {cost.lines.map((l, i) => (
          <li key={i} className="py-1.5 border-b border-rule flex justify-between gap-3">
            <span>{l.name}</span>
            <span className={l.price === undefined ? "text-ash" : ""}>{priceWords(l.price, currency)}</span>
          </li>
        ))}
      </ul>
      {cost.unpriced.length > 0 && (
        <p className="quiet pt-1">
          Write prices on lots in the <a href="/stores">stores</a>.
        </p>
      )}
    </section>
  );
}

const scaledBy = (e: Estimate, by: number): Estimate => ({
  ...e,
  value: e.value * by,
  low: e.low * by,
  high: e.high * by,
});

/** The batch, as much of it as is priced, and a spoon. */
function InAll({ cost, currency }: { cost: Cost; currency: string }) {
  const by = useUnits().pricedBy;
  const rows = [
    ["the batch", cost.batch, true],
    [by.words, scaledBy(cost.per100, by.ml / 100), true],
    ["a spoon", cost.perSpoon, false],
  ] as const;
  if (cost.priced === "none")
    return (
      <section>
        <h3 className="ruled-head">In all</h3>
        <p className="quiet py-1.5">No price is known yet of what goes in.</p>
      </section>
    );
  return (
    <section>
      <h3 className="ruled-head">In all</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4">
        {rows.map(([words, e, spread]) => (
          <Fragment key={words}>
            <dt className="py-1.5">{words}</dt>
            <dd className="py-1.5 text-right">
              <strong>{printMoney(e.value, currency)}</strong>
              {spread && (
                <span className="quiet">
                  {" "}
                  between {printMoney(e.low, currency)} and {printMoney(e.high, currency)}
                </span>
              )}
            </dd>
          </Fragment>
        ))}
      </dl>
      <p className="quiet">What goes in, at what was paid; heat, glass and an afternoon are your own.</p>
    </section>
  );
}

type Shop = Bench["shop"];
type Kept = Stores["shops"][number];

/** A shop's price and what its bottle holds, as typed; each with what is wrong with it, said beside its field. */
function readShop(shop: Shop, currency: string, measures: Measures) {
  const { paid, wrong } = readPrice(shop.price, currency);
  const holds = shop.ml.trim() === "" ? undefined : readMeasured(bareIn(shop.ml, measures), measures.units);
  const ml = holds?.ok && holds.value.dimension === "volume" ? holds.value.si.value : undefined;
  const example = `Write what the bottle holds, like “${measures.calls.bottle}”.`;
  return { paid, ml, wrongPrice: wrong, wrongMl: holds && ml === undefined ? example : undefined };
}
/** A bare figure is what the house's jugs are marked in. */
const bareIn = (text: string, { jug }: Measures): string =>
  /^\s*[\d.,½¼¾⅓⅔]+\s*$/.test(text) ? `${text.trim()} ${jug.words}` : text;

/** Keeps the shop's price for this remedy, so that a year's saving can be told. */
function KeepPrice({
  remedy,
  kind,
  price,
  ml,
  was,
}: {
  remedy: string;
  kind: Kind;
  price: number;
  ml: number;
  was: Kept | undefined;
}) {
  const { keep, sending, fault } = useKeep();
  const [id] = useState(() => crypto.randomUUID());
  if (was && was.price === price && Math.abs(was.ml - ml) < 0.5)
    return (
      <p role="status">
        Kept for {remedy}; a year of it stands in the <a href="/cellar">cellar</a>.
      </p>
    );
  return (
    <>
      <button
        type="button"
        className="plain min-h-11"
        disabled={sending}
        onClick={() => void keep(was?.id ?? id, { what: "shop", remedy, kind, price, ml }, was?.seq)}
      >
        keep this price for {remedy}
      </button>
      {fault && (
        <p role="alert" className="wrong">
          <Told of={fault.message} />
        </p>
      )}
    </>
  );
}

/** What a shop asks for a bottle, and how that compares by the mL. */
function BesideAShop({ cost, currency, shop, setShop, remedy, kind, shops }: Props) {
  const measures = useUnits();
  const was = shops.find((s) => s.kind === kind && s.remedy.toLowerCase() === remedy.toLowerCase());
  const shown: Shop =
    was && shop.price === "" && shop.ml === ""
      ? { price: String(was.price), ml: measures.volumeExact(was.ml) }
      : shop;
  const { paid, ml, wrongPrice, wrongMl } = readShop(shown, currency, measures);
  const ratio = paid === undefined || ml === undefined ? undefined : againstShop(cost, paid, ml);
  return (
    <section>
      <h3 className="ruled-head">Beside a shop’s bottle</h3>
      <div className="flex gap-3 pt-2">
        <Field
          id="shop-price"
          label={`it costs, ${currency}`}
          className="w-32"
          fault={wrongPrice === undefined ? undefined : { message: wrongPrice }}
        >
          {(tied) => (
            <input
              {...tied}
              inputMode="decimal"
              className="field w-full"
              value={shown.price}
              maxLength={10}
              onChange={(e) => setShop({ ...shown, price: e.target.value })}
            />
          )}
        </Field>
        <Field
          id="shop-ml"
          label={`and holds, ${measures.jug.words}`}
          className="w-32"
          fault={wrongMl === undefined ? undefined : { message: wrongMl }}
        >
          {(tied) => (
            <input
              {...tied}
              className="field w-full"
              value={shown.ml}
              maxLength={20}
              onChange={(e) => setShop({ ...shown, ml: e.target.value })}
            />
          )}
        </Field>
      </div>
      <p className="pt-2 min-h-7" aria-live="polite" data-testid="against-shop">
        {ratio !== undefined && cost.batch.value > 0
          ? `By the ${measures.units === "metric" ? "mL" : "ounce"} yours comes to ${said(ratio)}.`
          : ""}
      </p>
      {paid !== undefined && paid > 0 && ml !== undefined && ml > 0 && (
        <KeepPrice {...{ remedy, kind, price: paid, ml, was }} />
      )}
    </section>
  );
}

interface Props {
  readonly cost: Cost;
  readonly currency: string;
  readonly shop: Shop;
  readonly setShop: (shop: Shop) => void;
  readonly remedy: string;
  readonly kind: Kind;
  readonly shops: Stores["shops"];
}

/** What it costs line by line, and beside a shop's bottle. */
export function CostDrawer(p: Props) {
  return (
    <div className="grid gap-x-10 gap-y-3 md:grid-cols-3">
      <LineByLine cost={p.cost} currency={p.currency} />
      <InAll cost={p.cost} currency={p.currency} />
      <BesideAShop {...p} />
    </div>
  );
}
