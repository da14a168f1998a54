import { everything } from "@/store/everything";
import { db } from "@/store/db";

/** All of the household in one archive, written as it is read. */
export function GET(): Response {
  return new Response(everything(db()), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": 'attachment; filename="household.zip"',
      "cache-control": "no-store",
    },
  });
}
