"use client";
import { useRouter } from "../../kit/router";
import { useState } from "react";
import { useUnits } from "../../kit/units";
import type { LabelSort } from "@/core/label/sorts";

/** What may be printed, mm: narrowest, widest, lowest, highest. */
const [NARROW, WIDE, LOW, HIGH] = [30, 190, 20, 250];

/** A size of one's own, as the household's ruler is marked. */
export function OtherSize({ id, sort, beside }: { id: string; sort: LabelSort; beside: string }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState(false);
  const { ruler } = useUnits();
  const of = (mm: number): string => (mm / ruler.mm).toFixed(ruler.mm === 1 ? 0 : 1);
  const example = ruler.mm === 1 ? "90 by 45" : "3.5 by 2";
  if (sort === "lid") return null;
  const go = (): void => {
    const said =
      /^\s*(\d{1,3}(?:\.\d{1,2})?)\s*(?:x|×|by)\s*(\d{1,3}(?:\.\d{1,2})?)\s*(?:mm|in|inches)?\s*$/i.exec(
        text,
      ) ?? [];
    const [w, h] = [said[1], said[2]].map((n) => Math.round(Number(n) * ruler.mm));
    const fits = w! >= NARROW && w! <= WIDE && h! >= LOW && h! <= HIGH;
    setWrong(!fits);
    if (fits) router.push(`/batch/${id}/label?sort=${sort}&size=${w}x${h}${beside ? `&with=${beside}` : ""}`);
  };
  return (
    <form
      className="flex flex-wrap items-end gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        go();
      }}
    >
      <p>
        <label className="quiet block" htmlFor="other-size">
          a size of your own, {ruler.words}
        </label>
        <input
          id="other-size"
          className="field w-36"
          placeholder={example}
          maxLength={20}
          value={text}
          aria-invalid={wrong}
          aria-describedby={wrong ? "other-size-wrong" : undefined}
          onChange={(e) => {
            setWrong(false);
            setText(e.target.value);
          }}
        />
      </p>
      <button type="submit" className="plain min-h-11">
        use this size
      </button>
      {wrong && (
        <p id="other-size-wrong" role="alert" className="wrong">
          Write its width and height in {ruler.words}, like “{example}”: {of(NARROW)} to {of(WIDE)} wide,{" "}
          {of(LOW)} to {of(HIGH)} high.
        </p>
      )}
    </form>
  );
}
