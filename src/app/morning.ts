import { dayAt, printDay } from "@/core/day";
import { sendLetter } from "@/instruments/mail";
import { mailBoxOf } from "@/instruments/house";
import { now } from "@/store/clock";
import { db } from "@/store/db";
import { household } from "@/store/household";
import { claimMorning, morningWent } from "@/store/morning";
import { coursesNow } from "@/store/courses";
import { storedItems } from "@/store/stores";
import { live } from "@/store/shelf";
import { startWords, startsToBegin, within } from "./season/planned-starts";
import { clockTime } from "@/ui/kitchen/time";
import { cardOf, strainPlans } from "@/ui/shelf/card";
import { touchesOf } from "@/ui/shelf/touches";

/** Soon after a start, and then twice a minute, ms. */
const [FIRST_LOOK, LOOKS_EVERY] = [2000, 30_000];

/** What is to be done today, a line a touch; nothing where there is nothing. */
export async function morningText(today: string): Promise<string | undefined> {
  const home = await household(db());
  const batches = await live(db());
  const plans = strainPlans(batches, home);
  const touches = touchesOf(batches.map((b) => cardOf(b, today, plans.get(b.id))));
  const courses = await coursesNow(db(), await storedItems(db()), { today, away: home.away });
  const taken = courses.filter((c) => c.takes.length > 0);
  const begins = within(await startsToBegin(today), today, 0);
  if (touches.length === 0 && taken.length === 0 && begins.length === 0) return undefined;
  const takes = taken.flatMap((c) => [
    `Take ${c.course.remedy}`,
    ...c.takes.map((t) => `  ${t.who}: ${t.said}${c.course.times > 1 ? `, ${c.course.times} times` : ""}`),
    "",
  ]);
  const toBegin =
    begins.length > 0 ? ["Begin, as planned", ...begins.map((s) => `  ${startWords(s, today)}`), ""] : [];
  const lines = touches.flatMap((t) => [
    t.words,
    ...t.jars.map((j) => `  ${j.code} ${j.name}: ${j.why}`),
    "",
  ]);
  return [`${home.name}, ${printDay(today, "weekday", today)}.`, "", ...toBegin, ...takes, ...lines].join(
    "\n",
  );
}

async function look(): Promise<void> {
  const box = mailBoxOf();
  const { morning, zone } = await household(db());
  if (!box || !morning.on || morning.to === "") return;
  const today = dayAt(now(), zone);
  if (clockTime(Date.parse(now()), zone) < morning.at) return;
  const text = await morningText(today);
  if (!text || !(await claimMorning(db(), today))) return;
  try {
    await sendLetter(box, {
      to: morning.to,
      subject: `To do today, ${printDay(today, "long", today)}`,
      text,
    });
    await morningWent(db(), today, "sent");
  } catch (e) {
    console.error("the morning's word was not taken:", (e as Error).message);
    await morningWent(db(), today, "failed");
  }
}

/** Sends the morning's word when its time has come, once a day. */
export function sendMornings(): void {
  let busy = false;
  const tick = (): void => {
    if (busy) return;
    busy = true;
    look()
      .catch((e: unknown) => console.error("the morning's word waits:", (e as Error).message))
      .finally(() => (busy = false));
  };
  setTimeout(tick, FIRST_LOOK).unref();
  setInterval(tick, LOOKS_EVERY).unref();
}
