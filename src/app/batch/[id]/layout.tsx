import { z } from "zod";
import { fold } from "@/core/journal/fold";
import { db } from "@/store/db";
import { storedItems } from "@/store/stores";
import { OwnPlants } from "@/ui/kit/own-plants";
import { MeasuredIn } from "@/ui/kit/units";
import { entriesOf } from "../../batch-page";

/** Every page of a batch shows amounts in the measures its plan was said in, and reads what is typed in those, the household's own plants too. */
export default async function BatchLayout({
  params,
  children,
}: {
  params: Promise<{ id: string }>;
  children: React.ReactNode;
}) {
  const id = z.uuid().safeParse((await params).id);
  const batch = id.success ? fold(await entriesOf(id.data)) : undefined;
  if (!batch) return children;
  const own = (await storedItems(db())).flatMap((s) => (s.item.what === "material" ? [s.item.row] : []));
  return (
    <MeasuredIn system={batch.plan.units}>
      <OwnPlants rows={own}>{children}</OwnPlants>
    </MeasuredIn>
  );
}
