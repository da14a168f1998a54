import { z } from "zod";

/*
 * What an instrument and the app say to each other: one JSON object a line, over TCP. A real device that speaks so, or a driver that speaks for
 * it, takes the stand-in's place; see docs/instruments.md.
 */
export const INSTRUMENTS = ["scale", "probe"] as const;
export type InstrumentSort = (typeof INSTRUMENTS)[number];

/** Said by the app first: who is there, and which version of this it speaks. */
export const Greeting = z.strictObject({ say: z.literal("hello"), version: z.literal(1) });

/** The instrument's answer: what it is, what it measures, and how far it may be out (one standard deviation). */
export const Hello = z.strictObject({
  say: z.literal("hello"),
  version: z.literal(1),
  sort: z.enum(INSTRUMENTS),
  id: z.string().regex(/^[a-z0-9-]{1,40}$/),
  name: z.string().min(1).max(60),
  unit: z.enum(["g", "C"]),
  low: z.number(),
  high: z.number(),
  sd: z.number().positive(),
});
export type Hello = z.infer<typeof Hello>;

/** One figure. `stable`: it has come to rest. */
export const Figure = z.strictObject({ say: z.literal("reading"), value: z.number(), stable: z.boolean() });
/** What the app asks of it. */
export const Command = z.strictObject({ say: z.literal("command"), do: z.enum(["tare"]) });
export type Command = z.infer<typeof Command>;
/** How it fares: an answer to a command, or by itself. */
export const Status = z.strictObject({
  say: z.literal("status"),
  ok: z.boolean(),
  words: z.string().max(200),
});

export const FromInstrument = z.discriminatedUnion("say", [Hello, Figure, Status]);
export type FromInstrument = z.infer<typeof FromInstrument>;

/** A line longer than this is nothing an instrument says, bytes. */
export const LONGEST_LINE = 4096;

/** Lines out of what a socket gives, whole ones only; what grows past all bounds is dropped. */
export class Lines {
  private rest = "";
  /** @param longest bytes; a job for a printer is longer than a figure */
  constructor(private readonly longest: number = LONGEST_LINE) {}
  push(chunk: string): string[] {
    const parts = (this.rest + chunk).split("\n");
    this.rest = parts.pop()!;
    if (this.rest.length > this.longest) this.rest = "";
    return parts.filter((l) => l.trim() !== "" && l.length <= this.longest);
  }
}
