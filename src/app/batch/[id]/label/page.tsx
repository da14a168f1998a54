import type { Metadata } from "next";
import Link from "@/ui/kit/link";
import { LABEL_SORTS, type LabelSort, SORT_SIZES } from "@/core/label/sorts";
import { labelsOf } from "../labels-of";
import { batchPage } from "../../../batch-page";
import { printerOf } from "@/instruments/house";
import { stripSet } from "@/print/strip-file";
import { stripWords } from "../strip-of";
import { printed } from "@/print/label-files";
import { VESSELS } from "@/core/vessel/catalogue";
import type { Day } from "@/core/day";
import { heightAt } from "@/core/vessel/profile";
import { SUBSTANCE_OF } from "@/ui/cellar/shelf-words";
import { cardOf } from "@/ui/shelf/card";
import type { Vessel } from "@/core/vessel/vessel";
import type { Batch } from "@/core/journal/fold";
import { healthClaim } from "@/core/cautions/rules/words";
import { Greeted, OwnSize, WithOthers, sizeOf } from "@/print/request";
import { besides } from "../../../besides";
import { LabelSheet } from "@/ui/batch/label/label";

export const metadata: Metadata = { title: "Labels" };

interface Params {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<Record<string, string>>;
}

/** What the first of its labels goes on, to be drawn with it: the jar while it works, its first bottle after. */
function vesselOf(batch: Batch, jar: Vessel | undefined, today: Day) {
  const [first] = batch.bottles;
  if (batch.state !== "bottled")
    return (
      jar && { profile: jar.solid.profile, lid: jar.lid, size: jar.size, layers: cardOf(batch, today).layers }
    );
  const v = VESSELS.get(first?.vessel ?? "");
  const toCm = v && first ? heightAt(v.solid, Math.min(v.solid.brimMl, first.ml)) : 0;
  const layers = [{ fromCm: 0, toCm, substance: SUBSTANCE_OF[batch.plan.kind] }];
  return v && { profile: v.solid.profile, lid: v.lid, size: v.size, layers };
}

/** A batch’s labels at real size: of the jar while it works, of its bottles after. */
export default async function LabelPage({ params, searchParams }: Params) {
  const [{ batch, r, measures, today }, asked] = await Promise.all([batchPage(params), searchParams]);
  const working = batch.state === "working" || batch.state === "strained";
  if (batch.state !== "bottled" && !working)
    return (
      <p className="pt-6">
        {batch.code} has no bottles to label. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    );
  const may: readonly LabelSort[] = working ? ["jar"] : LABEL_SORTS.filter((s) => s !== "jar");
  const sort = may.find((s) => s === asked["sort"]) ?? may[0]!;
  const greeted = Greeted.safeParse(asked);
  const greeting = sort === "gift" && greeted.success ? greeted.data : {};
  // The very labels the files hold: by the shorter of what was issued and what holds today.
  const among = working ? [] : await besides(batch.id);
  const wanted = WithOthers.safeParse(asked["with"] ?? "");
  const beside = among.filter((o) => wanted.success && wanted.data.includes(o.id));
  const sheets = await Promise.all(
    [batch.id, ...beside.map((o) => o.id)].map((id) => labelsOf(id, sort, greeting)),
  );
  const labels = sheets.flatMap((x) => x?.labels ?? []);
  // One of the household's own stands before the usual ones.
  const own = OwnSize.safeParse(asked["size"]);
  const sizes = [...new Set([...(own.success ? [own.data] : []), ...SORT_SIZES[sort]])];
  const layouts = Object.fromEntries(
    sizes.map((s) => {
      const { widthMm, heightMm } = sizeOf(s);
      return [s, labels.map((l) => printed(l, widthMm, heightMm))];
    }),
  );
  const strip = batch.state === "working" ? stripWords(batch, r, measures) : undefined;
  return (
    <LabelSheet
      greeting={greeting}
      claim={healthClaim(greeting.say ?? "")}
      strip={strip && stripSet(strip)}
      key={`${sort} ${sizes[0]} ${beside.map((o) => o.id).join()}`}
      id={batch.id}
      code={batch.code}
      name={batch.name}
      layouts={layouts}
      sizes={sizes}
      vessel={vesselOf(batch, r.program.vessel, today)}
      sort={sort}
      may={may}
      printer={printerOf() !== undefined}
      own={sheets[0]?.labels.length ?? 0}
      others={among.map((o) => ({ ...o, on: beside.includes(o) }))}
    />
  );
}
