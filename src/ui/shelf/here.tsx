"use client";
import { createContext, useContext, useEffect, useState } from "react";
import { useKept } from "../kit/kept";
import { useTimeOf } from "../kitchen/kitchen";
import type { ShelfTold } from "./cards-here";
import { Shelves } from "./shelves";
import { Today } from "./today";

type Shown = Pick<ShelfTold, "cards" | "stops">;
const Here = createContext<Shown>({ cards: [], stops: [] });

/** How long the page is left alone before what a lost signal would want is fetched, ms. */
const SETTLED_MS = 5000;

/** Fetches ahead what reckons the Shelf here, on a device that is carried about. */
function usePrepared(): void {
  useEffect(() => {
    if (location.protocol !== "https:") return undefined;
    const soon = setTimeout(() => void import("./cards-here").then((m) => m.prepare()), SETTLED_MS);
    return () => clearTimeout(soon);
  }, []);
}

/** The Shelf as this device knows it: as the house told it, and with what was written here that the house does not have. */
export function ShelfHere({ told, children }: { told: ShelfTold; children: React.ReactNode }) {
  const { letters, awaited } = useKept();
  const timeOf = useTimeOf();
  const jars = new Set(told.cards.map((c) => c.id));
  const news = letters.filter((l) => l.state === "waiting" && jars.has(l.stream) && !awaited.has(l.key));
  const named = news.map((l) => l.n).join(",");
  const [over, setOver] = useState<{
    readonly of: string;
    readonly told: ShelfTold;
    readonly shown: Shown;
  }>();
  usePrepared();
  useEffect(() => {
    if (named === "") return undefined;
    let gone = false;
    const streams = new Set(news.map((l) => l.stream));
    void import("./cards-here")
      .then((m) =>
        m.shelfHere(
          told,
          letters.filter((l) => streams.has(l.stream)),
          timeOf,
        ),
      )
      .then(
        (shown) => gone || setOver({ of: named, told, shown }),
        // Not to be had just now: the page shows what it was told, and the line at its head what is kept.
        () => undefined,
      );
    return () => {
      gone = true;
    };
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [named, told, timeOf]);
  const shown = over && named !== "" && over.told === told ? over.shown : told;
  return <Here.Provider value={shown}>{children}</Here.Provider>;
}

export const ShelvesHere = (): React.ReactNode => <Shelves cards={useContext(Here).cards} />;
export const TodayHere = (): React.ReactNode => <Today stops={useContext(Here).stops} />;
