"use client";
import { useRef } from "react";

/** A button that asks for a file; the same file may be chosen twice. */
export function ChooseFile({
  words,
  label,
  accept,
  camera = false,
  take,
  className = "min-h-11",
}: {
  /** On the button, and what the file is for those who hear it. */
  words: string;
  label: string;
  accept: string;
  /** Where there is one, the camera is offered first. */
  camera?: boolean;
  take: (file: File) => void;
  className?: string;
}) {
  const input = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className={`plain ${className}`} onClick={() => input.current?.click()}>
        {words}
      </button>
      <input
        ref={input}
        type="file"
        className="sr-only"
        tabIndex={-1}
        aria-label={label}
        accept={accept}
        {...(camera ? { capture: "environment" as const } : {})}
        onChange={(e) => {
          const [chosen] = e.target.files ?? [];
          e.target.value = "";
          if (chosen) take(chosen);
        }}
      />
    </>
  );
}
