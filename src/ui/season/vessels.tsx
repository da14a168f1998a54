import { memo, useRef } from "react";
import type { Told, ToldVessel, ToldWorking } from "@/core/season/told";
import type { Start, Year } from "@/core/season/year";
import { SUBSTANCE_OF } from "../cellar/shelf-words";
import { GRIP, byKey } from "../figures/grip";
import { fillOf } from "../figures/substance";
import { insidePath, vesselFrame } from "../figures/vessel-frame";
import { type Along, dayAtX, isDrawn, isNarrow, xOf } from "./along";
import { BAND, PlannedBand, WorkingBand } from "./band";
import { type BoardRow, wrongOf } from "./rows";
import type { Act } from "./state";
import type { SeasonInHand } from "./use-season";
import { dayWords, nameOf, vesselOf } from "./words";

const [ROW, NARROW_ROW, LETTER] = [32, 58, 7.3];

/** What a key moves a start by: days, or to the next vessel. */
function keyMoves(
  key: string,
  shift: boolean,
): { readonly days: number; readonly vessels: number } | undefined {
  const days = shift ? 7 : 1;
  if (key === "ArrowLeft") return { days: -days, vessels: 0 };
  if (key === "ArrowRight") return { days, vessels: 0 };
  if (key === "ArrowUp") return { days: 0, vessels: -1 };
  if (key === "ArrowDown") return { days: 0, vessels: 1 };
  return undefined;
}

/** The handle of a start: dragged to another day or vessel, nudged by keys, touched to be looked at. */
function Handle({
  s,
  told,
  year,
  act,
  a,
  top,
  chosen,
  wrong,
}: OnBoard & { s: Start; top: number; wrong: string }) {
  const held = useRef<{ x: number; moved: boolean } | undefined>(undefined);
  const pot = told.vessels.find((v) => v.id === s.vessel)?.pot;
  const nudge = (by: { days: number; vessels: number }): void => {
    const mine = told.vessels.filter((v) => v.pot === pot);
    const at = mine.findIndex((v) => v.id === s.vessel);
    const vessel = mine[Math.min(mine.length - 1, Math.max(0, at + by.vessels))]?.id;
    act({ do: "hold" });
    act({ do: "move", id: s.id, day: s.day + by.days, ...(vessel ? { vessel } : {}), year });
  };
  const size = isNarrow(a) ? 44 : 26;
  const words = `${nameOf(told, s.remedy)}, begin ${dayWords(told, s.day)} in the ${vesselOf(told, s.vessel)}${s.strain > s.day ? `, strain ${dayWords(told, s.strain)}` : ""}${s.pinned ? ", pinned" : ""}${wrong === "" ? "" : `: ${wrong}`}`;
  return (
    <button
      type="button"
      data-start={s.id}
      aria-label={words}
      aria-pressed={chosen === s.id}
      title={words}
      className="absolute cursor-grab touch-none rounded-sm"
      style={{ left: xOf(a, s.day) - size / 2, top: top + BAND / 2 - size / 2, width: size, height: size }}
      onClick={() => act({ do: "choose", id: s.id })}
      onKeyDown={(e) => {
        if (e.key === "Delete") return act({ do: "drop", id: s.id });
        const by = keyMoves(e.key, e.shiftKey);
        byKey(e, by && 0, () => nudge(by!));
      }}
      {...GRIP}
      onPointerDown={(e) => {
        GRIP.onPointerDown(e);
        held.current = { x: e.clientX, moved: false };
      }}
      onPointerMove={(e) => {
        if (!held.current || !e.currentTarget.hasPointerCapture(e.pointerId)) return;
        const vessel = otherBoard(e, s.vessel);
        if (!held.current.moved && Math.abs(e.clientX - held.current.x) < 3 && !vessel) return;
        if (!held.current.moved) act({ do: "hold" });
        held.current.moved = true;
        const box = e.currentTarget.closest("[data-boards]")!.getBoundingClientRect();
        const day = dayAtX(a, e.clientX - box.left);
        act({ do: "move", id: s.id, day, ...(vessel ? { vessel } : {}), year });
      }}
      onLostPointerCapture={() => {
        GRIP.onLostPointerCapture();
        held.current = undefined;
      }}
    />
  );
}

