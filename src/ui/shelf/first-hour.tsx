import Link from "../kit/link";
import type { Care } from "@/core/care/care";
import { type Day, addDays, printDay } from "@/core/day";
import type { PlaceClass } from "@/core/journal/events";
import type { Place } from "@/core/stores/settings";
import { VESSELS } from "@/core/vessel/catalogue";
import { ChalkJar, type Chalked } from "../figures/chalk-jar";
import { insidePath, vesselFrame } from "../figures/vessel-frame";

interface Way {
  readonly drawn: Chalked;
  readonly href: string;
  readonly head: string;
  readonly says: readonly string[];
  readonly like: string;
}
/** The ways in: what a household has on the first evening is a recipe, a jar, or a heap of herbs. */
const WAYS: readonly Way[] = [
  {
    ...{ drawn: "paper", href: "/formulary", head: "A recipe of mine" },
    says: ["Paste it in, or type it in", "your own words."],
    like: "“a good pound of damsons …”",
  },
  {
    ...{ drawn: "levels", href: "/standing", head: "A jar already working" },
    says: ["What is in it, since when.", "Its days run on from there."],
    like: "“fire cider, since 2 November”",
  },
  {
    ...{ drawn: "leaf", href: "/bench", head: "Herbs, and no plan" },
    says: ["Name two or three; see", "what they could become."],
    like: "“hyssop, fennel, honey”",
  },
];

/** An empty shelf: three jars chalked on it, each a way to begin. */
export function WaysToBegin() {
  return (
    <>
      <h2 className="text-[1.625rem] leading-tight">Three ways to begin</h2>
      <p className="text-ash text-lg pt-1">Touch a chalked jar; it is drawn in as you go.</p>
      <ul className="grid grid-cols-1 sm:grid-cols-3 pt-3">
        {WAYS.map((w) => (
          <li key={w.href} className="min-w-0">
            <Link
              href={w.href}
              className="group flex sm:flex-col no-underline text-iron gap-x-4 items-end sm:items-stretch border-b-8 border-iron sm:border-0"
            >
              <span className="flex justify-center sm:px-3 w-28 sm:w-auto flex-none">
                <ChalkJar what={w.drawn} />
              </span>
              <span className="hidden sm:block w-full h-2 bg-iron -mt-1.5" aria-hidden="true" />
              <span className="block sm:pl-8 pb-4 sm:pt-4 sm:pb-0 min-w-0">
                <span className="stitch text-xl font-bold text-cobalt">{w.head}</span>
                <span className="block pt-2">{w.says.join(" ")}</span>
                <span className="block pt-1 text-ash">{w.like}</span>
              </span>
            </Link>
          </li>
        ))}
      </ul>
    </>
  );
}

const TOUCHES = [
  ["Shake it", "while the herb gives"],
  ["Push under", "what swims"],
  ["Top up", "to the mark it was poured to"],
  ["Strain", "from its first day to its last"],
] as const;

/** What Today will say, before there is anything to say. */
export function TodayToCome() {
  return (
    <>
      <p className="pt-3">Nothing wants doing yet. Here will stand what does, one line a jar:</p>
      <ul>
        {TOUCHES.map(([what, when]) => (
          <li key={what} className="flex items-center gap-4 border-b border-rule min-h-12">
            <span aria-hidden="true" className="w-7 h-7 border-2 border-dashed border-cobalt flex-none" />
            <span>
              <strong>{what}</strong> <span className="text-ash">{when}</span>
            </span>
          </li>
        ))}
      </ul>
    </>
  );
}

