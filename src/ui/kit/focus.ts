/**
 * Where the focus goes when the row that had it is taken out: to the same button of the row that stands in its place, or of the one before it;
 * where none is left, to the field that adds.
 * @param from the button that was pressed, in its row
 * @param alike a selector of the same button in other rows
 * @param else_ a selector of what is focused where no row is left
 */
export function focusBeside(from: HTMLElement, alike: string, else_: string): void {
  const row = from.closest("li");
  const list = row?.parentElement;
  if (!row || !list) return;
  const at = [...list.children].indexOf(row);
  // Once the row is gone.
  requestAnimationFrame(() =>
    requestAnimationFrame(() => {
      const rows = [...list.children];
      const beside = rows[Math.min(at, rows.length - 1)];
      const next = beside?.querySelector<HTMLElement>(alike) ?? document.querySelector<HTMLElement>(else_);
      next?.focus({ preventScroll: true });
    }),
  );
}
