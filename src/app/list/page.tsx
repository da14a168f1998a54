import type { Metadata } from "next";
import { db } from "@/store/db";
import { storedItems } from "@/store/stores";
import { GatherList } from "@/ui/stores/gather-list";
import { frame } from "../frame";

export const metadata: Metadata = { title: "To gather and buy" };

/** The household’s list, to print, to carry, and to tick off into the stores. */
export default async function ListPage() {
  const [{ home, today }, items] = await Promise.all([frame(), storedItems(db())]);
  return <GatherList items={items} currency={home.currency} zone={home.zone} today={today} />;
}
