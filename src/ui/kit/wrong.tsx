import { Told } from "./told";
import type { Fault } from "@/core/fault";

/** Why something was not written, beside what would have written it; nothing where all is well. */
export function Wrong({ fault }: { fault: Fault | undefined }) {
  if (!fault) return null;
  return (
    <p role="alert" className="wrong">
      <Told of={fault.message} />
    </p>
  );
}
