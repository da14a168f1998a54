import { Told } from "../kit/told";
import Link from "../kit/link";
import type { Fault } from "@/core/fault";
import type { Batch } from "@/core/journal/fold";
import { Actions } from "./actions";
import { Diary } from "./diary";

/** What mends a batch that does not reckon, by what is wrong in it. */
function mendWords(batch: Batch, fault: Fault): string {
  const typed = ["strained", "finished", "topped-up", "added", "extra"];
  const last = batch.diary.findLast((e) => typed.includes(e.type) && !e.correctedBy?.undone);
  const at = last ? `Look at entry ${last.seq} first` : "Look at its plan first";
  return `${at}: it is the last that changed what is in it. ${fault.suggestion ? `“${fault.suggestion}” would be right.` : ""}`;
}

/** A batch whose entries do not add up: its whole journal, why, and the way to mend it. Nothing of it is lost. */
export function Unsound({ batch, faults }: { batch: Batch; faults: readonly Fault[] }) {
  const fault = faults[0]!;
  return (
    <div className="pt-5 max-w-3xl">
      <div className="flex flex-wrap items-baseline gap-x-5">
        <p className="stencil text-2xl">{batch.code}</p>
        <h1>{batch.name}</h1>
      </div>
      <div role="alert" className="bg-rust-pale px-4 py-3 my-4">
        <p className="font-bold">This batch cannot be reckoned as its journal stands.</p>
        <p>
          <Told of={fault.message} />
        </p>
        <p>{mendWords(batch, fault)} Put the entry right below, and everything follows from it again.</p>
      </div>
      <h2 className="ruled-head">Journal</h2>
      <Diary batch={batch} />
      <p className="py-3">
        <Link href={`/bench?again=${batch.id}`}>Set its plan on the Bench as a new one</Link>
      </p>
      <Actions batch={batch} />
    </div>
  );
}
