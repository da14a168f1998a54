import { labelSvg } from "@/print/label-files";
import { seasonPage } from "../year-of";

export const dynamic = "force-dynamic";

export async function GET(): Promise<Response> {
  return new Response(labelSvg(await seasonPage()), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
