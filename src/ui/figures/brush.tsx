/** A brush stroke across a measured mark, from left to right: thick where it was set down, frayed where it lifts. Pixels. */
export function Brush({ x, y, width, ink }: { x: number; y: number; width: number; ink: string }) {
  const r = x + width;
  return (
    <g aria-hidden="true" fill={ink}>
      <path
        d={`M${x} ${y - 3}Q${x + 4} ${y - 5} ${x + 12} ${y - 4}L${r - 22} ${y - 4}L${r} ${y - 6}L${r - 14} ${y - 2.5}L${r + 2} ${y - 0.5}L${r - 12} ${y + 0.8}L${r - 2} ${y + 4}L${r - 24} ${y + 3.5}L${x + 8} ${y + 4}Q${x} ${y + 4} ${x} ${y - 3}Z`}
      />
    </g>
  );
}
