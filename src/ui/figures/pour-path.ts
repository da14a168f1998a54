interface At {
  readonly x: number;
  readonly up: number;
}

/** The outline of something that is poured out along a base line; between two heights where a lower one is given. Pixels. */
export function pourPath(base: number, top: readonly At[], low?: readonly At[]): string {
  if (top.length === 0) return "";
  const to = (p: At): string => `${p.x.toFixed(1)} ${(base - p.up).toFixed(1)}`;
  const under = low ?? [
    { x: top[0]!.x, up: 0 },
    { x: top.at(-1)!.x, up: 0 },
  ];
  return `M${top.map(to).join("L")}L${[...under].reverse().map(to).join("L")}Z`;
}
