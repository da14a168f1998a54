import type { Metadata } from "next";
import { db } from "@/store/db";
import { hasSettled } from "@/store/household";
import { storedItems } from "@/store/stores";
import { StandingBoard } from "@/ui/standing/board";
import { WhoseCups } from "@/ui/kit/whose-cups";
import { frame } from "../frame";

export const metadata: Metadata = { title: "What stands already" };

/** Jars at work and bottles that stood before they were written down. */
export default async function StandingPage() {
  const [{ home, today }, settled, items] = await Promise.all([frame(), hasSettled(db()), storedItems(db())]);
  return (
    <>
      <WhoseCups asked={!settled} />
      <StandingBoard items={items} places={home.places} today={today} system={home.units} />
    </>
  );
}
