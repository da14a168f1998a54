"use client";
import type { Estimate } from "@/core/estimate";
import { useUnits } from "../../kit/units";
import { Fragment } from "react";
import type { Cost } from "@/core/stores/cost";
import { againstShop, printMoney } from "@/core/stores/cost";
import type { Bench } from "../state";

const number = (text: string): number => Number(text.trim().replace(",", "."));
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

/** One number of a shop's bottle. */
function ShopField({
  id,
  label,
  value,
  wrong,
  set,
}: {
  id: string;
  label: string;
  value: string;
  wrong: boolean;
  set: (value: string) => void;
}) {
  return (
    <p className="w-32">
      <label htmlFor={id} className="quiet block">
        {label}
      </label>
      <input
        id={id}
        inputMode="decimal"
        className="field w-full"
        value={value}
        maxLength={10}
        aria-invalid={wrong}
        aria-describedby={wrong ? "shop-wrong" : undefined}
        onChange={(e) => set(e.target.value)}
      />
    </p>
  );
}

/** Whether a typed number is none, or one that could be a price or a volume. */
const isFine = (text: string): boolean => {
  const x = number(text);
  return text.trim() === "" || (x > 0 && x < 100_000);
};

/** What a shop asks for a bottle, and how that compares by the mL. */
function BesideAShop({
  cost,
  currency,
  shop,
  setShop,
}: {
  cost: Cost;
  currency: string;
  shop: Shop;
  setShop: (shop: Shop) => void;
}) {
  const { units, jug } = useUnits();
  const metric = units === "metric";
  const wrongPrice = isFine(shop.price) ? undefined : "Write the price as a number, like 7.50.";
  const wrongMl = isFine(shop.ml)
    ? undefined
    : `Write what the bottle holds in ${jug.words}, like ${metric ? 250 : 8}.`;
  const ratio = againstShop(cost, number(shop.price), number(shop.ml) * jug.ml);
  return (
    <section>
      <h3 className="ruled-head">Beside a shop’s bottle</h3>
      <div className="flex gap-3 pt-2">
        <ShopField
          id="shop-price"
          label={`it costs, ${currency}`}
          value={shop.price}
          wrong={wrongPrice !== undefined}
          set={(price) => setShop({ ...shop, price })}
        />
        <ShopField
          id="shop-ml"
          label={`and holds, ${jug.words}`}
          value={shop.ml}
          wrong={wrongMl !== undefined}
          set={(ml) => setShop({ ...shop, ml })}
        />
      </div>
      {(wrongPrice ?? wrongMl) && (
        <p id="shop-wrong" role="alert" className="wrong pt-1">
          {wrongPrice ?? wrongMl}
        </p>
      )}
      <p className="pt-2 min-h-7" aria-live="polite" data-testid="against-shop">
        {ratio !== undefined && cost.batch.value > 0
          ? `By the ${metric ? "mL" : "ounce"} yours comes to ${said(ratio)}.`
          : ""}
      </p>
    </section>
  );
}

/** What it costs line by line, and beside a shop's bottle. */
export function CostDrawer({
  cost,
  currency,
  shop,
  setShop,
}: {
  cost: Cost;
  currency: string;
  shop: Shop;
  setShop: (shop: Shop) => void;
}) {
  return (
    <div className="grid gap-x-10 gap-y-3 md:grid-cols-3">
      <LineByLine cost={cost} currency={currency} />
      <InAll cost={cost} currency={currency} />
      <BesideAShop cost={cost} currency={currency} shop={shop} setShop={setShop} />
    </div>
  );
}
