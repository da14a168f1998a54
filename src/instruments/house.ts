import { now } from "../store/clock";
import { Hub } from "./hub";
import type { MailBox } from "./mail";
import { INSTRUMENTS } from "./said";

/** Where an instrument is: `127.0.0.1:4162`. Only this machine is asked. */
function addressOf(name: string): { host: string; port: number } | undefined {
  const said = /^(127\.0\.0\.1|localhost):(\d{1,5})$/.exec(process.env[name] ?? "");
  return said ? { host: said[1]!, port: Number(said[2]) } : undefined;
}

const held = globalThis as unknown as { jollyHub?: Hub };

/** The one hub of this server. */
export const hub = (): Hub => (held.jollyHub ??= new Hub(now));

/** The label printer, where the house has one. */
export const printerOf = (): { host: string; port: number } | undefined => addressOf("JOLLY_PRINTER");

export const mailBoxOf = (): MailBox | undefined => addressOf("JOLLY_SMTP");

/** Connects what the house has; called once, when the server starts. */
export function openInstruments(): void {
  const found = INSTRUMENTS.flatMap((sort) => {
    const at = addressOf(`JOLLY_${sort.toUpperCase()}`);
    return at ? [{ sort, ...at }] : [];
  });
  for (const { sort, host, port } of found) hub().add(sort, host, port);
  // What writes into journals is loaded where there is something to write.
  if (found.some((f) => f.sort === "probe"))
    void import("./recorder").then(({ recordReadings }) => recordReadings(hub(), now));
}

export const hasInstruments = (): boolean =>
  INSTRUMENTS.some((sort) => addressOf(`JOLLY_${sort.toUpperCase()}`));
