import { labelSvg } from "@/print/label-files";
import { NO_YEAR, yearOf } from "../year-of";

export const dynamic = "force-dynamic";

export async function GET(request: Request): Promise<Response> {
  const page = await yearOf(request);
  if (!page) return new Response(NO_YEAR, { status: 422 });
  return new Response(labelSvg(page), { headers: { "content-type": "image/svg+xml; charset=utf-8" } });
}
