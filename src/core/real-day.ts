import { z } from "zod";
import { isDay } from "./day";

/** A day as it stands in a form or a file: one the calendar has, in a century a household writes of. */
export const realDay = (says: string) =>
  z.string().refine((text) => isDay(text) && text >= "1900" && text < "2200", says);