/** Another board of the same sort under the hand. */
function otherBoard(e: React.PointerEvent<HTMLElement>, mine: string): string | undefined {
  const boards = [...e.currentTarget.closest("[data-boards]")!.querySelectorAll<HTMLElement>("[data-board]")];
  const over = boards.find((b) => {
    const { top, bottom } = b.getBoundingClientRect();
    return e.clientY >= top && e.clientY < bottom;
  });
  const id = over?.dataset["board"];
  return id && id !== mine ? id : undefined;
}

interface Label {
  readonly x: number;
  readonly words: string;
  readonly anchor: "start" | "end";
}

/** The words beside each start of a board, where there is room for them: behind it, or before it. */
function labelsOf(
  told: Told,
  row: BoardRow,
  mine: readonly Start[],
  a: Along,
  taken: readonly (readonly [number, number])[],
): ReadonlyMap<string, Label> {
  const out = new Map<string, Label>();
  const full: (readonly [number, number])[] = [
    ...taken,
    ...mine.map((s): [number, number] => [
      xOf(a, s.day) - 6,
      Math.max(xOf(a, s.strain), xOf(a, s.day) + 6) + 4,
    ]),
  ];
  const fits = (from: number, to: number): boolean =>
    from >= a.x0 && to <= a.x1 && full.every(([x, y]) => to <= x || from >= y);
  for (const s of [...mine].sort((x, y) => x.day - y.day)) {
    const both = row.both.includes(s.id) ? ": both want this" : "";
    const words = `${nameOf(told, s.remedy)}, ${dayWords(told, s.day)}${both}`;
    const wide = words.length * LETTER * a.k;
    const after = Math.max(xOf(a, s.strain), xOf(a, s.day) + 6) + 9;
    const before = xOf(a, s.day) - 9;
    if (fits(after, after + wide)) {
      out.set(s.id, { x: after, words, anchor: "start" });
      full.push([after, after + wide]);
    } else if (fits(before - wide, before)) {
      out.set(s.id, { x: before, words, anchor: "end" });
      full.push([before - wide, before]);
    }
  }
  return out;
}

/** Batches that work in a vessel, each with its code where it does not stand in the way. */
function Working({ of, a, y }: { of: readonly ToldWorking[]; a: Along; y: number }) {
  return of.map((w) => (
    <g key={w.id}>
      <WorkingBand w={w} a={a} y={y} />
      <text x={codeAt(w, a)} y={y + 15} fontSize={15 * a.k} fill="var(--color-cobalt)" className="stencil">
        {w.code}
      </text>
    </g>
  ));
}
const CODE = 76;
const codeAt = (w: ToldWorking, a: Along): number =>
  Math.min(a.x1 - CODE * a.k, xOf(a, Math.max(w.latest, w.strain)) + 8);

/** Pixels for a centimetre, so that the tallest of the vessels stands on its board; and where their middles stand. */
const [STANDS, MIDDLE] = [25, 118];
const scaleOf = (told: Told): number =>
  STANDS / Math.max(10, ...told.vessels.map(({ profile }) => profile[profile.length - 1]![0]));

/** The vessel itself, all of them to one scale, with what works in it now. */
function Standing({ v, told, a, base }: { v: ToldVessel; told: Told; a: Along; base: number }) {
  const f = vesselFrame(v.profile, "off", scaleOf(told) * a.k);
  const { brimCm } = f.solid;
  const holds = told.working.find((w) => w.vessel === v.id);
  return (
    <g transform={`translate(${MIDDLE * a.k - f.middle} ${base - f.y(0)})`}>
      {holds && <path d={insidePath(f, 0, brimCm * 0.9)} fill={fillOf(SUBSTANCE_OF[holds.kind])} />}
      <path d={insidePath(f, 0, brimCm)} fill="none" stroke="var(--color-iron)" strokeWidth="1.3" />
    </g>
  );
}

