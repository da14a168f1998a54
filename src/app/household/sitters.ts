import type { CourseNow } from "@/core/cellar/house-course";
import { type NotFor, notForEach } from "@/core/cautions/not-for";
import { type Day, addDays, daysBetween } from "@/core/day";
import type { Catalogue } from "@/core/material/catalogue";
import { stuffOf } from "@/core/material/material";
import type { Measures } from "@/core/reading/measures";
import type { Stored } from "@/core/stores/events";
import { storesOf } from "@/core/stores/stores";
import type { Remedy } from "@/store/shelf";
import { SUBSTANCE_OF } from "@/ui/cellar/shelf-words";
import { substanceOf } from "@/ui/figures/substance";
import type { Cup, Sitter } from "@/ui/household/sitter";

const OFTEN: Readonly<Record<number, string>> = { 1: "once a day", 2: "twice a day" };
const oftenWords = (times: number): string => OFTEN[times] ?? `${times} times a day`;

/** Honey and spirit are asked about whatever stands in the Stores: they are what is most often not for somebody. */
const ALWAYS = ["honey", "vodka-40"];

/** The measures laid down for one of the house: of its courses, and of single bottles. */
function cupsOf(
  who: string,
  courses: readonly CourseNow[],
  remedies: readonly Remedy[],
  { today, measures }: { readonly today: Day; readonly measures: Measures },
): Cup[] {
  const is = (name: string | undefined): boolean => name?.toLowerCase() === who.toLowerCase();
  const ours = courses.flatMap(({ course, stands }): Cup[] => {
    const mine = course.takers.find((t) => is(t.who));
    if (!mine) return [];
    const day = course.days === undefined ? `day ${stands.day}` : `day ${stands.day} of ${course.days}`;
    return [
      {
        substance: SUBSTANCE_OF[course.kind],
        ml: mine.ml,
        words: `${measures.volume(mine.ml)}, ${oftenWords(course.times)}`,
        of: `${day}, ${course.remedy}`,
      },
    ];
  });
  const bottled = remedies.flatMap((r): Cup[] => {
    const mine = (r.courses ?? []).filter((c) => is(c.for) && addDays(c.from, c.days) > today).at(-1);
    if (!mine) return [];
    return [
      {
        substance: SUBSTANCE_OF[r.kind],
        ml: mine.ml,
        words: `${measures.volume(mine.ml)}, ${oftenWords(mine.times)}`,
        of: `day ${daysBetween(mine.from, today) + 1} of ${mine.days}, ${r.name}`,
      },
    ];
  });
  return [...ours, ...bottled];
}

/** What is not for somebody, each with its pattern; every honey is honey, and every spirit spirit. */
function mustNotOf(all: readonly NotFor[], catalogue: Catalogue): Sitter["mustNot"] {
  const by = new Map<string, Sitter["mustNot"][number]>();
  for (const n of all) {
    const material = catalogue.get(n.material)!;
    const stuff = stuffOf(material, material.kind === "plant" ? { form: "dried" } : {});
    const substance = stuff.ok ? substanceOf(stuff.value) : "water";
    const name = substance === "honey" || substance === "spirit" ? substance : n.name;
    if (!by.has(`${n.grave} ${name}`)) by.set(`${n.grave} ${name}`, { ...n, name, substance });
  }
  return [...by.values()];
}

/** Everybody at the table, oldest of the house first as they were written down. */
export function sittersOf(
  items: readonly Stored[],
  courses: readonly CourseNow[],
  remedies: readonly Remedy[],
  as: { readonly today: Day; readonly measures: Measures },
): Sitter[] {
  const people = items.flatMap((s) => {
    if (s.gone || s.item.what !== "person") return [];
    const { what: _, ...person } = s.item;
    return [{ id: s.id, seq: s.seq, person }];
  });
  people.sort((a, b) => (a.person.name < b.person.name ? -1 : 1));
  const { lots, catalogue } = storesOf(items);
  const things = [...ALWAYS, ...lots.map((l) => l.material)];
  const not = notForEach(people.map((p) => p.person), things, as.today, catalogue); // prettier-ignore
  return people.map((p, i) => ({
    ...p,
    cups: cupsOf(p.person.name, courses, remedies, as),
    mustNot: mustNotOf(not[i]!, catalogue),
  }));
}