/** The band of a remedy begun today, as its own reckoning has it. */
export function BegunToday({
  today,
  care,
  keeps,
}: {
  today: Day;
  care: Care;
  /** Days it keeps in the cupboard, from its best day to strain. */
  keeps: number;
}) {
  const w = care.window;
  if (!w) return null;
  const all = w.best + keeps;
  const x = (day: number): number => 8 + (day / all) * 316;
  const months = [1, 2, 4, 6].filter((m) => m * 30 < all);
  return (
    <div className="pt-6">
      <h2>Begun today, a six-week oxymel</h2>
      <svg
        viewBox="0 0 332 78"
        className="w-full h-auto"
        role="img"
        aria-label={`Begun today it is strained from ${printDay(addDays(today, w.earliest), "long", today)} to ${printDay(addDays(today, w.latest), "long", today)}, and keeps in the cupboard until about ${printDay(addDays(today, all), "year")}.`}
        fontSize="15"
      >
        <path d="M0 56H332" stroke="var(--color-iron)" strokeWidth="2" />
        <rect
          x={x(w.best)}
          y="38"
          width={x(all) - x(w.best)}
          height="17"
          fill="none"
          stroke="var(--color-cobalt)"
          strokeDasharray="4 3"
          strokeWidth="1.5"
        />
        <rect
          x={x(w.earliest)}
          y="38"
          width={x(w.latest) - x(w.earliest)}
          height="17"
          fill="var(--color-cobalt-pale)"
          stroke="var(--color-cobalt)"
          strokeWidth="1.2"
        />
        <path d="M5 62L9 30" stroke="var(--color-cobalt)" strokeWidth="8" />
        <text x="14" y="22" fill="var(--color-cobalt)" fontWeight="700">
          today
        </text>
        <text x={x(w.earliest)} y="22">
          strain
        </text>
        <text x={x(w.latest) + 26} y="22" fill="var(--color-ash)">
          in the cupboard
        </text>
        {months.map((m) => (
          <g key={m}>
            <path d={`M${x(m * 30)} 56v6`} stroke="var(--color-iron)" strokeWidth="1.5" />
            <text x={x(m * 30)} y="77" textAnchor="middle" fill="var(--color-ash)" fontSize="14">
              {printDay(addDays(today, m * 30), "short", today).split(" ")[1]}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

const BOTTLES = {
  tall: VESSELS.get("b-500-swing") ?? VESSELS.get("b-250-swing")!,
  small: VESSELS.get("b-250-swing")!,
};

/** A bottle that is to come: dashed, as what is planned is drawn. */
function ToCome({ of }: { of: keyof typeof BOTTLES }) {
  const v = BOTTLES[of];
  const f = vesselFrame(v.solid.profile, v.lid, 5.2);
  return (
    <svg
      width={f.width}
      height={f.height}
      viewBox={`0 0 ${f.width} ${f.height}`}
      aria-hidden="true"
      className="-mb-[5px]"
    >
      <path
        d={insidePath(f, 0, v.solid.brimCm)}
        fill="none"
        stroke="var(--color-cobalt)"
        strokeWidth="1.6"
        strokeDasharray="4 3"
      />
    </svg>
  );
}

const BOARD: Readonly<Record<PlaceClass, string>> = {
  cupboard: "h-2 bg-iron",
  "cool-dark": "h-2 bg-iron",
  fridge:
    "h-2.5 border-y-2 border-iron bg-[repeating-linear-gradient(90deg,var(--color-iron)_0_1.5px,transparent_1.5px_12px)]",
  freezer:
    "h-3 border-2 border-iron bg-[repeating-linear-gradient(135deg,var(--color-iron)_0_1px,transparent_1px_9px)]",
};
const USE: Readonly<Record<PlaceClass, string>> = {
  cupboard: "use from the left",
  "cool-dark": "use from the left",
  fridge: "what is open",
  freezer: "what must wait",
};
const STANDS: Readonly<Record<PlaceClass, readonly (keyof typeof BOTTLES)[]>> = {
  cupboard: ["tall", "tall", "small"],
  "cool-dark": ["tall", "tall", "small"],
  fridge: ["small", "tall"],
  freezer: ["small", "small"],
};

/** Where bottles will stand, by the household's own places. */
export function InTime({ places }: { places: readonly Place[] }) {
  return (
    <section aria-labelledby="in-time" className="pt-5 flex flex-wrap gap-x-7 gap-y-4 items-end">
      <div className="w-40 self-center">
        <h2 id="in-time">And below, in time</h2>
        <p className="text-ash">Bottles, each where it keeps.</p>
        <p className="pt-2">
          <Link href="/standing">Some stand there already</Link>
        </p>
      </div>
      <ul className="flex flex-wrap gap-x-7 gap-y-4 items-end">
        {places.slice(0, 4).map((p) => (
          <li key={p.id} className="w-36 sm:w-44">
            <span className="flex items-end justify-center gap-1.5" aria-hidden="true">
              {STANDS[p.class].map((b, i) => (
                <ToCome key={i} of={b} />
              ))}
            </span>
            <span className={`block w-full ${BOARD[p.class]}`} aria-hidden="true" />
            <span className="block font-bold pt-1.5">
              {p.name.slice(0, 1).toUpperCase() + p.name.slice(1)}
            </span>
            <span className="block text-ash">{USE[p.class]}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What a household says once, and need not say to begin. */
export function ToSayOnce() {
  const rows = [
    ["How you measure", "cups, spoons, °C or °F", "/household#house"],
    ["Your jars", "what stands empty", "/stores"],
    ["Who drinks it", "anyone under one?", "/household"],
  ] as const;
  return (
    <section aria-labelledby="say-once" className="min-w-0 order-3 lg:order-none lg:col-start-2">
      <h2 id="say-once" className="border-b-2 border-iron pb-1">
        Three things to say once
      </h2>
      <ul>
        {rows.map(([what, words, href]) => (
          <li
            key={what}
            className="flex flex-wrap justify-between gap-x-4 items-center border-b border-rule min-h-11"
          >
            <span className="font-bold">{what}</span>
            <Link href={href} className="font-bold no-underline inline-flex items-center min-h-11">
              <span className="stitch">{words}</span>
            </Link>
          </li>
        ))}
      </ul>
      <p className="pt-3 text-ash">None of it must be said to begin.</p>
    </section>
  );
}
