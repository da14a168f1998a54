import Link from "next/link";
import type { Batch } from "@/core/journal/fold";

/** The head of a page for full hands: which batch it is, and the way out. */
export function StoveHead({ batch }: { batch: Batch }) {
  return (
    <header className="flex items-center gap-x-5 border-b-[3px] border-cobalt -mx-4 sm:-mx-8 px-4 sm:px-8 py-2 min-w-0">
      <Link href="/" className="stencil text-[1.375rem] no-underline uppercase max-sm:hidden">
        Jolly Crock
      </Link>
      <span className="stencil text-[1.375rem] whitespace-nowrap">{batch.code}</span>
      <span className="text-[1.25rem] font-semibold truncate min-w-0">
        {batch.name}
        {batch.alike && ` ${batch.alike.nth} of ${batch.alike.batches.length}`}
      </span>
      <Link
        href={`/batch/${batch.id}`}
        className="ml-auto text-[1.125rem] whitespace-nowrap inline-flex items-center min-h-11"
      >
        come back later
      </Link>
    </header>
  );
}
