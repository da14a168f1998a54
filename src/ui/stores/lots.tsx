"use client";
import Link from "../kit/link";
import type { Day } from "@/core/day";
import type { Catalogue } from "@/core/material/catalogue";
import { driedBefore } from "@/core/stores/dried";
import type { Stored } from "@/core/stores/events";
import type { UnitSystem } from "@/core/quantity/units";
import { useUnits } from "../kit/units";
import { BringIn } from "./bring-in";
import { Incoming } from "./incoming";
import { type LotStored, OneLot } from "./one-lot";
import { Cloths } from "./cloths";
import { OwnMaterials } from "./own-materials";
import { PuttingAway } from "./put-away";
import { useCatalogue } from "./use-catalogue";

/** Heads of the list; a plant stands under the first, all else under the second. */
const HEADS = ["Herbs, roots, berries and spices", "Vinegars, honeys, spirits and the like"] as const;

function sorted(lots: readonly LotStored[], catalogue: Catalogue): readonly (readonly LotStored[])[] {
  const name = (l: LotStored): string => catalogue.get(l.item.material)?.row.names[0] ?? l.item.material;
  const plant = (l: LotStored): boolean => catalogue.get(l.item.material)?.kind !== "stuff";
  const all = [...lots].sort(
    (a, b) => name(a).localeCompare(name(b), "en") || (a.item.got < b.item.got ? -1 : 1),
  );
  return [all.filter(plant), all.filter((l) => !plant(l))];
}

/** What stands in the stores, by sort; the oldest lot of a thing is used first. Below, the household's own plants and its own cups. */
export function Lots({
  items,
  household,
  currency,
  today,
}: {
  /** Lots, own materials and weighed cups. */
  items: readonly Stored[];
  household: UnitSystem;
  currency: string;
  today: Day;
}) {
  const { calls } = useUnits();
  const catalogue = useCatalogue(items);
  const lots = items.filter((s): s is LotStored => s.item.what === "lot");
  return (
    <PuttingAway>
      <section aria-labelledby="lots">
        <h2 id="lots" className="text-[1.25rem]">
          What is in the stores
        </h2>
        <Link href="/list" className="inline-flex items-center min-h-11">
          the list to gather and buy
        </Link>
        <Incoming household={household} currency={currency} today={today} catalogue={catalogue} />
        <BringIn household={household} catalogue={catalogue} today={today} items={items} />
        {lots.length === 0 && (
          <p className="py-3 max-w-prose">
            Nothing is written down yet. Type what has come in, “{calls.herb} hyssop, dried” or “
            {calls.liquid} cider vinegar”; the Bench then knows what is at hand, and what a batch costs.
          </p>
        )}
        {sorted(lots, catalogue).map(
          (rows, i) =>
            rows.length > 0 && (
              <div key={HEADS[i]} className="pt-4">
                <h3 className="ruled-head">{HEADS[i]}</h3>
                <ul>
                  {rows.map((l) => (
                    <OneLot
                      key={`${l.id}-${l.seq}`}
                      lot={l}
                      before={driedBefore(items, l.item.material)}
                      {...{ currency, catalogue, today }}
                    />
                  ))}
                </ul>
              </div>
            ),
        )}
      </section>
      <OwnMaterials items={items} household={household} catalogue={catalogue} />
      <Cloths items={items} today={today} />
    </PuttingAway>
  );
}
