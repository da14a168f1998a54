import { Parser } from "htmlparser2";

/** What a page says: its text a line a block, and the JSON it holds for machines. Nothing of it is run. */
export interface WebPage {
  readonly text: string;
  readonly ld: readonly unknown[];
}

const BLOCKS: ReadonlySet<string> = new Set([
  "p", "div", "li", "ul", "ol", "h1", "h2", "h3", "h4", "h5", "h6", "tr", "table", "br", "section", "article", "header", "footer", "main", "dt", "dd", "blockquote", "pre", "hr", "figure", "form", "label",
]); // prettier-ignore
const SILENT: ReadonlySet<string> = new Set([
  "script",
  "style",
  "noscript",
  "template",
  "svg",
  "iframe",
  "object",
  "head",
  "nav",
  "button",
  "select",
]);
/** The most letters of text that are kept of a page. */
const MOST = 400_000;

export const looksLikeHtml = (text: string): boolean =>
  /<(?:!doctype|html|body|div|p|li|h[1-6]|script)\b/i.test(text.slice(0, 4000));

/** Takes a page apart. */
export function readWebPage(html: string): WebPage {
  const ld: unknown[] = [];
  let text = "";
  let machine: string | undefined;
  const silent: string[] = [];
  const parser = new Parser({
    onopentag(name, attributes) {
      if (name === "script" && /ld\+json/i.test(attributes["type"] ?? "")) machine = "";
      if (SILENT.has(name)) silent.push(name);
      if (BLOCKS.has(name)) text += "\n";
      if (name === "li") text += "- ";
    },
    ontext(said) {
      if (machine !== undefined) machine += said;
      else if (silent.length === 0 && text.length < MOST) text += said.replace(/\s+/g, " ");
    },
    onclosetag(name) {
      if (name === "script" && machine !== undefined) {
        try {
          ld.push(JSON.parse(machine));
        } catch {
          // Machine talk that is none is passed over; the page’s words are read all the same.
        }
        machine = undefined;
      }
      if (silent.at(-1) === name) silent.pop();
      if (BLOCKS.has(name)) text += "\n";
    },
  });
  parser.write(html);
  parser.end();
  const lines = text.split("\n").map((l) => l.trim());
  return { text: lines.filter((l) => l !== "" && l !== "-").join("\n"), ld };
}
