import { labelsOf } from "../labels-of";
import { labelSvg, printed } from "@/print/label-files";
import { LabelRequest, sizeOf } from "@/print/request";

export const dynamic = "force-dynamic";

export async function GET(request: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const asked = LabelRequest.safeParse(Object.fromEntries(new URL(request.url).searchParams));
  if (!asked.success) return new Response("Ask for a size like 80x50 and a bottle from 1.", { status: 422 });
  const found = await labelsOf((await context.params).id, asked.data.sort, asked.data);
  const label = found?.labels[(asked.data.bottle ?? 1) - 1];
  if (!label) return new Response("There is no such bottle to label.", { status: 404 });
  const { widthMm, heightMm } = sizeOf(asked.data.size);
  return new Response(labelSvg(printed(label, widthMm, heightMm)), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
