/*
 * What a device keeps of the house, so that it can be opened without a signal: pages that show what is worked at, the code they run on, fonts and
 * small pictures. What answers or writes is never kept.
 */
const ID = "[0-9a-f-]{36}";
const PAGES = new RegExp(`^/(?:|cellar|stores|batch/${ID}(?:/(?:make|strain|finish|bottle))?)?$`);

/** Whether a page is kept for when the signal is away. */
export const isKeptPage = (path: string): boolean => PAGES.test(path);

/** Bottles that a page of the Cellar leads to, each in the hand: pages of their own. @param most no more than so many */
export function bottlesOf(html: string, most: number): readonly string[] {
  const named = html.matchAll(new RegExp(`/cellar\\?bottle=${ID}`, "g"));
  return [...new Set([...named].map((m) => m[0]))].slice(0, most);
}

/** Everything of the app's own code a page names, in its head or in what it hands to the browser: each once. */
export function codeOf(html: string): readonly string[] {
  const named = html.matchAll(/\/?(_next\/static\/[\w./~()[\]@%-]+\.(?:js|css|woff2))/g);
  return [...new Set([...named].map((m) => `/${m[1]}`))];
}

/** The fonts a style sheet names, which stand beside it or at the root. */
export function fontsOf(css: string, at: string): readonly string[] {
  const named = css.matchAll(/url\(["']?([^"')]+\.woff2)["']?\)/g);
  return [...new Set([...named].map((m) => new URL(m[1]!, `http://here${at}`).pathname))];
}

/** What a page says to the shell. */
export type ToShell =
  /** Pages that may be wanted when the signal is away. */
  | { readonly say: "keep"; readonly paths: readonly string[] }
  /** Nothing here would be disturbed by a newer shell. */
  | { readonly say: "renew" };

/** A kept page says in its timing when it was fetched, ms. */
export const KEPT_TIMING = "kept";

/** The journals of the jars on the Shelf, entry by entry. */
export const JOURNALS = "/api/journals";
