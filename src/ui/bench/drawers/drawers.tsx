"use client";
import { Accordion } from "radix-ui";
import { type ReactNode, memo } from "react";
import { ChevronDown } from "lucide-react";

export const DRAWERS = ["ways", "schools", "what-if", "most", "gather", "cost"] as const;
export type DrawerName = (typeof DRAWERS)[number];
const WORDS: Readonly<Record<DrawerName, string>> = {
  ways: "Ways side by side",
  schools: "Where makers disagree",
  "what-if": "What if",
  most: "Make the most of",
  gather: "Gather and buy",
  cost: "Cost",
};
const OPENS = (
  <ChevronDown size={18} aria-hidden="true" className="transition-none group-data-[state=open]:rotate-180" />
);

/** The drawers under the Bench: one open at a time, or none. Only the open one is reckoned. */
export const Drawers = memo(
  function Drawers({
    open,
    setOpen,
    render,
  }: {
    open: DrawerName | "";
    setOpen: (d: DrawerName | "") => void;
    render: (d: DrawerName) => ReactNode;
  }) {
    return (
      <Accordion.Root
        id="drawers"
        type="single"
        collapsible
        value={open}
        onValueChange={(v) => setOpen(v as DrawerName | "")}
        className="border-t-2 border-iron mt-4 scroll-mt-4"
      >
        {DRAWERS.map((d) => (
          <Accordion.Item key={d} value={d} className="border-b border-rule">
            <Accordion.Header className="no-print">
              <Accordion.Trigger className="group w-full min-h-11 px-1 flex items-center justify-between text-cobalt font-semibold data-[state=open]:font-bold">
                {WORDS[d]}
                {OPENS}
              </Accordion.Trigger>
            </Accordion.Header>
            <Accordion.Content className="pt-1 pb-5">{open === d ? render(d) : null}</Accordion.Content>
          </Accordion.Item>
        ))}
      </Accordion.Root>
    );
  },
  // Shut, nothing in them follows the plan.
  (was, is) => was.open === "" && is.open === "" && was.setOpen === is.setOpen,
);
