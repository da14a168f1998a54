import { NextResponse } from "next/server";
import { z } from "zod";
import { LABEL_SORTS } from "@/core/label/sorts";
import { fault } from "@/core/fault";
import { printerOf } from "@/instruments/house";
import { printLabels } from "@/instruments/label-printer";
import { labelSvg, printed } from "@/print/label-files";
import { Greeted, sizeOf } from "@/print/request";
import { bodyOf } from "../answer";
import { labelsOf } from "../../batch/[id]/labels-of";

const Asked = z.strictObject({
  batch: z.uuid(),
  sort: z.enum(LABEL_SORTS),
  size: z.string().regex(/^\d{2,3}x\d{2,3}$/),
  /** The first label that is wanted, from 1: the ones before it are out already. */
  from: z.number().int().min(1).max(100).default(1),
  ...Greeted.shape,
});

/** Prints a batch’s labels on the house’s label printer; what did not come out is said, with where to go on. */
export async function POST(request: Request): Promise<NextResponse> {
  const body = await bodyOf(request, Asked);
  if (!body.ok) return body.response;
  const { batch, sort, size, from } = body.value;
  const no = (name: string, message: string, status: number) =>
    NextResponse.json({ fault: fault(name, message) }, { status });
  const printer = printerOf();
  if (!printer) return no("NotThere", "This house has no label printer. Print the PDF.", 409);
  const found = await labelsOf(batch, sort, body.value);
  if (!found) return no("NoLabels", "There is nothing of that sort to label here.", 404);
  const { widthMm, heightMm } = sizeOf(size);
  const jobs = found.labels.slice(from - 1).map((l, i) => ({
    id: `${found.code} ${from + i}`,
    widthMm,
    heightMm,
    svg: labelSvg(printed(l, widthMm, heightMm)),
  }));
  const out = await printLabels(printer, jobs);
  return NextResponse.json({ printed: out.printed, of: jobs.length, from, why: out.why ?? null });
}
