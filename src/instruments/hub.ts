import { type Aside, type Raw, sift } from "../core/kitchen/sift";
import type { Driver, Heard } from "./instrument";
import { LineDriver } from "./line-driver";
import type { Command, Hello, InstrumentSort } from "./said";

/** How an instrument stands, as pages are told. Times by the app's own clock, ISO. */
export interface Instrument {
  readonly sort: InstrumentSort;
  readonly id: string;
  readonly name: string;
  readonly sd: number;
  readonly there: boolean;
  readonly value: number | undefined;
  readonly stable: boolean;
  /** When it last showed something that counts. */
  readonly at: string | undefined;
  /** The last figure that was kept aside, and why. */
  readonly aside: { readonly value: number; readonly why: Aside; readonly at: string } | undefined;
}

type Told = (all: readonly Instrument[]) => void;

/** So many figures are held to judge the next by. */
const HELD = 60;

const WHAT: Readonly<Record<InstrumentSort, Raw["what"]>> = { scale: "weight", probe: "temperature" };

/** Every instrument of the house, and whoever wants to know of it. */
export class Hub {
  private readonly drivers = new Map<InstrumentSort, Driver>();
  private readonly state = new Map<InstrumentSort, Instrument>();
  private readonly figures = new Map<InstrumentSort, Raw[]>();
  private readonly listeners = new Set<Told>();

  constructor(private readonly now: () => string) {}

  /** Adds an instrument that speaks lines at `host:port`. */
  add(sort: InstrumentSort, host: string, port: number): void {
    const driver = new LineDriver(host, port, (h) => this.heard(sort, h));
    this.drivers.set(sort, driver);
    driver.open();
  }

  get all(): readonly Instrument[] {
    return [...this.state.values()];
  }

  listen(told: Told): () => void {
    this.listeners.add(told);
    told(this.all);
    return () => this.listeners.delete(told);
  }

  command(sort: InstrumentSort, c: Command): boolean {
    return this.drivers.get(sort)?.command(c) ?? false;
  }

  /** Lets go of every instrument. */
  close(): void {
    for (const d of this.drivers.values()) d.close();
  }

  private heard(sort: InstrumentSort, h: Heard): void {
    switch (h.say) {
      case "hello":
        this.greeted(sort, h);
        break;
      case "reading":
        this.read(sort, h.value, h.stable);
        break;
      case "status":
        return;
      case "lost":
        this.put(sort, { there: false });
        break;
    }
    for (const told of this.listeners) told(this.all);
  }

  private greeted(sort: InstrumentSort, { id, name, sd }: Hello): void {
    const was = this.state.get(sort);
    this.state.set(sort, {
      ...{ value: was?.value, stable: false, at: was?.at, aside: was?.aside },
      ...{ sort, id, name, sd, there: true },
    });
  }

  private put(sort: InstrumentSort, to: Partial<Instrument>): void {
    const is = this.state.get(sort);
    if (is) this.state.set(sort, { ...is, ...to });
  }

  /** A figure is shown if it can be one; else it is kept aside, and that is told. */
  private read(sort: InstrumentSort, value: number, stable: boolean): void {
    if (!this.state.has(sort)) return;
    const at = this.now();
    const held = this.figures.get(sort) ?? [];
    const raw: Raw = { what: WHAT[sort], value, ms: Date.parse(at), by: sort };
    const { aside } = sift([...held, raw], raw.ms);
    const not = aside.find((x) => x.reading === raw);
    if (not) return this.put(sort, { aside: { value, why: not.why, at } });
    this.figures.set(sort, [...held, raw].slice(-HELD));
    this.put(sort, { value, stable, at });
  }
}
