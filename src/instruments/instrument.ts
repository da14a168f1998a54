import type { Command, FromInstrument } from "./said";

/** What a driver tells: what the instrument said, or that it was lost. */
export type Heard = FromInstrument | { readonly say: "lost" };

/** Anything that speaks for an instrument. It connects, tells what it hears, and comes back by itself. */
export interface Driver {
  readonly open: () => void;
  /** Asks something of it; whether it could be asked. */
  readonly command: (c: Command) => boolean;
  readonly close: () => void;
}
