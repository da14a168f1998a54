import { deflateSync, inflateSync, strFromU8, strToU8 } from "fflate";
import { type Result, fail, fault } from "../core/fault";
import { readPlan } from "../core/plan/file";
import { type Plan, PLAN_FORMAT, handedOn } from "../core/plan/plan";

/*
 * A plan as decimal digits, for a QR code in its numeric mode and for a link. The plan's JSON is packed against a text both sides hold, its bytes
 * taken as one large number behind a 1, and that number written in tens; then two digits that say which text it was, and three that check it.
 */

/** What every plan says somewhere; never changed, since every card printed holds to it. Another text takes another number. */
const HELD_1 = strToU8(
  [
    `"optional":true,"gathered":true,"weighted":true,"taken":"1 tbsp ,"meantFor":["","part":"","ware":"stainless","lid":"plastic","shake":"when-remembered","shake":"twice-daily","shake":"every-few-days","shake":"daily"`,
    `,"cut":"crushed","cut":"sliced","cut":"grated","cut":"chopped","cut":"whole","form":"powdered","form":"frozen","form":"wilted","note":"","took":["strength","kind","amount","unit","form"]`,
    `{"id":"pressure","do":"pressure","for":" min"},{"do":"reduce","to":"1/2"},{"do":"cool","to":"43 °C"},{"do":"simmer","for":"20 min","lid":"on"},"in":"sunny-sill"},"in":"counter"},"in":"fridge"},`,
    `"do":"strain","how":"drained"},"how":"pressed"},"material":"spirit-50","material":"vodka-40","material":"sugar","amount":"1 of liquid","material":"water","amount":"500 g","amount":"500 mL"`,
    `"kind":"fire-cider","kind":"tincture","kind":"vinegar","kind":"syrup","kind":"honey","way":"","vessel":"m-1000","vessel":"us-quart","units":"metric","units":"us","kind":"oxymel","name":"`,
    `"steps":[{"id":"1","do":"add","what":[{"id":"2","material":"hyssop","form":"dried","amount":"1½ cups"},{"id":"3","material":"fresh","form":"fresh","amount":"2 tbsp"},`,
    `{"id":"4","material":"cider-vinegar","amount":"1 part","strength":"5 %"},{"id":"5","material":"honey","amount":"fill"}]},`,
    `{"id":"6","do":"steep","for":"4 weeks","in":"dark-cupboard"},{"id":"7","do":"strain","how":"wrung"},{"id":"8","do":"bottle"}],"ids":8`,
  ].join(""),
);
const HELD = "01";
/** The most digits that are taken apart: what the largest code holds. */
const MOST = 7089;
/** A plan unpacked is no longer than this, bytes. */
const MOST_BYTES = 200_000;

function checkOf(digits: string): string {
  let sum = 0;
  for (const c of digits) sum = (sum * 31 + Number(c) + 7) % 997;
  return String(sum).padStart(3, "0");
}

/** What is said again wherever a plan is read is left out. */
function bare(plan: Plan): unknown {
  const { format: _, version, ...rest } = handedOn(plan);
  return { v: version, ...rest };
}

/** A plan as digits. */
export function planDigits(plan: Plan): string {
  const packed = deflateSync(strToU8(JSON.stringify(bare(plan))), { level: 9, dictionary: HELD_1 });
  const hex = [...packed].map((b) => b.toString(16).padStart(2, "0")).join("");
  const digits = HELD + BigInt(`0x1${hex}`).toString(10);
  return digits + checkOf(digits);
}

const wrong = (name: string, message: string) => fail(fault(name, message, ["code"]));

/**
 * Reads digits back into the plan. Faults: `NotACode` where it is something else, `CutShort` where some are missing or wrong, and those of a plan.
 */
export function planOfDigits(text: string): Result<Plan> {
  const digits = text.trim();
  if (!/^\d{12,}$/.test(digits) || digits.length > MOST)
    return wrong("NotACode", "That code holds no recipe of ours. A card’s code is digits alone.");
  if (checkOf(digits.slice(0, -3)) !== digits.slice(-3))
    return wrong(
      "CutShort",
      "The code is cut short or has a wrong digit in it. Scan it again, whole and in even light.",
    );
  if (!digits.startsWith(HELD))
    return wrong("NewerCode", "That code is of a newer build. Take a newer build to read it.");
  try {
    const hex = BigInt(digits.slice(2, -3)).toString(16).slice(1);
    const bytes = Uint8Array.from(hex.match(/../g) ?? [], (h) => parseInt(h, 16));
    const out = inflateSync(bytes, { dictionary: HELD_1, out: new Uint8Array(MOST_BYTES) });
    const { v: version, ...rest } = JSON.parse(strFromU8(out)) as { v: unknown };
    return readPlan({ format: PLAN_FORMAT, version, ...rest });
  } catch {
    return wrong("CutShort", "The code does not unpack. Scan it again, whole and in even light.");
  }
}

/** A plan from what a code or a link held: its digits alone, or at the end of a link. */
export function planOfCode(text: string): Result<Plan> {
  const said = /[?&]plan=(\d+)/.exec(text)?.[1] ?? text;
  return planOfDigits(said);
}
