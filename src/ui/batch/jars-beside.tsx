import { comparedApart, type Side } from "@/core/journal/compare";
import { printDay } from "@/core/day";
import { contentsOf } from "@/core/label/label";
import type { Measures } from "@/core/reading/measures";
import { VESSELS } from "@/core/vessel/catalogue";
import type { Vessel } from "@/core/vessel/vessel";
import { layersOf } from "../figures/in-vessel";
import Link from "../kit/link";
import { verdictHead } from "../plan/verdict-words";
import { ROW_WORDS, said } from "./compared-words";
import { JarsDrawn } from "./jars-drawn";

const SOME_JAR = VESSELS.get("m-1000")!;
const vesselOf = (s: Side): Vessel => s.reckoned.program.vessel ?? SOME_JAR;

/** The jar as it was filled, each thing at its level. */
function filled(s: Side) {
  const { fit } = s.reckoned.reckoning;
  const stuffs = s.reckoned.program.lines.filter((l) => l.atOnce);
  return fit ? layersOf(fit, stuffs, vesselOf(s).solid.brimCm) : [];
}

/** What is said under a jar: whose it is, and what of it truly differs from the others. */
function Says({
  side,
  apart,
  measures,
}: {
  side: Side;
  apart: ReturnType<typeof comparedApart>;
  measures: Measures;
}) {
  const { batch, reckoned } = side;
  const head = verdictHead(reckoned.reckoning.verdict);
  return (
    <>
      <Link href={`/batch/${batch.id}`} className="stencil text-lg inline-flex items-center min-h-11">
        {batch.code}
      </Link>
      <strong className="block leading-tight break-words">{batch.name}</strong>
      <span className="quiet block">
        {printDay(batch.begunDay, "year")}, {vesselOf(side).size}
      </span>
      <span className="quiet block">{contentsOf(reckoned.program)}</span>
      <span className="block pt-1">
        {head.place} {head.life}
      </span>
      <ul className="pt-1">
        {[...apart].map((row) => (
          <li key={row}>
            <span className="border-b-4 border-cobalt">{ROW_WORDS[row]}</span>{" "}
            <strong>{said(side, row, measures)}</strong>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The jars of two to four batches together, with what differs written under each. */
export function JarsBeside({ sides, measures }: { sides: readonly Side[]; measures: Measures }) {
  const apart = comparedApart(sides);
  const jars = sides.map((s) => ({
    code: s.batch.code,
    profile: vesselOf(s).solid.profile,
    lid: vesselOf(s).lid,
    layers: filled(s),
    says: <Says side={s} apart={apart} measures={measures} />,
  }));
  return <JarsDrawn jars={jars} />;
}
