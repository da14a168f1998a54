"use client";
import { addDays, printDay } from "@/core/day";
import { CLASSES } from "@/core/material/classes";
import type { Stored } from "@/core/stores/events";
import type { LearnedCloth } from "@/core/stores/item";
import { counted } from "@/core/words";
import { WRINGING_WORDS } from "../plan/step-words";
import { useUnits } from "../kit/units";
import { Wrong } from "../kit/field";
import { useKeep } from "./keep";

/** What a dry gram keeps in mL is what a dry ounce keeps in ounces, but for a twentieth. */
const OUNCE_FOR_OUNCE = 28.3495 / 29.5735;

function OneCloth({ item }: { item: LearnedCloth }) {
  const book = CLASSES[item.class].retention[item.how];
  const { units } = useUnits();
  const metric = units === "metric";
  const of = metric ? 1 : OUNCE_FOR_OUNCE;
  const per = (x: number): string => `${(x * of).toFixed(1)} ${metric ? "mL" : "fl oz"}`;
  const is = book * item.share;
  return (
    <li className="py-2 border-b border-rule flex flex-wrap gap-x-4">
      <span className="grow">
        {item.class}, {WRINGING_WORDS[item.how]}
      </span>
      <span>
        {per(is)} ± {(is * of * item.spread).toFixed(1)}{" "}
        <span className="quiet">
          to a dry {metric ? "gram" : "ounce"}; the book {per(book)}
        </span>
      </span>
      <span className="quiet">{counted(item.batches, "straining")}</span>
    </li>
  );
}

/** What the household's own cloths keep back, learned from its measured strainings; forgotten at a touch. */
export function Cloths({ items, today }: { items: readonly Stored[]; today: string }) {
  const { keep, sending, fault } = useKeep();
  const learned = items.flatMap((s) => (s.item.what === "learned" ? [s.item] : []));
  const set = items.flatMap((s) =>
    s.item.what === "cloth" ? [{ id: s.id, seq: s.seq, since: s.item.since }] : [],
  )[0];
  return (
    <section aria-labelledby="cloths">
      <h3 id="cloths" className="ruled-head pt-4">
        What your cloths keep
      </h3>
      <p className="max-w-prose pt-1">
        Learned from what your jug showed: the book’s figure counts for five strainings, yours for one each,
        and the more there are the closer a yield is foreseen.
      </p>
      {learned.length === 0 && <p className="quiet">Nothing was measured yet; the book’s figures stand.</p>}
      {learned.length > 0 && (
        <ul>
          {learned.map((x) => (
            <OneCloth key={`${x.class}-${x.how}`} item={x} />
          ))}
        </ul>
      )}
      {learned.length > 0 && (
        <p>
          <button
            type="button"
            className="plain min-h-11"
            disabled={sending}
            onClick={() =>
              void keep(set?.id ?? crypto.randomUUID(), { what: "cloth", since: addDays(today, 1) }, set?.seq)
            }
          >
            forget them, and learn from tomorrow on
          </button>
        </p>
      )}
      {learned.length === 0 && set && (
        <p className="quiet">Strainings are learned from again since {printDay(set.since, "year")}.</p>
      )}
      {fault && <Wrong fault={fault} />}
    </section>
  );
}
