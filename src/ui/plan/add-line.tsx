"use client";
import { Told } from "../kit/told";
import { useCombobox } from "downshift";
import { memo, useId, useMemo, useState } from "react";
import type { Nameless } from "@/core/plan/ids";
import type { Line } from "@/core/plan/plan";
import type { Material } from "@/core/material/material";
import { lineOfSaid } from "@/core/plan/said-line";
import { readLine } from "@/core/reading/line";
import { hurtOf } from "@/core/reading/hurts";
import {
  type Choice,
  type Reading,
  type ReadingContext,
  type SaidLine,
  sayLine,
  sayReading,
} from "@/core/reading/said";
import { Wrong } from "../kit/field";
import { rememberOunces, useOunces } from "./ounces";
import { WriteDown, type WrittenDown } from "./write-down";

/** One offer of the list: an answer, and the whole reading it leads to. */
interface Offer {
  readonly words: string;
  readonly beside: string;
  readonly reading: Reading;
  /** What was typed, understood as it stands: it is read again when it is put in, since the plan may have changed. */
  readonly asTyped?: true;
  readonly remember?: Choice["remember"];
}

const latinOf = (l: { row: { names: readonly string[] } & object }): string =>
  "latin" in l.row && typeof l.row.latin === "string" ? l.row.latin : "";

function formWords(l: SaidLine): string {
  const said = [l.form, l.cut].filter((x) => x !== undefined).join(", ");
  const took = l.took.find((t) => t.what === "form");
  return took ? `taken as ${said}` : said;
}

/** Where an answer leads, in words, where its own words do not say it. */
const leadsTo = (c: Choice): string => {
  const words = sayReading(c.reading);
  return words === c.words ? "" : `→ ${words}`;
};

/** What may be chosen, for what was typed so far. */
function offersFor(r: Reading | undefined): readonly Offer[] {
  switch (r?.is) {
    case "line":
      return [
        {
          words: sayLine({ ...r.line, amount: r.line.amount?.text, form: undefined, cut: undefined }),
          beside: [...r.line.notes, formWords(r.line)].filter((w) => w !== "").join(", "),
          reading: r,
          asTyped: true,
        },
      ];
    case "ask":
      return r.choices.map((c) => ({ ...c, beside: leadsTo(c) }));
    case "unknown":
      return r.near().map((c) => ({ ...c, beside: latinOf(c.material) }));
    case "lines":
    case "fault":
    case undefined:
      return [];
  }
}

/** What the reader says of the text, once it is asked to put it in. */
function saysOf(r: Reading | undefined, hurts: string | undefined): string {
  switch (r?.is) {
    case "ask":
      return r.question;
    case "unknown":
      if (hurts)
        return r.near().length > 0
          ? "Or is it one of these, or another plant of that name?"
          : "Is it another plant of that name? Write it down with its Latin name.";
      return r.near().length > 0
        ? `“${r.name}” is not known here. Is it one of these? If not, write it down as new.`
        : `“${r.name}” is not known here. Write it down as new, or try another name.`;
    default:
      return "";
  }
}

const NONE: readonly Offer[] = [];

interface Props {
  readonly context: ReadingContext;
  readonly add: (lines: readonly Nameless<Line>[], names: string) => void;
  /** A plant nobody here knows was written down; nothing to write down where it is not given. */
  readonly writtenDown?: (row: WrittenDown) => void;
  readonly example?: string;
}

/** What is typed, what it reads as, and what may be done with it. */
function useTyped({ context, add }: Props) {
  const ounces = useOunces();
  const [text, setText] = useState("");
  const [asked, setAsked] = useState(false);
  const [writing, setWriting] = useState("");
  /** A question that an answer led on to. */
  const [onward, setOnward] = useState<Reading | undefined>();
  const typed = useMemo(
    () => (text.trim() === "" ? undefined : readLine(text, { ...context, ounces })),
    [text, context, ounces],
  );
  const reading = onward ?? typed;
  const hurts = useMemo(() => (reading ? hurtOf(reading) : undefined), [reading]);
  const offers = useMemo(() => (text.trim().length > 1 ? offersFor(reading) : NONE), [reading, text]);
  const type = (next: string): void => {
    setText(next);
    setAsked(false);
    setOnward(undefined);
    setWriting("");
  };
  const put = (lines: readonly SaidLine[]): void => {
    add(lines.map(lineOfSaid), lines.map((l) => l.material.row.names[0]!).join(", "));
    type("");
  };
  const readNow = (next: string): Reading => readLine(next, { ...context, ounces });
  const follow = (r: Reading): void => {
    if (r.is === "line") return put([r.line]);
    if (r.is === "lines" && r.lines.length > 0) return put(r.lines);
    setOnward(r);
    setAsked(true);
  };
  return {
    ...{ text, type, reading, offers, writing, setWriting, put },
    fault: asked && reading?.is === "fault" ? reading.fault : undefined,
    says: asked ? saysOf(reading, hurts) : "",
    hurts,
    take: (o: Offer): void => {
      if (o.remember) rememberOunces(o.remember.material, o.remember.as);
      // What the plan pours may have changed since it was typed: “half as much as the vinegar”.
      const now = o.asTyped ? readNow(text) : undefined;
      follow(now?.is === "line" ? now : o.reading);
    },
    enter: (): void => {
      const now = readNow(text);
      if (now.is === "line") put([now.line]);
      else if (now.is === "lines") put(now.lines);
      else setAsked(true);
    },
  };
}
type TypedLine = ReturnType<typeof useTyped>;

