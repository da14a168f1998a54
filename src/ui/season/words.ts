import { addDays, printDay } from "@/core/day";
import type { Broken } from "@/core/season/broken";
import type { Told } from "@/core/season/told";
import type { Unmet } from "@/core/season/unmet";
import { counted } from "@/core/words";
import type { Start } from "@/core/season/year";

export const dayWords = (told: Pick<Told, "today">, day: number): string =>
  printDay(addDays(told.today, day), "short", told.today);
export const nameOf = (told: Told, remedy: string): string =>
  told.remedies.find((r) => r.id === remedy)?.name ?? "something that is not wished any more";
export const vesselOf = (told: Told, vessel: string): string => {
  const v = told.vessels.find((x) => x.id === vessel);
  return v ? v.size : "a vessel that is not there any more";
};

/** What about a start cannot be, in a few words, and what would be right. */
export function brokenWords(told: Told, starts: readonly Start[], b: Broken): string {
  const on = dayWords(told, b.day);
  const other = starts.find((s) => s.id === b.other);
  switch (b.what) {
    case "unknown":
      return "nobody here knows how it is made, or in what; take it out";
    case "not-this-year":
      return "its day is not in this year";
    case "wrong-vessel":
      return "not in such a vessel: what is cooked wants a pot, what stands for weeks a jar";
    case "vessel-full":
      return "the vessel is not free yet";
    case "both-want":
      return `${other ? nameOf(told, other.remedy) : "another"} wants this vessel too on ${on}`;
    case "nobody-begins":
      return `${on} suits nobody for beginning`;
    case "no-herb":
      return "its fresh herb is not to be had in that month";
    case "too-soon":
      return `strained on ${on} it has not stood long enough`;
    case "too-late":
      return `strained on ${on} it has stood too long`;
    case "nobody-strains":
      return `${on} suits nobody for straining`;
    case "may-not-stand":
      return "it does not keep where it is to stand";
    case "hours-day":
      return `more work on ${on} than there are hours`;
    case "hours-week":
      return `more work in the week of ${on} than there are hours`;
    case "room":
      return `the ${b.in === "freezer" ? "ice box" : "fridge"} is over full on ${on}`;
  }
}

/** Why a wish is not met, and what would meet it. */
export function unmetWords(told: Told, u: Unmet): string {
  const r = told.remedies.find((x) => x.id === u.remedy);
  const name = r?.name ?? u.remedy;
  const days = `${counted(Math.max(1, Math.round(u.days)), "day")} without ${name}`;
  switch (u.reason) {
    case "no-recipe":
      return `${days}: nobody here knows how it is made. Give it a recipe of the book.`;
    case "no-place":
      return `${days}: as its recipe stands it keeps nowhere. Change the recipe.`;
    case "no-vessel":
      return `${days}: there is no ${r?.making?.pot ? "pot" : "jar"} for it. Write one down in the Stores.`;
    case "no-herb":
      return `${days}: its fresh herb is not to be had before then. Use it dried, or note when you pick it.`;
    case "nobody-home":
      return `${days}: nobody is at home on a day that suits. Name another day of the week.`;
    case "no-hours":
      return `${days}: beginning it takes more hours than a day has for it. Give it more hours.`;
    case "not-yet":
      return `${days} from ${dayWords(told, u.first)}: none can be ready by then. Buy some, or use less till the first is strained.`;
    case "too-much":
      return `${days}: vessels, room or hours are not enough. Want less of it, or give it more of them.`;
  }
}
