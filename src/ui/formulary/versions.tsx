import Link from "next/link";
import type { Recipe, Version } from "@/core/formulary/recipe";
import { printDay } from "@/core/day";

const LAYER = 62;
const WIDTH = 78;
/** So many layers are drawn; what lies under them is said. */
const MOST = 6;

/** The versions of a recipe as layers in a vessel, the newest on top; the one that is shown is lit, and joined to the one beside it. */
export function Versions({
  recipe,
  version,
  other,
}: {
  recipe: Recipe;
  version: Version;
  other: Version | undefined;
}) {
  const shown = recipe.versions.slice(-MOST);
  const top = [...shown].reverse();
  const height = top.length * LAYER;
  const yOf = (n: number): number => top.findIndex((v) => v.n === n) * LAYER + LAYER / 2 + 10;
  const joined = other && top.some((v) => v.n === other.n) && top.some((v) => v.n === version.n);
  return (
    <nav aria-label="Versions">
      <h2 className="quiet pb-1">versions</h2>
      <svg
        width={WIDTH + 28}
        height={height + 16}
        viewBox={`0 0 ${WIDTH + 28} ${height + 16}`}
        className="overflow-visible"
      >
        {top.map((v, i) => (
          <Link
            key={v.n}
            href={`/formulary/${recipe.id}?v=${v.n}`}
            aria-label={`version ${v.n}, ${printDay(v.day, "year")}${v.undone ? ", taken back" : ""}`}
            aria-current={v.n === version.n ? "page" : undefined}
            className="no-underline"
          >
            <rect
              x={2}
              y={10 + i * LAYER}
              width={WIDTH - 4}
              height={LAYER}
              fill={v.n === version.n ? "var(--color-paper)" : "var(--color-glaze)"}
              stroke="var(--color-iron)"
              strokeWidth="1.2"
            />
            <text
              x={WIDTH / 2}
              y={10 + i * LAYER + LAYER / 2 + 8}
              textAnchor="middle"
              fontFamily="var(--font-stencil)"
              fontSize={v.n === version.n ? 28 : 22}
              fill={v.undone ? "var(--color-ash)" : "var(--color-cobalt)"}
              textDecoration={v.undone ? "line-through" : "none"}
            >
              {v.n}
            </text>
          </Link>
        ))}
        <path
          d={`M1 0V${height + 12}H${WIDTH - 1}V0`}
          fill="none"
          stroke="var(--color-iron)"
          strokeWidth="2.4"
        />
        {joined && (
          <path
            d={`M${WIDTH + 6} ${yOf(version.n)}h6q8 0 8 8V${yOf(other.n) - 8}q0 8-8 8h-6`}
            fill="none"
            stroke="var(--color-cobalt)"
            strokeWidth="2.4"
          />
        )}
      </svg>
      {recipe.versions.length > MOST && (
        <p className="quiet">{recipe.versions.length - MOST} older lie under these</p>
      )}
      {other && <p className="text-cobalt font-semibold pt-1">{`${version.n} beside ${other.n}`}</p>}
      {recipe.versions.filter((v) => v.n !== version.n && v.n !== other?.n).length > 0 && (
        <p className="flex flex-wrap gap-x-3">
          {recipe.versions
            .filter((v) => v.n !== version.n && v.n !== other?.n)
            .slice(-MOST)
            .map((v) => (
              <Link
                key={v.n}
                href={`/formulary/${recipe.id}?v=${version.n}&beside=${v.n}`}
                className="inline-flex items-center min-h-9"
              >
                beside {v.n}
              </Link>
            ))}
        </p>
      )}
    </nav>
  );
}
