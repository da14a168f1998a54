"use client";
import Link from "../kit/link";
import { usePathname } from "next/navigation";
import { useState } from "react";
import { send } from "../kit/send";
import { toBatch } from "../kit/writes";
import { useBells } from "./bell";
import { type KitchenClock, leftWords, readClock } from "./clock";
import { useKitchen, useNow } from "./kitchen";

/** What goes on in the kitchen, on every page, soonest bell first; a clock that rings is stopped right here. */
export function KitchenLine() {
  const path = usePathname();
  const { clocks: all, ask } = useKitchen();
  // Where a batch is being made its own clocks burn large already.
  const clocks = all.filter((c) => path !== `/batch/${c.batch}/make`);
  const [wrong, setWrong] = useState("");
  useBells();
  if (clocks.length === 0) return null;
  const stop = async (c: KitchenClock): Promise<void> => {
    const stopped = toBatch(c.batch, "timed", { did: "stopped", clock: c.clock });
    const sent = await send(stopped, crypto.randomUUID());
    setWrong(sent.ok ? "" : sent.fault.message);
    await ask();
  };
  return (
    <section
      aria-label="In the kitchen"
      className="no-print bg-glaze border-b border-iron px-4 sm:px-8 flex flex-wrap gap-x-8 items-center"
    >
      {clocks.map((c) => (
        <OneClock key={`${c.batch}-${c.clock}`} clock={c} stop={() => void stop(c)} />
      ))}
      {wrong && (
        <p role="alert" className="wrong">
          {wrong}
        </p>
      )}
    </section>
  );
}

function OneClock({ clock, stop }: { clock: KitchenClock; stop: () => void }) {
  const { bell, minutes } = readClock(clock, useNow(1000));
  return (
    <p className="flex flex-wrap items-center gap-x-2 min-h-11">
      <Link href={`/batch/${clock.batch}/make`} className="stencil no-underline">
        {clock.code}
      </Link>
      <span>{clock.words}</span>
      {bell === "rings" ? (
        <strong className="text-rust" role="alert">
          rings
        </strong>
      ) : (
        <strong>{bell === "first" ? `may be enough; ${leftWords(minutes)} more` : leftWords(minutes)}</strong>
      )}
      <button
        type="button"
        className="plain min-h-11 px-2"
        aria-label={`Stop the clock: ${clock.words}, ${clock.code}`}
        onClick={stop}
      >
        stop
      </button>
    </p>
  );
}
