/**
 * A named error at the edge of the core: what is wrong, and what would be right.
 * Faults are values, shown beside the field; exceptions are kept for bugs.
 */
export interface Fault {
  /** Stable name, for programs: `UnknownUnit`, `DoesNotFit` … */
  readonly name: string;
  /** What is wrong and what would be right, in plain words. */
  readonly message: string;
  /** Where in the input, e.g. `["steps", 0, "add", 1, "amount"]`. */
  readonly path: ReadonlyArray<string | number>;
  /** A ready replacement for the offending text, where there is one. */
  readonly suggestion?: string;
}

export type Result<T> =
  { readonly ok: true; readonly value: T } | { readonly ok: false; readonly faults: readonly Fault[] };

export const ok = <T>(value: T): Result<T> => ({ ok: true, value });

export function fault(
  name: string,
  message: string,
  path: ReadonlyArray<string | number> = [],
  suggestion?: string,
): Fault {
  return suggestion === undefined ? { name, message, path } : { name, message, path, suggestion };
}

export const fail = (...faults: Fault[]): { readonly ok: false; readonly faults: readonly Fault[] } => ({
  ok: false,
  faults,
});

/** The same faults, seen from one level further out. */
export function under(prefix: ReadonlyArray<string | number>, faults: readonly Fault[]): Fault[] {
  return faults.map((f) => ({ ...f, path: [...prefix, ...f.path] }));
}

/** What a schema found wrong, as a fault: what would be right, without the name of the field, which the path has. */
export function faultOfIssue(
  name: string,
  issue: { readonly message: string; readonly path: ReadonlyArray<PropertyKey> },
): Fault {
  return fault(name, said(issue), issue.path.map(String));
}

/** Sentences of ours end in a full stop; what is left is a schema’s own shorthand, and is said plainly. */
function said({
  message,
  path,
}: {
  readonly message: string;
  readonly path: ReadonlyArray<PropertyKey>;
}): string {
  if (/[.?]$/.test(message)) return message;
  const field = path.findLast((p) => typeof p === "string");
  return field === undefined
    ? "Something is missing or not as it should be."
    : `The ${String(field)
        .replace(/([A-Z])/g, " $1")
        .toLowerCase()} is missing or not as it should be.`;
}

/** Whether what came back is a fault, of a value that is one or the other. */
export const isFault = (x: unknown): x is Fault =>
  typeof x === "object" && x !== null && "message" in x && "name" in x && "path" in x;

/** Closes a switch that gives nothing back: a member that nobody thought of is an error where it stands. */
export const noOther = (_: never): void => undefined;