/** The list under the field: arrow keys choose, Enter puts in. */
function useBox({ text, type, offers, take, enter }: TypedLine, id: string) {
  const box = useCombobox<Offer>({
    id,
    items: [...offers],
    inputValue: text,
    itemToString: (o) => o?.words ?? "",
    selectedItem: null,
    // The list goes when the hand goes elsewhere; what was typed stays.
    stateReducer: (state, { type: by, changes }) => {
      if (by === useCombobox.stateChangeTypes.InputKeyDownEscape)
        return { ...changes, isOpen: false, inputValue: state.inputValue };
      return changes;
    },
    onStateChange: ({ selectedItem }) => {
      if (selectedItem) take(selectedItem);
    },
  });
  const input = box.getInputProps({
    // At once, not after the list has thought about it: else a quick hand loses letters.
    onChange: (e) => type(e.currentTarget.value),
    onKeyDown: (e) => {
      if (e.key !== "Enter" || text.trim() === "" || box.highlightedIndex >= 0) return;
      e.preventDefault();
      (e.nativeEvent as unknown as { preventDownshiftDefault: boolean }).preventDownshiftDefault = true;
      enter();
    },
  });
  return { box, input };
}

/** What is asked of the text, with every answer as a touch. */
function AskedOf({ typed: t, mayWrite }: { typed: TypedLine; mayWrite: boolean }) {
  const unknown = t.reading?.is === "unknown" ? t.reading : undefined;
  return (
    <div className="border-l-[6px] border-cobalt pl-3.5 py-1 my-2" data-testid="asked">
      <p className="font-semibold">
        <Told of={t.says} />
      </p>
      <ul className="flex flex-wrap gap-x-5">
        {t.offers.map((o) => (
          <li key={o.words}>
            <button type="button" className="plain min-h-11" onClick={() => t.take(o)}>
              {o.words}
              {o.beside !== "" && <span className="font-normal text-ash"> {o.beside}</span>}
            </button>
          </li>
        ))}
        {unknown && mayWrite && t.writing === "" && (
          <li>
            <button type="button" className="plain min-h-11" onClick={() => t.setWriting(unknown.name)}>
              {t.hurts ? "write it down, with its Latin name" : "write it down as new"}
            </button>
          </li>
        )}
      </ul>
    </div>
  );
}

/** A line of a plant that was written down a moment ago, with all else that had been said of it. */
function lineOf({ row }: WrittenDown, reading: Reading | undefined): SaidLine {
  const material: Material = { kind: "plant", row };
  const again = reading?.is === "unknown" ? reading.as(material) : undefined;
  return again?.is === "line" ? again.line : { material, took: [], notes: [], optional: false, claims: [] };
}

/** One field to add what goes in: say an amount and a name as you would to a neighbour. Nothing is guessed: what is not known is asked about. */
export const AddLine = memo(function AddLine(p: Props) {
  const { context, writtenDown, example = "1½ cups hyssop, dried" } = p;
  const id = useId();
  const t = useTyped(p);
  const { box, input } = useBox(t, id);
  const wrong = `${id}-wrong`;
  // Once it is asked about, the question stands in the list’s place and offers the same.
  const open = box.isOpen && t.offers.length > 0 && t.says === "";
  return (
    <div className="relative py-2 scroll-mb-40">
      <label {...box.getLabelProps()} className="sr-only">
        Add what goes in
      </label>
      <input
        {...input}
        data-add-line
        className="w-full min-h-11 bg-transparent border-b border-dashed border-ash px-0.5 placeholder:text-ash scroll-mb-80"
        placeholder={`add: type “${example}”`}
        maxLength={10_000}
        aria-invalid={t.fault !== undefined}
        aria-describedby={t.fault || t.says ? wrong : undefined}
        autoComplete="off"
      />
      <ul
        {...box.getMenuProps({ "aria-label": "What it may be" })}
        className={
          open
            ? "absolute z-20 left-0 right-0 bg-paper border border-iron max-h-72 overflow-y-auto"
            : "hidden"
        }
      >
        {open &&
          t.offers.map((o, i) => (
            <li
              key={o.words}
              {...box.getItemProps({ item: o, index: i })}
              className={`px-3 py-2.5 cursor-pointer flex justify-between gap-3 ${i === box.highlightedIndex ? "bg-cobalt-pale" : ""}`}
            >
              <span>{o.words}</span>
              <span className="text-ash text-[0.9375rem]">{o.beside}</span>
            </li>
          ))}
      </ul>
      <div id={wrong} aria-live="polite">
        {t.hurts && <p className="wrong pt-1">{t.hurts}</p>}
        {t.fault && <Wrong fault={t.fault} put={t.type} className="pt-1" />}
        {t.says !== "" && <AskedOf typed={t} mayWrite={writtenDown !== undefined} />}
      </div>
      {t.writing !== "" && writtenDown && (
        <WriteDown
          name={t.writing}
          catalogue={context.catalogue}
          cancel={() => t.setWriting("")}
          done={(w) => {
            writtenDown(w);
            t.put([lineOf(w, t.reading)]);
          }}
        />
      )}
    </div>
  );
});
