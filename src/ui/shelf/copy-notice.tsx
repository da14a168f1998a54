import { counted } from "@/core/words";
import Link from "../kit/link";

/** Days without a copy of what was written after which it is said; a machine that is started once a week copies itself once a week. */
const LONG = 14;

/** Said on Today where copies do not come by themselves any more, or went wrong. */
export function CopyNotice({
  behindDays,
  problem,
}: {
  behindDays: number | undefined;
  problem: string | undefined;
}) {
  if (problem === undefined && (behindDays ?? 0) < LONG) return null;
  const words =
    problem ?? `The last copy of this household is ${counted(Math.floor(behindDays! / 7), "week")} old.`;
  return (
    <p role="status" className="py-3 border-b border-rule break-words">
      {words}{" "}
      <Link href="/household#copies" className="inline-flex items-center min-h-11">
        see its copies
      </Link>
    </p>
  );
}
