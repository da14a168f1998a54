import { opensFeed } from "@/store/feed";
import { ICS_HEADERS, calendarOf } from "../../calendar-of";
import { frame } from "../../frame";

export const dynamic = "force-dynamic";

/** The calendar as a feed, for whoever has its secret; a guessed one looks like a page that is not there. */
export async function GET(_: Request, context: { params: Promise<{ secret: string }> }): Promise<Response> {
  const { secret } = await context.params;
  const { home, today } = await frame();
  if (!opensFeed(home.feed, secret)) return new Response("There is no such feed.", { status: 404 });
  return new Response(await calendarOf(home, today), { headers: ICS_HEADERS });
}
