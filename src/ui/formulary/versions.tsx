import Link from "../kit/link";
import type { Recipe, Version } from "@/core/formulary/recipe";
import { printDay } from "@/core/day";

const LAYER = 62;
const WIDTH = 78;
/** So many layers are drawn; what lies under them is said. */
const MOST = 6;

/** One version as a layer; the one that is shown is lit. */
function Layer({ recipe, v, nth, lit }: { recipe: string; v: Version; nth: number; lit: boolean }) {
  const y = 10 + nth * LAYER;
  return (
    <Link
      href={`/formulary/${recipe}?v=${v.n}`}
      aria-label={`version ${v.n}, ${printDay(v.day, "year")}${v.undone ? ", taken back" : ""}`}
      aria-current={lit ? "page" : undefined}
      className="no-underline"
    >
      <rect
        x={2}
        y={y}
        width={WIDTH - 4}
        height={LAYER}
        fill={lit ? "var(--color-paper)" : "var(--color-glaze)"}
        stroke="var(--color-iron)"
        strokeWidth="1.2"
      />
      <text
        x={WIDTH / 2}
        y={y + LAYER / 2 + 8}
        textAnchor="middle"
        fontFamily="var(--font-stencil)"
        fontSize={lit ? 28 : 22}
        fill={v.undone ? "var(--color-ash)" : "var(--color-cobalt)"}
        textDecoration={v.undone ? "line-through" : "none"}
      >
        {v.n}
      </text>
    </Link>
  );
}

interface Props {
  readonly recipe: Recipe;
  readonly version: Version;
  readonly other: Version | undefined;
}

/** The versions of a recipe as layers in a vessel, the newest on top; the one that is shown is lit, and joined to the one beside it. */
export function Versions({ recipe, version, other }: Props) {
  const top = recipe.versions.slice(-MOST).reverse();
  const height = top.length * LAYER;
  const yOf = (n: number): number => top.findIndex((v) => v.n === n) * LAYER + LAYER / 2 + 10;
  const joined = other && top.some((v) => v.n === other.n) && top.some((v) => v.n === version.n);
  const beside = recipe.versions.filter((v) => v.n !== version.n && v.n !== other?.n);
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
          <Layer key={v.n} recipe={recipe.id} v={v} nth={i} lit={v.n === version.n} />
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
      {beside.length > 0 && (
        <p className="flex flex-wrap gap-x-3">
          {beside.slice(-MOST).map((v) => (
            <Link
              key={v.n}
              href={`/formulary/${recipe.id}?v=${version.n}&beside=${v.n}`}
              className="inline-flex items-center min-h-11"
            >
              beside {v.n}
            </Link>
          ))}
        </p>
      )}
    </nav>
  );
}
