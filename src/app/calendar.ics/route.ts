import { frame } from "../frame";
import { ICS_HEADERS, calendarOf } from "../calendar-of";

export const dynamic = "force-dynamic";

/** The calendar as a file to keep. */
export async function GET(): Promise<Response> {
  const { home, today } = await frame();
  return new Response(await calendarOf(home, today), {
    headers: { ...ICS_HEADERS, "content-disposition": 'attachment; filename="jolly-crock.ics"' },
  });
}
