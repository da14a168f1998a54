"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { Settings } from "@/core/household/events";
import { useIntent } from "../kit/intent";

/** The household's name, its cups and its money. */
export function HouseholdSettings({ start }: { start: Settings }) {
  const router = useRouter();
  const { send, sending, fault, clear } = useIntent();
  const [s, set] = useState(start);
  const [kept, setKept] = useState(false);
  const change = (to: Partial<Settings>): void => { clear(); setKept(false); set({ ...s, ...to }); };
  const at = fault?.path.map(String) ?? [];
  const wrong = (field: string): boolean => at.includes(field);
  return (
    <section aria-labelledby="house">
      <h2 id="house" className="ruled-head">The house</h2>
      <form className="py-3 flex flex-wrap gap-4 items-end" onSubmit={(e) => { e.preventDefault(); void send("/api/household", { settings: s }).then((r) => { if (r?.ok) { setKept(true); router.refresh(); } }); }}>
        <p><label htmlFor="house-name" className="quiet block">name</label><input id="house-name" className="field w-64" value={s.name} maxLength={80} aria-invalid={wrong("name")} aria-describedby={fault ? "house-wrong" : undefined} onChange={(e) => change({ name: e.target.value })} /></p>
        <p><label htmlFor="house-units" className="quiet block">whose cups and pints</label><select id="house-units" className="field" value={s.units} onChange={(e) => change({ units: e.target.value as Settings["units"] })}><option value="us">US cups and pints</option><option value="metric">metric, cups of 250 mL</option><option value="imperial">imperial pints</option></select></p>
        <p><label htmlFor="house-money" className="quiet block">money is written</label><input id="house-money" className="field w-24" value={s.currency} maxLength={4} aria-invalid={wrong("currency")} aria-describedby={fault ? "house-wrong" : undefined} onChange={(e) => change({ currency: e.target.value })} /></p>
        <button type="submit" className="slab" disabled={sending}>{sending ? "Writing…" : "Keep it"}</button>
        <span role="status" className="quiet min-h-7">{kept ? "Kept." : ""}</span>
        {fault && <p id="house-wrong" role="alert" className="wrong basis-full">{fault.message}</p>}
      </form>
      <p className="quiet max-w-prose">Amounts already typed keep the cups they were typed in.</p>
    </section>
  );
}
