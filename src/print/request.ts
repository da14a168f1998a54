import { z } from "zod";
import { LABEL_SORTS } from "@/core/label/sorts";
import { PAGES } from "@/core/label/sheet";

/** A label of the household's own measures, in mm: “90x45”, within what a bottle carries. */
export const OwnSize = z
  .string()
  .regex(/^\d{2,3}x\d{2,3}$/)
  .refine((s) => {
    const [w, h] = s.split("x").map(Number) as [number, number];
    return w >= 30 && w <= 190 && h >= 20 && h <= 250;
  });

/** Other batches whose labels come on the same sheet: their ids, with commas. */
export const WithOthers = z
  .string()
  .max(1000)
  .transform((s) => s.split(",").filter((id) => id !== ""))
  .pipe(z.array(z.uuid()).max(20));

/** Whom a gift is for, and a word with it. */
export const Greeted = z.object({
  for: z.string().trim().max(60).optional(),
  say: z.string().trim().max(200).optional(),
});

/** What may be asked of the label files: a size in mm, a page to lay them on, where to start. */
export const LabelRequest = z.object({
  size: z
    .string()
    .regex(/^\d{2,3}(?:\.\d)?x\d{2,3}(?:\.\d)?$/)
    .default("80x50"),
  sheet: z
    .enum(["single", ...(Object.keys(PAGES) as [keyof typeof PAGES, ...(keyof typeof PAGES)[]])])
    .default("single"),
  sort: z.enum(LABEL_SORTS).default("bottle"),
  start: z.coerce.number().int().min(1).max(200).default(1),
  with: WithOthers.default([]),
  bottle: z.coerce.number().int().min(1).max(100).optional(),
  ...Greeted.shape,
});

/** Width and height in mm of a size such as `80x50`, within what a bottle carries. */
export function sizeOf(size: string): { widthMm: number; heightMm: number } {
  const [w, h] = size.split("x").map(Number) as [number, number];
  return { widthMm: Math.min(190, Math.max(30, w)), heightMm: Math.min(250, Math.max(20, h)) };
}
