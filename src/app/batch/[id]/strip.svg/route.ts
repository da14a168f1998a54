import { labelSvg } from "@/print/label-files";
import { stripSet } from "@/print/strip-file";
import { NO_STRIP, stripOf } from "../strip-of";

export const dynamic = "force-dynamic";

export async function GET(_: Request, context: { params: Promise<{ id: string }> }): Promise<Response> {
  const words = await stripOf((await context.params).id);
  if (!words) return new Response(NO_STRIP, { status: 404 });
  return new Response(labelSvg(stripSet(words)), {
    headers: { "content-type": "image/svg+xml; charset=utf-8" },
  });
}
