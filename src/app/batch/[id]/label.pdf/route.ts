import { labelsOf } from "../labels-of";
import { PAGES } from "@/core/label/sheet";
import { sheetPdf, singlesPdf } from "@/print/label-files";
import { LabelRequest, sizeOf } from "@/print/request";

export const dynamic = "force-dynamic";

export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const asked = LabelRequest.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success)
    return new Response("Ask for a size like 80x50, a sheet (single, a4, letter) and a start cell from 1.", {
      status: 422,
    });
  const found = await labelsOf((await context.params).id, asked.data.sort, asked.data);
  if (!found) return new Response("There is nothing of that sort to label here.", { status: 404 });
  const { widthMm, heightMm } = sizeOf(asked.data.size);
  const others = await Promise.all(asked.data.with.map((id) => labelsOf(id, asked.data.sort, asked.data)));
  const all = [...found.labels, ...others.flatMap((o) => o?.labels ?? [])];
  const labels =
    asked.data.bottle === undefined ? all : found.labels.slice(asked.data.bottle - 1, asked.data.bottle);
  if (labels.length === 0) return new Response("There is no such bottle to label.", { status: 404 });
  const pdf =
    asked.data.sheet === "single"
      ? await singlesPdf(labels, widthMm, heightMm)
      : await sheetPdf(labels, widthMm, heightMm, PAGES[asked.data.sheet], asked.data.start - 1);
  return new Response(new Uint8Array(pdf), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="${found.code}-labels.pdf"`,
    },
  });
}
