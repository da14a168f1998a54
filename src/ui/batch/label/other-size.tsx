"use client";
import { useRouter } from "next/navigation";
import { useState } from "react";
import type { LabelSort } from "@/core/label/sorts";

/** A size of one's own, in mm. */
export function OtherSize({ id, sort, beside }: { id: string; sort: LabelSort; beside: string }) {
  const router = useRouter();
  const [text, setText] = useState("");
  const [wrong, setWrong] = useState(false);
  if (sort === "lid") return null;
  const go = (): void => {
    const [, w, h] = /^\s*(\d{2,3})\s*(?:x|×|by)\s*(\d{2,3})\s*(?:mm)?\s*$/i.exec(text) ?? [];
    const fits = Number(w) >= 30 && Number(w) <= 190 && Number(h) >= 20 && Number(h) <= 250;
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
          a size of your own, mm
        </label>
        <input
          id="other-size"
          className="field w-36"
          placeholder="90 by 45"
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
        lay it out
      </button>
      {wrong && (
        <p id="other-size-wrong" role="alert" className="wrong">
          Write its width and height in mm, like “90 by 45”: 30 to 190 wide, 20 to 250 high.
        </p>
      )}
    </form>
  );
}
