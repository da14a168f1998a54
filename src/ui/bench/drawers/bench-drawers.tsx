"use client";
import type { ReactNode } from "react";
import type { Plan } from "@/core/plan/plan";
import type { Stores } from "@/core/stores/stores";
import type { Made } from "../made";
import type { Bench } from "../state";
import { CostDrawer } from "./cost";
import { type DrawerName, Drawers } from "./drawers";
import { GatherDrawer } from "./gather";
import { MostDrawer } from "./most";
import { SchoolsDrawer } from "./schools";
import { WaysDrawer } from "./ways";
import { WhatIfDrawer } from "./what-if";

interface Props {
  readonly open: DrawerName | "";
  readonly setOpen: (d: DrawerName | "") => void;
  readonly made: Made;
  readonly stores: Stores;
  readonly today: string;
  readonly currency: string;
  /** How many jars are filled alike. */
  readonly jars: number;
  readonly shop: Bench["shop"];
  readonly setShop: (shop: Bench["shop"]) => void;
  readonly take: (plan: Plan) => void;
  /** Takes a school, with what it says of how the remedy is taken. */
  readonly teach: (plan: Plan) => void;
}

/** What each drawer holds, for the plan as it stands. */
function drawn(d: DrawerName, p: Props): ReactNode {
  const { made, stores, take, today, currency } = p;
  const { plan, now } = made;
  if (!now)
    return (
      <p className="quiet">
        {made.faults.some((f) => f.name !== "NothingGoesIn")
          ? "Correct what is marked, and this is reckoned."
          : "Add a herb first."}
      </p>
    );
  switch (d) {
    case "ways":
      return (
        <WaysDrawer
          plan={plan}
          lots={stores.lots}
          company={{ people: stores.people, today }}
          today={today}
          currency={currency}
          take={take}
        />
      );
    case "schools":
      return <SchoolsDrawer plan={plan} take={p.teach} />;
    case "what-if":
      return <WhatIfDrawer plan={plan} lots={stores.lots} today={today} take={take} />;
    case "most":
      return (
        <MostDrawer
          plan={plan}
          program={now.program}
          lots={stores.lots}
          empties={stores.empties}
          take={take}
        />
      );
    case "gather":
      return (
        <GatherDrawer
          program={now.program}
          reckoning={now.reckoning}
          stores={stores}
          name={plan.name}
          jars={p.jars}
        />
      );
    case "cost":
      return (
        <CostDrawer
          cost={now.cost}
          shop={p.shop}
          setShop={p.setShop}
          remedy={plan.name}
          kind={plan.kind}
          shops={stores.shops}
          {...{ currency }}
        />
      );
  }
}

/** The drawers under the Bench and what is in them. */
export function BenchDrawers(p: Props) {
  return <Drawers open={p.open} setOpen={p.setOpen} render={(d) => drawn(d, p)} />;
}
