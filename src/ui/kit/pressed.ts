/*
 * The control that was pressed last, however it was pressed. What a press writes is on its way for as long as the server takes; that the press was
 * seen is shown at once, on the control itself, by whatever sends it (`send`). No page keeps a second account of it.
 */
const CONTROL = "button, a, summary, label, [role=button], [role=slider]";
let last: Element | undefined;

/** What a key presses: the control it stands on, the form's own button, or the bar of a page for full hands. */
function pressedBy(e: KeyboardEvent): Element | undefined {
  const at = e.target instanceof Element ? e.target : undefined;
  const own = at?.closest(CONTROL);
  if (own) return own;
  if (e.key === "Enter") return at?.closest("form")?.querySelector("button:not([type=button])") ?? at;
  return e.key === " " ? (document.querySelector("[data-bar]") ?? undefined) : undefined;
}

if (typeof document !== "undefined") {
  const pointed = (e: Event): void => {
    const at = e.target instanceof Element ? (e.target.closest(CONTROL) ?? undefined) : undefined;
    if (at) last = at;
  };
  document.addEventListener("pointerdown", pointed, true);
  document.addEventListener(
    "keydown",
    (e) => {
      if (e.key === "Enter" || e.key === " ") last = pressedBy(e) ?? last;
    },
    true,
  );
}

/** Shows on the control pressed last that it was seen. @returns takes the mark away again */
export function acknowledged(): () => void {
  const control = last;
  if (!control?.isConnected) return () => undefined;
  control.setAttribute("data-on-its-way", "");
  return () => control.removeAttribute("data-on-its-way");
}
