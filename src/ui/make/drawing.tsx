"use client";
import { isAtTheTable } from "@/core/make/handwork";
import type { Batch } from "@/core/journal/fold";
import type { BatchReckoning } from "@/core/journal/reckon";
import type { WalkedMove } from "@/core/journal/walk";
import type { BoilsDown } from "@/core/kitchen/boiling";
import { whenBegins } from "@/core/reckoning/in-the-pot";
import type { Resolved } from "@/core/reckoning/program";
import { type Fit, fitOf } from "@/core/vessel/fit";
import { heightAt } from "@/core/vessel/profile";
import { type Vessel, isPot, vesselWords } from "@/core/vessel/vessel";
import { PotFigure, type PotMark } from "../figures/pot";
import { substanceOf } from "../figures/substance";
import { TallVessel } from "../figures/tall-vessel";
import type { DrawnLayer } from "../figures/vessel";
import type { Shares } from "../kit/tall";
import { useUnits } from "../kit/units";

interface Props {
  readonly batch: Batch;
  readonly r: BatchReckoning;
  readonly now: WalkedMove | undefined;
  readonly down: BoilsDown | undefined;
  readonly thermometer: { readonly celsius: number | undefined; readonly grey: boolean } | undefined;
  readonly lidOn: boolean;
}

/** Lines that are in: those ticked, all of them once it stands over the heat or was left. */
function linesIn({ batch, r, now }: Props): readonly Resolved[] {
  const atOnce = r.program.lines.filter((l) => l.atOnce);
  const later = now === undefined || !isAtTheTable(now.sort);
  if (later) return atOnce;
  return atOnce.filter((l) => batch.making.lines.has(l.line.id));
}

const layersOf = (fit: Fit, lines: readonly Resolved[]): DrawnLayer[] =>
  fit.layers.map((l) => ({ fromCm: l.fromCm, toCm: l.toCm, substance: substanceOf(lines[l.of]!.stuff) }));

/** The mark to pour the line in hand to, in the vessel as it is being filled. */
export function pourMark(r: BatchReckoning, line: string | undefined): number | undefined {
  const { vessel, lines } = r.program;
  if (!vessel || isPot(vessel)) return undefined;
  const atOnce = lines.filter((l) => l.atOnce);
  const m = r.reckoning.fit?.marks.find((x) => atOnce[x.of]?.line.id === line);
  const stuff = m && atOnce[m.of]!.stuff;
  return m && stuff && !stuff.plant && !m.hidden ? m.cm : undefined;
}

/** How much of the window the jar may take. */
const TALL: Shares = [0.5, 0.72, 0.64];

function Jar({ p, v }: { p: Props; v: Vessel }) {
  const lines = linesIn(p);
  const fit =
    lines.length > 0
      ? fitOf(
          v,
          lines.map((l) => ({ stuff: l.stuff, grams: l.grams })),
        )
      : undefined;
  const line = p.now?.sort === "add" ? p.now.lines[0] : undefined;
  const cm = pourMark(p.r, line);
  const closed = p.now === undefined || ["shake", "label", "put-by", "strain"].includes(p.now.sort);
  return (
    <TallVessel
      share={TALL}
      profile={v.solid.profile}
      layers={fit ? layersOf(fit, lines) : []}
      marks={cm === undefined ? [] : [{ cm, words: "pour to here" }]}
      lid={closed ? v.lid : "off"}
      headspaceCm={v.headspaceCm}
      measured
      title={vesselWords(v)}
    />
  );
}

/** What stands in the pot at the move in hand. */
function potLayers(p: Props, v: Vessel): DrawnLayer[] {
  const { r, now, down } = p;
  if (down) return [{ fromCm: 0, toCm: down.nowCm, substance: "decoction" }];
  const lines = linesIn(p);
  if (now && isAtTheTable(now.sort)) {
    const fit =
      lines.length > 0
        ? fitOf(
            v,
            lines.map((l) => ({ stuff: l.stuff, grams: l.grams })),
          )
        : undefined;
    return fit ? layersOf(fit, lines) : [];
  }
  const step = now?.step ?? r.program.read.steps.at(-1)?.id;
  if (!step) return [];
  const is = whenBegins(r.program, step);
  return [{ fromCm: 0, toCm: heightAt(v.solid, is.ml + is.plantsMl), substance: "decoction" }];
}

function potMarks(down: BoilsDown | undefined, at: string | undefined): PotMark[] {
  if (!down) return [];
  return [
    { cm: down.startCm, words: "start", sort: "was" },
    { cm: down.nowCm, words: "now", sort: "now" },
    { cm: down.stopCm, words: "stop here", sort: "stop", ...(at ? { more: at } : {}) },
  ];
}

/** The vessel as it stands, large. */
export function MakeDrawing(p: Props & { readonly stopsAt: string | undefined }) {
  const { lengths, degrees } = useUnits();
  const v = p.r.program.vessel;
  if (!v) return null;
  if (!isPot(v)) return <Jar p={p} v={v} />;
  return (
    <PotFigure
      solid={v.solid}
      layers={potLayers(p, v)}
      gone={p.down && { fromCm: p.down.nowCm, toCm: p.down.startCm }}
      marks={potMarks(p.down, p.stopsAt)}
      thermometer={p.thermometer}
      lidOn={p.lidOn}
      ruler={lengths}
      degrees={degrees}
      title={vesselWords(v)}
    />
  );
}
