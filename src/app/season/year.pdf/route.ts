import { layoutPdf } from "@/print/label-files";
import { seasonPage } from "../year-of";

export const dynamic = "force-dynamic";

export async function GET(): Promise<Response> {
  return new Response(new Uint8Array(await layoutPdf(await seasonPage())), {
    headers: { "content-type": "application/pdf", "content-disposition": 'inline; filename="season.pdf"' },
  });
}
