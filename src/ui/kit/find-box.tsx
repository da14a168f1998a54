"use client";
import { useRouter } from "./router";
import { useCombobox } from "downshift";
import { useEffect, useState } from "react";
import type { PlaceClass } from "@/core/journal/events";
import { printDay } from "@/core/day";
import { counted } from "@/core/words";
import { ChooseFile } from "./choose-file";
import { codeOn } from "./scan";

/** One thing that was found, as the server says it. */
interface Found {
  readonly sort: "batch" | "bottle" | "store" | "recipe";
  readonly id: string;
  readonly called: string;
  readonly name: string;
  readonly place?: PlaceClass;
  readonly state: string;
  readonly day?: string;
  /** Its day is behind it. */
  readonly past: boolean;
}
interface Answer {
  readonly asked: string;
  readonly found: readonly Found[];
  readonly more: number;
  readonly wrong?: string;
}
const NOTHING: Answer = { asked: "", found: [], more: 0 };

const STANDS: Readonly<Record<PlaceClass, string>> = {
  cupboard: "in the cupboard",
  "cool-dark": "somewhere cool and dark",
  fridge: "in the fridge",
  freezer: "in the ice box",
};

/** Where it stands, or what became of it. */
function beside(f: Found): string {
  switch (f.sort) {
    case "batch":
      return `${f.state === "undone" ? "taken back" : f.state}, begun ${printDay(f.day!, "year")}`;
    case "bottle":
      return f.state === "kept"
        ? `${STANDS[f.place!]}, ${f.past ? "past" : "by"} ${printDay(f.day!, "year")}`
        : f.state;
    case "store":
      return `${f.state} in the stores`;
    case "recipe":
      return "in the book";
  }
}
function pageOf(f: Found): string {
  switch (f.sort) {
    case "batch":
      return `/batch/${f.id}`;
    case "bottle":
      return `/cellar?bottle=${f.id}`;
    case "store":
      return `/stores#lot-${f.id}`;
    case "recipe":
      return `/formulary/${f.id}`;
  }
}

/** Asks once the hand rests a moment; an answer to what is no longer asked is let go. */
function useAnswer(asked: string): Answer | undefined {
  const [answer, setAnswer] = useState<Answer>(NOTHING);
  useEffect(() => {
    if (asked === "") return;
    const off = new AbortController();
    const ask = async (): Promise<void> => {
      const wrong = "It could not be looked for just now. Try again in a moment.";
      try {
        const r = await fetch(`/api/find?q=${encodeURIComponent(asked)}`, { signal: off.signal });
        const said = (await r.json()) as Answer & { fault?: { message: string } };
        setAnswer(r.ok ? { ...said, asked } : { ...NOTHING, asked, wrong: said.fault?.message ?? wrong });
      } catch {
        if (!off.signal.aborted) setAnswer({ ...NOTHING, asked, wrong });
      }
    };
    const soon = setTimeout(() => void ask(), 120);
    return () => {
      clearTimeout(soon);
      off.abort();
    };
  }, [asked]);
  return answer.asked === asked ? answer : undefined;
}

function saysOf(asked: string, answer: Answer | undefined): string {
  if (asked === "")
    return "A code, a bottle’s number, an herb, a name, a place, a month: “ginger”, “fridge”, “past”.";
  if (!answer) return "";
  if (answer.wrong) return answer.wrong;
  if (answer.found.length === 0) return `Nothing here goes by “${asked}”.`;
  return answer.more > 0 ? `${counted(answer.more, "more")}; say one more word to find it.` : "";
}

const OUR_CODE = /^[A-Z]{2}-\d\d-\d+(?:\.\d+)?$/;

/** A picture of a label's code in place of words. @param read called with the code that was made out, or with what is wrong */
function ByPicture({ read }: { read: (code: string | undefined, wrong: string | undefined) => void }) {
  const scan = async (picture: File): Promise<void> => {
    read(undefined, undefined);
    const code = await codeOn(picture).catch(() => undefined);
    if (code === undefined)
      read(
        undefined,
        "There is no code to be made out on that picture. Take it again, flat and in even light.",
      );
    else if (!OUR_CODE.test(code))
      read(undefined, "That code is none of our labels’. A card of a recipe goes into the Formulary.");
    else read(code, undefined);
  };
  return (
    <p>
      <ChooseFile
        words="a picture of a label"
        label="a picture of a label’s code"
        accept="image/*"
        camera
        className="min-h-11"
        take={(picture) => void scan(picture)}
      />
    </p>
  );
}

/** One thing that was found. */
function OneFound({ f }: { f: Found }) {
  return (
    <>
      <span>
        {f.called !== "" && <span className="stencil mr-2">{f.called}</span>}
        {f.name}
      </span>
      <span className={f.past ? "text-rust font-semibold" : "quiet"}>{beside(f)}</span>
    </>
  );
}

/** The box itself, once it is open. */
export default function FindBox({ first, close }: { first: string; close: () => void }) {
  const router = useRouter();
  const [text, setText] = useState(first);
  const [scanned, setScanned] = useState<string | undefined>();
  const asked = text.trim();
  const answer = useAnswer(asked);
  const found = asked === "" ? [] : (answer?.found ?? []);
  const box = useCombobox<Found>({
    id: "find",
    items: [...found],
    inputValue: text,
    itemToString: (f) => f?.name ?? "",
    selectedItem: null,
    // The first is what Enter goes to.
    defaultHighlightedIndex: 0,
    isOpen: true,
    onSelectedItemChange: ({ selectedItem }) => {
      if (!selectedItem) return;
      close();
      router.push(pageOf(selectedItem));
    },
  });
  return (
    <>
      <label {...box.getLabelProps()} className="sr-only">
        What is looked for
      </label>
      <input
        {...box.getInputProps({
          onChange: (e) => setText(e.currentTarget.value),
          onKeyDown: (e) => e.key === "Escape" && close(),
        })}
        className="w-full min-h-12 text-[1.25rem] bg-transparent border-b-2 border-iron px-0.5"
        maxLength={200}
        autoComplete="off"
        autoFocus
      />
      <ul {...box.getMenuProps({ "aria-label": "What was found" })} className="max-h-[60dvh] overflow-y-auto">
        {found.map((f, i) => (
          <li
            key={f.sort + f.id}
            {...box.getItemProps({ item: f, index: i })}
            className={`px-2 py-2.5 min-h-11 cursor-pointer flex flex-wrap justify-between gap-x-4 ${i === box.highlightedIndex ? "bg-cobalt-pale" : ""}`}
          >
            <OneFound f={f} />
          </li>
        ))}
      </ul>
      <p role="status" className="quiet pt-2 min-h-7">
        {scanned ?? saysOf(asked, answer)}
      </p>
      <ByPicture
        read={(code, wrong) => {
          setScanned(wrong);
          if (code !== undefined) setText(code);
        }}
      />
    </>
  );
}
