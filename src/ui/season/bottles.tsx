import type { RemedyPoured } from "@/core/season/facts";
import type { Told, ToldRemedy } from "@/core/season/told";
import { fillOf } from "../figures/substance";
import { pourPath } from "../figures/pour-path";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { useUnits } from "../kit/units";
import { type Along, isNarrow, xOf } from "./along";
import { dayWords } from "./words";

const [ROW, HIGH] = [30, 20];
/** Bottles that are drawn; how many more there are is said. */
const MOST = 16;
const PLACES = { cupboard: "", fridge: ", fridge", freezer: ", ice box" } as const;

/** Each bottle and each batch of a remedy, burning down across the months; the day it is good to is a line. */
export function Bottles({
  told,
  r,
  poured,
  a,
  width,
}: {
  told: Told;
  r: ToldRemedy;
  poured: RemedyPoured;
  a: Along;
  width: number;
}) {
  const { volume } = useUnits();
  const { lots, pour, there } = poured;
  const order = lots.map((_, i) => i).sort((x, y) => lots[x]!.until - lots[y]!.until);
  const shown = order.slice(0, MOST);
  const row = ROW * a.k;
  const top = isNarrow(a) ? 20 * a.k : 0;
  return (
    <section aria-label={`Each bottle of ${r.name}`} className="pt-2">
      {shown.map((i) => {
        const lot = lots[i]!;
        const left = pour.lots[i]!;
        const from = Math.max(0, lot.from);
        const ends = left.findLastIndex((ml) => ml > 0.5);
        const words = `${volume(lot.ml)}${PLACES[lot.in]}`;
        const base = top + row - 4;
        const points = [...left.slice(0, ends + 1)].map((ml, k) => ({
          x: xOf(a, from + k),
          up: Math.max(1.5, (HIGH * a.k * ml) / lot.ml),
        }));
        return (
          <svg
            key={i}
            width={width}
            height={top + row}
            className="block max-w-full"
            role="img"
            aria-label={`${words}: from ${dayWords(told, from)}, good to ${dayWords(told, lot.until)}`}
          >
            <text
              x={isNarrow(a) ? a.x0 : 0}
              y={isNarrow(a) ? 15 * a.k : base - 4}
              fontSize={14 * a.k}
              fill="var(--color-iron)"
            >
              {words}
            </text>
            <path
              d={pourPath(base, points)}
              fill={i < there ? fillOf(SUBSTANCE_OF[r.kind]) : "var(--color-glaze)"}
              stroke={i < there ? "var(--color-iron)" : "var(--color-cobalt)"}
              strokeDasharray={i < there ? undefined : "4 3"}
            />
            <path d={`M${a.x0} ${base}H${width}`} stroke="var(--color-rule)" />
            {lot.until < told.days && (
              <path
                d={`M${xOf(a, lot.until)} ${base - HIGH * a.k}v${HIGH * a.k + 3}`}
                stroke="var(--color-rust)"
                strokeWidth="2"
              />
            )}
          </svg>
        );
      })}
      {lots.length === 0 && <p className="quiet">No bottle of it stands here, and none is planned.</p>}
      {order.length > MOST && <p className="quiet">and {order.length - MOST} more</p>}
    </section>
  );
}
