import { Table, toCsv } from "@/exchange/tables";
import { db } from "@/store/db";
import { tableRows } from "@/store/tables";

/** A table of the household as CSV. */
export async function GET(request: Request): Promise<Response> {
  const asked = Table.safeParse(new URL(request.url).searchParams.get("of"));
  if (!asked.success) return new Response("There is no such table.\n", { status: 404 });
  return new Response(toCsv(asked.data, await tableRows(db(), asked.data)), {
    headers: {
      "content-type": "text/csv; charset=utf-8; header=present",
      "content-disposition": `attachment; filename="${asked.data}.csv"`,
      "cache-control": "no-store",
    },
  });
}
