"use client";
import { useEffect, useState } from "react";
import { z } from "zod";
import { useKitchen } from "./kitchen";

const Said = z.array(
  z.object({
    sort: z.enum(["scale", "probe"]),
    id: z.string(),
    name: z.string(),
    sd: z.number(),
    there: z.boolean(),
    value: z.number().optional(),
    stable: z.boolean(),
    at: z.string().optional(),
    aside: z.object({ value: z.number(), why: z.string(), at: z.string() }).optional(),
  }),
);
export type ShownInstrument = z.infer<typeof Said>[number];

/** The instruments of the house as they stand, told by the server as they change; none where there are none. */
export function useInstruments(): readonly ShownInstrument[] {
  const { instruments } = useKitchen();
  const [all, set] = useState<readonly ShownInstrument[]>([]);
  useEffect(() => {
    if (!instruments) return undefined;
    let source: EventSource | undefined;
    // A browser keeps few lines to one house: a page nobody looks at lets go of its own.
    const listen = (): void => {
      source?.close();
      source = document.hidden ? undefined : new EventSource("/api/instruments");
      if (!source) return;
      source.onmessage = (e: MessageEvent<string>) => {
        const said = Said.safeParse(JSON.parse(e.data));
        if (said.success) set(said.data);
      };
      // A stream that broke is opened again by the browser; meanwhile nothing is there.
      source.onerror = () => set((was) => was.map((i) => ({ ...i, there: false })));
    };
    listen();
    document.addEventListener("visibilitychange", listen);
    return () => {
      document.removeEventListener("visibilitychange", listen);
      source?.close();
    };
  }, [instruments]);
  return all;
}

/** Asks the scale to count from nought; whether it answered. */
export async function tareScale(): Promise<boolean> {
  try {
    const reply = await fetch("/api/instruments/scale", {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify({ do: "tare" }),
    });
    return reply.ok;
  } catch {
    return false;
  }
}
