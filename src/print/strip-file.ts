import type { LabelLayout } from "@/core/label/layout-item";
import { type StripWords, stripLayout } from "@/core/label/strip";
import { measure } from "./fonts";
import { codeSide, layoutPdf, withCodes } from "./label-files";

/** A strip set with the fonts it is printed in, its code with it. */
export const stripSet = (w: StripWords): LabelLayout => withCodes(stripLayout(w, measure, codeSide));

/** The strip as a PDF of its own size, to be printed at 100 % and cut out. */
export const stripPdf = (w: StripWords): Promise<Buffer> => layoutPdf(stripSet(w));
