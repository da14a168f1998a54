import { layoutPdf } from "@/print/label-files";
import { NO_YEAR, yearOf } from "../year-of";

export const dynamic = "force-dynamic";

export async function GET(request: Request): Promise<Response> {
  const page = await yearOf(request);
  if (!page) return new Response(NO_YEAR, { status: 422 });
  return new Response(new Uint8Array(await layoutPdf(page)), {
    headers: {
      "content-type": "application/pdf",
      "content-disposition": `inline; filename="year-${page.year}.pdf"`,
    },
  });
}
