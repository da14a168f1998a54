import { z } from "zod";
import { fold } from "@/core/journal/fold";
import { MeasuredIn } from "@/ui/kit/units";
import { entriesOf } from "../../batch-page";

/** Every page of a batch shows amounts in the measures its plan was said in: what is typed there is read in those. */
export default async function BatchLayout({
  params,
  children,
}: {
  params: Promise<{ id: string }>;
  children: React.ReactNode;
}) {
  const id = z.uuid().safeParse((await params).id);
  const batch = id.success ? fold(await entriesOf(id.data)) : undefined;
  return batch ? <MeasuredIn system={batch.plan.units}>{children}</MeasuredIn> : children;
}
