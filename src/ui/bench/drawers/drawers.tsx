"use client";
import { Tabs } from "radix-ui";
import { type ReactNode, memo } from "react";

export const DRAWERS = ["ways", "schools", "what-if", "most", "gather", "cost"] as const;
export type DrawerName = (typeof DRAWERS)[number];
const WORDS: Readonly<Record<DrawerName, string>> = { ways: "Ways side by side", schools: "Where makers disagree", "what-if": "What if", most: "Make the most of", gather: "Gather and buy", cost: "Cost" };

/** The drawers under the Bench: one open at a time, or none. Only the open one is reckoned. */
export const Drawers = memo(function Drawers({ open, setOpen, render }: { open: DrawerName | ""; setOpen: (d: DrawerName | "") => void; render: (d: DrawerName) => ReactNode }) {
  return (
    <Tabs.Root id="drawers" value={open} onValueChange={(v) => setOpen(v as DrawerName)} activationMode="manual" className="border-t-2 border-iron mt-4 scroll-mt-4">
      <Tabs.List aria-label="Drawers of the Bench" className="no-print flex flex-wrap gap-x-6 border-b border-rule">
        {DRAWERS.map((d) => (
          <Tabs.Trigger key={d} value={d} onClick={() => open === d && setOpen("")} className="min-h-11 px-1 text-cobalt data-[state=active]:font-bold data-[state=active]:border-b-4 data-[state=active]:border-cobalt">{WORDS[d]}</Tabs.Trigger>
        ))}
      </Tabs.List>
      {DRAWERS.map((d) => <Tabs.Content key={d} value={d} className="pt-4">{open === d ? render(d) : null}</Tabs.Content>)}
      {open === "" && <p className="quiet pt-3 no-print">Open a drawer: set ways beside each other, wish something of the plan, fit it to what is in hand, see what to gather and what it costs.</p>}
    </Tabs.Root>
  );
},
// Shut, nothing in them follows the plan.
(was, is) => was.open === "" && is.open === "" && was.setOpen === is.setOpen);
