import Link from "../kit/link";

interface Kin {
  readonly id: string;
  readonly code: string;
  readonly name: string;
}

function Named({ of }: { of: readonly Kin[] }) {
  return (
    <>
      {of.map((b, i) => (
        <span key={b.id}>
          {i > 0 && ", "}
          <Link href={`/batch/${b.id}`}>{b.code}</Link> {b.name}
        </span>
      ))}
    </>
  );
}

/** What it was made of that was ours already, what its own bottles or marc went into, and a second run of its marc. */
export function ItsKin({
  madeOf,
  wentInto,
  second,
}: {
  madeOf: readonly Kin[];
  wentInto: readonly Kin[];
  /** The batch, where there is a marc to run again. */
  second: string | undefined;
}) {
  if (madeOf.length === 0 && wentInto.length === 0 && second === undefined) return null;
  return (
    <div className="py-1">
      {madeOf.length > 0 && (
        <p>
          Made with <Named of={madeOf} />.
        </p>
      )}
      {wentInto.length > 0 && (
        <p>
          Went on into <Named of={wentInto} />.
        </p>
      )}
      {second && (
        <p>
          <Link href={`/bench?second=${second}`} className="inline-flex items-center min-h-8">
            a second run of its marc
          </Link>
        </p>
      )}
    </div>
  );
}