/** Today’s stroke stands where the words of a narrow board begin. */
const BESIDE_TODAY = 8;

/** What all boards share. */
interface OnBoard {
  readonly told: Told;
  readonly year: Year;
  readonly act: (a: Act) => void;
  readonly a: Along;
  /** The start that is looked at, where it stands on this board. */
  readonly chosen: string | undefined;
}

const Row = memo(function Row({
  v,
  row,
  width,
  ...shared
}: OnBoard & { v: ToldVessel; row: BoardRow; width: number }) {
  const { told, year, a, chosen } = shared;
  const narrow = isNarrow(a);
  const [tall, y] = narrow ? [NARROW_ROW * a.k, 30 * a.k] : [ROW * a.k, 6 + 10 * (a.k - 1)];
  const working = told.working.filter((w) => w.vessel === v.id);
  const shown = row.starts.filter((s) => isDrawn(a, s.day, s.strain));
  const labels = labelsOf(
    told,
    row,
    shown,
    a,
    working
      .filter((w) => isDrawn(a, w.begun, w.latest))
      .map((w) => [xOf(a, w.begun), codeAt(w, a) + CODE * a.k]),
  );
  const making = (s: Start) => year.wanted.find((w) => w.id === s.remedy)?.making;
  return (
    <div role="group" aria-label={v.name} data-board={v.id} className="relative" style={{ height: tall }}>
      <svg width={width} height={tall} className="absolute inset-0 max-w-full" aria-hidden="true">
        <path d={`M0 ${tall - 1}H${width}`} stroke="var(--color-rule)" strokeWidth="1.5" />
        <text
          x={narrow ? a.x0 + BESIDE_TODAY : 0}
          y={(narrow ? 18 : 22) * a.k}
          fontSize={17 * a.k}
          fill="var(--color-cobalt)"
          className="stencil"
        >
          {v.size}
          {v.pot ? " pot" : ""}
        </text>
        <Standing v={v} told={told} a={a} base={narrow ? 26 * a.k : tall - 2} />
        <Working of={working} a={a} y={y} />
        {shown.map((s) => {
          const m = making(s);
          const window = m?.steep ? ([s.day + m.steep.earliest, s.day + m.steep.latest] as const) : undefined;
          const kind = told.remedies.find((r) => r.id === s.remedy)?.kind ?? "oxymel";
          const label = labels.get(s.id);
          return (
            <g key={s.id}>
              <PlannedBand
                a={a}
                y={y}
                at={{ kind, day: s.day, strain: s.strain, window }}
                wrong={wrongOf(row, s.id) !== ""}
                chosen={chosen === s.id}
              />
              {label && (
                <text
                  x={label.x}
                  y={y + 15}
                  fontSize={14 * a.k}
                  textAnchor={label.anchor}
                  fill="var(--color-iron)"
                >
                  {label.words}
                </text>
              )}
            </g>
          );
        })}
      </svg>
      {shown.map((s) => (
        <Handle key={s.id} s={s} {...shared} top={y} wrong={wrongOf(row, s.id)} />
      ))}
    </div>
  );
});

/** The vessels as boards, with what works in them and what is planned. */
export function Vessels({
  told,
  season,
  a,
  width,
}: {
  told: Told;
  season: SeasonInHand;
  a: Along;
  width: number;
}) {
  const { year, act, hand, rows } = season;
  return (
    <div data-boards="" className="relative">
      {told.vessels.map((v, i) => {
        const row = rows[i]!;
        const chosen = row.starts.some((s) => s.id === hand.chosen) ? hand.chosen : undefined;
        return <Row key={v.id} {...{ v, row, told, year, act, a, width, chosen }} />;
      })}
    </div>
  );
}
