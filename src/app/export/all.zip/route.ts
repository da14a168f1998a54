import { ownConnections } from "@/store/db";
import { everything } from "@/store/everything";

/** Archives that are carried out at a time: each holds connections of its own for as long as it is taken. */
const MOST = 4;
let going = 0;

/** All of the household in one archive, written as it is read. */
export function GET(): Response {
  if (going >= MOST)
    return new Response(`${MOST} archives are being carried out already. Ask again when one is done.\n`, {
      status: 503,
      headers: { "retry-after": "60" },
    });
  going += 1;
  const sql = ownConnections();
  const done = (): void => {
    going -= 1;
    void sql.end({ timeout: 1 });
  };
  return new Response(everything(sql, done), {
    headers: {
      "content-type": "application/zip",
      "content-disposition": 'attachment; filename="household.zip"',
      "cache-control": "no-store",
    },
  });
}
