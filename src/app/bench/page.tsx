import type { Metadata } from "next";
import { frame } from "../frame";
import { db } from "@/store/db";
import { busyVessels } from "@/store/shelf";
import { storedItems } from "@/store/stores";
import { Bench } from "@/ui/bench/bench";

export const metadata: Metadata = { title: "Bench" };

export default async function BenchPage() {
  const [{ home, today }, items, busy] = await Promise.all([frame(), storedItems(db()), busyVessels(db())]);
  return (
    <Bench household={home.units} currency={home.currency} today={today} items={items} busy={[...busy]} />
  );
}
