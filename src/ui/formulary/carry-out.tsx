const FORMS = [
  ["json", "plan"],
  ["jsonld", "JSON-LD"],
  ["md", "Markdown"],
  ["txt", "plain text"],
] as const;
const CARDS = [
  ["a6", "A6 card"],
  ["a5", "A5 card"],
  ["4x6in", "4 × 6 in card"],
] as const;

/** The recipe in every form it can be carried out in, at the version that is shown. */
export function CarryOut({ id, version }: { id: string; version: number }) {
  return (
    <p className="no-print flex flex-wrap gap-x-4 items-baseline pt-2">
      <span className="quiet">take it along as</span>
      {CARDS.map(([size, words]) => (
        <a
          key={size}
          className="inline-flex items-center min-h-11"
          href={`/formulary/${id}/card?v=${version}&size=${size}`}
        >
          {words}
        </a>
      ))}
      {FORMS.map(([form, words]) => (
        <a
          key={form}
          className="inline-flex items-center min-h-11"
          download
          href={`/formulary/${id}/file?v=${version}&as=${form}`}
        >
          {words}
        </a>
      ))}
    </p>
  );
}
