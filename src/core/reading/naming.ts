import { type Material, formsOf } from "../material/material";
import { counted } from "../quantity/amount";
import { nearNames } from "./names";
import { type Reading, type ReadingContext, type SaidLine, sayLine, sayAmount } from "./said";
import type { Scan } from "./scanned";

/** What is pressed or grated off a fruit, as a material of its own. */
export const productOf = (m: Material, made: "juice" | "peel", ctx: ReadingContext): Material | undefined =>
  ctx.catalogue.get(`${m.row.id}-${made}`) ?? ctx.catalogue.get(`${m.row.id.replace("-orange", "")}-${made}`);

/** Pieces of the fruit as pieces of its juice or zest. */
export function asProduct(of: SaidLine, product: Material, ctx: ReadingContext): SaidLine {
  const a = of.amount?.amount;
  const count = a?.kind === "count" ? counted("fruit", a.count) : a;
  const { form: _f, cut: _c, took: _t, amount: _a, ...rest } = of;
  return {
    ...rest,
    material: product,
    took: [],
    ...(count ? { amount: { amount: count, text: sayAmount(count, ctx.system) } } : {}),
    ...(product.kind === "plant" ? { form: "fresh" as const } : {}),
  };
}

/** A name nobody here knows, with near ones offered to choose from and none taken. */
export function unknownName(
  name: string,
  ctx: ReadingContext,
  scan: Scan | undefined,
  first?: Material,
): Reading {
  const q = scan?.amounts[0]?.q;
  const amount = q?.is === "amount" ? { amount: q.amount, text: sayAmount(q.amount, ctx.system) } : undefined;
  const form = scan?.forms[0];
  const near = [
    ...(first ? [first] : []),
    ...nearNames(name, ctx.catalogue).filter((m) => m !== first),
  ].slice(0, 5);
  return {
    is: "unknown",
    name,
    near: near.map((material) => {
      const own = form && formsOf(material).includes(form) ? form : undefined;
      return { material, text: sayLine({ amount: amount?.text, material, form: own }) };
    }),
    ...(amount ? { amount } : {}),
    ...(form ? { form } : {}),
  };
}
