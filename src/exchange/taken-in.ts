import { type Result, fail, fault, ok } from "../core/fault";
import { readPlan } from "../core/plan/file";
import { PLAN_FORMAT, type Plan } from "../core/plan/plan";
import { fromRecipeLd } from "../core/exchange/recipe-ld";
import { planOfCode } from "./plan-code";
import { looksLikeHtml, readWebPage } from "./web-page";

/** What a dropped file or a pasted text came to: a plan, whole, or words to be read. */
export type TakenIn = { readonly plan: Plan } | { readonly text: string };

/** The largest file that is taken, bytes; the most lines of text. */
export const MOST_BYTES = 20 * 1024 * 1024;
export const MOST_LINES = 5000;

const bounded = (text: string): Result<TakenIn> => {
  const lines = text.split("\n", MOST_LINES + 1).length;
  return lines > MOST_LINES
    ? fail(
        fault(
          "TooLong",
          `That is over ${MOST_LINES.toLocaleString("en-GB")} lines, which is no recipe. Paste one recipe at a time.`,
        ),
      )
    : ok({ text });
};

function fromJson(text: string): Result<TakenIn> | undefined {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (e) {
    const line = /line (\d+)/.exec(String((e as Error).message))?.[1];
    return fail(
      fault(
        "NotJson",
        `That begins like JSON and is none${line ? `: look at line ${line}` : ""}. It may be cut short.`,
      ),
    );
  }
  const format = (json as { format?: unknown } | null)?.format;
  if (format === PLAN_FORMAT) {
    const plan = readPlan(json);
    return plan.ok ? ok({ plan: plan.value }) : plan;
  }
  if (typeof format === "string" && format.startsWith("jolly-crock/"))
    return fail(
      fault(
        "NotAPlan",
        `That is a ${format.slice(12)}, not a recipe. A backup goes in with “./jolly restore”.`,
      ),
    );
  return fromRecipeLd(json);
}

/** Takes in what was pasted or dropped, whatever it is: a plan, JSON-LD, a page, a card’s digits, Markdown or plain words. */
export function takenIn(given: string): Result<TakenIn> {
  const text = given.replace(/^\ufeff/, "").replace(/\r\n?/g, "\n");
  const start = text.trimStart();
  if (start.startsWith("{") || (start.startsWith("[") && /^\[\s*[{\]]/.test(start)))
    return fromJson(start) ?? bounded(text);
  if (/^\d{12,}$/.test(start.trim()) || /^https?:\S+[?&]plan=\d+$/.test(start.trim())) {
    const plan = planOfCode(start);
    return plan.ok ? ok({ plan: plan.value }) : plan;
  }
  if (looksLikeHtml(start)) {
    const page = readWebPage(start);
    for (const ld of page.ld) {
      const read = fromRecipeLd(ld);
      if (read.ok) return read;
    }
    return bounded(page.text);
  }
  return bounded(text);
}
