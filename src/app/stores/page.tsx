import type { Metadata } from "next";
import type { Empties, OwnVessel } from "@/core/stores/item";
import type { Stored } from "@/core/stores/events";
import { db } from "@/store/db";
import { busyVessels, live } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { cardOf } from "@/ui/shelf/card";
import { Lots } from "@/ui/stores/lots";
import { EmptyBottles } from "@/ui/stores/empty-bottles";
import { Vessels } from "@/ui/stores/vessels";
import { frame } from "../frame";

export const metadata: Metadata = { title: "Stores" };

export default async function StoresPage() {
  const [{ home, today }, items, busy, batches] = await Promise.all([
    frame(),
    storedItems(db()),
    busyVessels(db()),
    live(db()),
  ]);
  const levels = Object.fromEntries(
    batches.flatMap((b) => {
      const card = cardOf(b, today);
      return card ? [[b.code, card.layers]] : [];
    }),
  );
  const of = <T,>(what: string): (Stored & { readonly item: T })[] =>
    items.filter((s) => s.item.what === what) as unknown as (Stored & { readonly item: T })[];
  return (
    <div className="pt-5 grid grid-cols-1 gap-8">
      <h1 className="sr-only">Stores</h1>
      <div className="grid grid-cols-1 gap-x-12 gap-y-8 lg:grid-cols-[minmax(0,1fr)_24rem]">
        <Vessels vessels={of<OwnVessel>("vessel")} busy={[...busy]} levels={levels} />
        <EmptyBottles empties={of<Empties>("empties")} />
      </div>
      <Lots
        items={items.filter((s) => s.item.what !== "person")}
        household={home.units}
        currency={home.currency}
        today={today}
      />
    </div>
  );
}
