import type { Metadata } from "next";
import { frame } from "../frame";
import { db } from "@/store/db";
import { busyVessels } from "@/store/shelf";
import { Bench } from "@/ui/bench/bench";

export const metadata: Metadata = { title: "Bench" };

export default async function BenchPage() {
  const [{ home, today }, busy] = await Promise.all([frame(), busyVessels(db())]);
  return <Bench household={home.units} today={today} busy={busy} />;
}
