"use client";
import { useState } from "react";
import { LOOKS, type LookOf, lookOf } from "./looks";

const WORDS: Readonly<Record<LookOf, string>> = {
  device: "as the device has it",
  day: "by day",
  night: "by night",
};

/** The look of the pages on this device, kept in a cookie so that the server draws it from the first. */
export function Look({ at }: { at: LookOf }) {
  const [look, setLook] = useState(at);
  const choose = (to: LookOf): void => {
    setLook(to);
    document.cookie = `jolly-look=${to}; path=/; max-age=31536000; samesite=strict`;
    if (to === "device") delete document.documentElement.dataset["look"];
    else document.documentElement.dataset["look"] = to;
  };
  return (
    <label className="inline-flex flex-wrap items-baseline gap-x-2 max-w-full">
      Looks
      <select
        className="stitch"
        aria-label="How the pages look"
        value={look}
        onChange={(e) => choose(lookOf(e.target.value))}
      >
        {LOOKS.map((l) => (
          <option key={l} value={l}>
            {WORDS[l]}
          </option>
        ))}
      </select>
    </label>
  );
}
