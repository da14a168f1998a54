import Link from "../kit/link";
import type { Batch } from "@/core/journal/fold";

/** The head of a page for full hands: which batch it is, and the way out. */
export function StoveHead({ batch }: { batch: Batch }) {
  return (
    <header className="flex items-center gap-x-5 max-[16rem]:flex-wrap border-b-[3px] border-cobalt -mx-4 sm:-mx-8 px-4 sm:px-8 py-2 min-w-0">
      <Link
        href="/"
        className="stencil text-[1.375rem] no-underline uppercase whitespace-nowrap inline-flex items-center min-h-11 max-lg:hidden"
      >
        Jolly Crock
      </Link>
      <span className="stencil text-[1.375rem] whitespace-nowrap">{batch.code}</span>
      <span className="text-base sm:text-[1.25rem] leading-tight font-semibold min-w-0 max-[23rem]:sr-only">
        {batch.name}
        {batch.alike && ` ${batch.alike.nth} of ${batch.alike.batches.length}`}
      </span>
      <Link
        href={`/batch/${batch.id}`}
        className="ml-auto text-base sm:text-[1.125rem] text-right leading-tight inline-flex items-center min-h-11 shrink-0 max-w-[8rem] sm:max-w-none"
      >
        come back later
      </Link>
    </header>
  );
}
