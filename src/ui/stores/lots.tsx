"use client";
import { Fragment, useState } from "react";
import Link from "../kit/link";
import type { Day } from "@/core/day";
import type { Catalogue } from "@/core/material/catalogue";
import { stuffOf } from "@/core/material/material";
import type { Vessel } from "@/core/vessel/vessel";
import { driedBefore } from "@/core/stores/dried";
import type { Stored } from "@/core/stores/events";
import type { UnitSystem } from "@/core/quantity/units";
import { BoardEnds } from "../kit/board-ends";
import { useUnits } from "../kit/units";
import { type Shape, ShapeDefs } from "../figures/shelf-bottles";
import { lidHeight } from "../figures/vessel-frame";
import { standsIn } from "./stands-in";
import { BringIn } from "./bring-in";
import { Incoming } from "./incoming";
import { type LotStored, LotOpened, OneLot } from "./one-lot";
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

/** Px of a shelf’s height that a vessel may take, and of a lot’s width; no more than so many for a centimetre. */
const [BOARD, PLACE, MOST] = [162, 120, 9];

/** The lots on their shelves, all at one scale, each as full as it is left. */
function LotShelves({
  lots,
  items,
  catalogue,
  currency,
  today,
}: {
  lots: readonly LotStored[];
  items: readonly Stored[];
  catalogue: Catalogue;
  currency: string;
  today: Day;
}) {
  const [open, setOpen] = useState<string | undefined>();
  const shut = (): void => setOpen(undefined);
  const stand = new Map(
    lots.flatMap((l) => {
      const m = catalogue.get(l.item.material);
      const stuff = m && stuffOf(m, { form: l.item.form, cut: l.item.cut });
      return stuff?.ok ? [[l.id, standsIn(stuff.value, l.item.grams, l.leftG)] as const] : [];
    }),
  );
  const vessels = [...new Map([...stand.values()].map((s) => [s.vessel.id, s.vessel])).values()];
  const scale = Math.min(
    MOST,
    ...vessels.map(({ solid, lid }) => BOARD / (solid.brimCm + lidHeight(lid, solid.brimCm) + 0.5)),
    ...vessels.map(({ solid }) => PLACE / Math.max(...solid.profile.map(([, d]) => d))),
  );
  const shapeOf = (v: Vessel): Shape => ({
    id: `lot-in-${v.id}`,
    profile: v.solid.profile,
    lid: v.lid,
    scale,
  });
  return (
    <>
      <ShapeDefs shapes={vessels.map(shapeOf)} />
      {sorted(lots, catalogue).map(
        (rows, i) =>
          rows.length > 0 && (
            <div key={HEADS[i]} className="pt-4">
              <h3 className="text-[1rem]">{HEADS[i]}</h3>
              <ul
                data-drawing=""
                className="grid grid-flow-dense grid-cols-[repeat(auto-fill,minmax(min(100%,7.25rem),1fr))] sm:grid-cols-[repeat(auto-fill,minmax(min(100%,8.75rem),1fr))] gap-y-4 pt-1"
              >
                {rows.map((l) => {
                  const at = stand.get(l.id);
                  return (
                    <Fragment key={l.id}>
                      <OneLot
                        lot={l}
                        shape={at && { ...at, drawn: shapeOf(at.vessel) }}
                        catalogue={catalogue}
                        open={open === l.id}
                        touch={() => setOpen(open === l.id ? undefined : l.id)}
                      />
                      {open === l.id && (
                        <LotOpened
                          key={l.seq}
                          lot={l}
                          before={driedBefore(items, l.item.material)}
                          done={shut}
                          {...{ currency, catalogue, today }}
                        />
                      )}
                    </Fragment>
                  );
                })}
                <BoardEnds of={rows.length} className="h-44 border-b-[7px] border-iron" />
              </ul>
            </div>
          ),
      )}
    </>
  );
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
        <LotShelves {...{ lots, items, catalogue, currency, today }} />
      </section>
      <OwnMaterials items={items} household={household} catalogue={catalogue} />
      <Cloths items={items} today={today} />
    </PuttingAway>
  );
}
