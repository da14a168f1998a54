import type { Batch } from "@/core/journal/fold";
import Link from "../kit/link";

/** A page of a batch that is past what the page is for. */
export function Already({ batch, what }: { batch: Batch; what: string }) {
  return (
    <div className="pt-5">
      <h1 className="text-[2rem]">{what}</h1>
      <p className="pt-2">
        <Link href={`/batch/${batch.id}`} className="stencil text-xl">
          {batch.code}
        </Link>{" "}
        {batch.name}
      </p>
      <p role="status" className="pt-4 text-[1.25rem]">
        {batch.code} is {batch.state} already. <Link href={`/batch/${batch.id}`}>See where it stands.</Link>
      </p>
    </div>
  );
}
