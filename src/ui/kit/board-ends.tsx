"use client";
import { useEffect, useRef, useState } from "react";

/** The board goes on to the end of its last row: as many empty places of a grid as are wanting there. */
export function BoardEnds({ of, className }: { of: number; className: string }) {
  const mark = useRef<HTMLLIElement>(null);
  const [across, setAcross] = useState(0);
  useEffect(() => {
    const grid = mark.current?.parentElement;
    if (!grid) return;
    const seen = (): void => setAcross(getComputedStyle(grid).gridTemplateColumns.split(" ").length);
    seen();
    const watch = new ResizeObserver(seen);
    watch.observe(grid);
    return () => watch.disconnect();
  }, []);
  const wanting = across > 0 ? (across - (of % across)) % across : 0;
  return (
    <>
      {Array.from({ length: wanting }, (_, i) => (
        <li key={i} aria-hidden="true" className={`self-start ${className}`} />
      ))}
      <li ref={mark} aria-hidden="true" className="hidden" />
    </>
  );
}
