"use client";
import { useDeferredValue, useMemo, useState } from "react";
import { z } from "zod";
import type { Fault } from "@/core/fault";
import { type Asked, type StandContext, type StandForm, formOf, standingOf } from "@/core/standing/form";
import { type Listed, MOST_LINES, readListed } from "@/core/standing/listed";
import type { Standing } from "@/core/standing/standing";
import { useDraft } from "../kit/draft";
import { send } from "../kit/send";
import { toStand } from "../kit/writes";

/** A thing that stands, as its line was read and as it was put right; written down once everything asked of it is said. */
export interface Row {
  readonly key: string;
  readonly form: StandForm;
  readonly standing: Standing | undefined;
  readonly asked: Asked;
  /** A month or a year was said, not a day: its first is counted from. */
  readonly about: boolean;
}
export interface WrittenDown {
  readonly id: string;
  readonly code: string;
  readonly name: string;
}

/** What is typed: lines, what was put right of each, and the ids each was first sent under, so that it is written once. */
interface Draft {
  readonly text: string;
  readonly edits: Readonly<Record<string, Partial<StandForm>>>;
  readonly ids: Readonly<Record<string, readonly string[]>>;
}
const EMPTY: Draft = { text: "", edits: {}, ids: {} };
const Kept = z.object({
  text: z.string().max(100_000),
  edits: z.record(z.string(), z.record(z.string(), z.unknown())),
  ids: z.record(z.string(), z.array(z.uuid())),
});
const readDraft = (kept: unknown): Draft | undefined => {
  const d = Kept.safeParse(kept);
  return d.success ? (d.data as unknown as Draft) : undefined;
};

const BLANK: Listed = {
  ...{ text: "", as: undefined, name: "", kind: undefined, from: "made", count: undefined, ml: undefined },
  ...{ leftMl: undefined, on: undefined, onAbout: false, opened: undefined, bestBy: undefined },
  ...{ place: undefined, heated: undefined, things: [], note: "" },
};
/** The row that is filled in by hand, under no line. */
export const BY_HAND = "by hand";

/** The lines of a text, each under a key of its own; the same line twice is two jars. */
function linesOf(text: string): readonly (readonly [key: string, line: string])[] {
  const seen = new Map<string, number>();
  return text
    .split("\n")
    .map((l) => l.trim())
    .filter((l) => l !== "")
    .slice(0, MOST_LINES)
    .map((line) => {
      const n = (seen.get(line) ?? 0) + 1;
      seen.set(line, n);
      return [n === 1 ? line : `${line} (${n})`, line] as const;
    });
}

/** An id for the n-th thing of a row, the same each time it is asked. 0 is the batch, 1 the key, and then its bottles. */
const idOf = (ids: readonly string[] | undefined, n: number): string => ids?.[n] ?? BLANK_ID;
const BLANK_ID = "00000000-0000-4000-8000-000000000000";
/** A batch, a key and a hundred bottles. */
const IDS = 102;

/** Every row as it stands, and the ways to put it right and to write it down. */
export function useRows(c: StandContext, volume: (ml: number) => string) {
  const draft = useDraft<Draft>("jolly-standing", EMPTY, readDraft);
  const [written, setWritten] = useState<readonly WrittenDown[]>([]);
  const [refused, setRefused] = useState<Readonly<Record<string, Fault>>>({});
  const [busy, setBusy] = useState(false);
  const { text, edits, ids } = draft.value;
  const read = useDeferredValue(text);
  const rows = useMemo(() => {
    const all: readonly (readonly [string, Listed])[] = [
      ...linesOf(read).map(([key, line]) => [key, readListed(line, c)] as const),
      [BY_HAND, BLANK],
    ];
    return all.map(([key, l]): Row => {
      const form = { ...formOf(l, c, volume), ...edits[key] };
      const about = l.onAbout && form.on === l.on;
      return { key, form, about, ...nothingWithout(standingOf(form, c, (i) => idOf(ids[key], i + 2))) };
    });
  }, [read, c, volume, edits, ids]);
  const edit = (key: string, part: Partial<StandForm>): void => {
    setRefused(({ [key]: _, ...rest }) => rest);
    draft.set((was) => ({ ...was, edits: { ...was.edits, [key]: { ...was.edits[key], ...part } } }));
  };
  const writeOne = async (row: Row): Promise<boolean> => {
    const own = ids[row.key] ?? Array.from({ length: IDS }, () => crypto.randomUUID());
    if (!ids[row.key]) draft.set((was) => ({ ...was, ids: { ...was.ids, [row.key]: own } }));
    const { standing } = standingOf(row.form, c, (i) => idOf(own, i + 2));
    if (!standing) return false;
    const sent = await send(toStand(idOf(own, 0), standing), idOf(own, 1));
    if (!sent.ok) {
      setRefused((was) => ({ ...was, [row.key]: sent.fault }));
      return false;
    }
    setWritten((was) => [...was, { id: idOf(own, 0), code: sent.answer.code, name: standing.name }]);
    draft.set((was) => without(was, row.key));
    return true;
  };
  const write = async (some: readonly Row[]): Promise<void> => {
    setBusy(true);
    for (const row of some) if (row.standing) await writeOne(row);
    setBusy(false);
  };
  return {
    ...{ text, rows, written, refused, busy, edit, write },
    type: (next: string) => draft.set((was) => ({ ...was, text: next })),
    restored: draft.restored,
  };
}
export type Rows = ReturnType<typeof useRows>;

const nothingWithout = ({
  standing,
  asked,
}: ReturnType<typeof standingOf>): Pick<Row, "standing" | "asked"> => ({ standing, asked });

/** The draft without a row that is written down. */
function without(was: Draft, key: string): Draft {
  const at = linesOf(was.text).findIndex(([k]) => k === key);
  const lines = was.text.split("\n").filter((l) => l.trim() !== "");
  const { [key]: _edit, ...edits } = was.edits;
  const { [key]: _ids, ...ids } = was.ids;
  return { text: lines.filter((_, i) => i !== at).join("\n"), edits, ids };
}
