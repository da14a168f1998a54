import { type Result, fail, fault } from "@/core/fault";
import { codeOn } from "../kit/scan";
import type { TakenIn } from "@/exchange/taken-in";

/** A file is read no larger than this, bytes. */
const MOST = 20 * 1024 * 1024;

/** Takes in a file or a pasted text, whatever it is; what it cannot be is said. */
export async function readFile(given: File | string): Promise<Result<TakenIn>> {
  const { takenIn } = await import("@/exchange/taken-in");
  if (typeof given === "string") return takenIn(given);
  if (given.size > MOST)
    return fail(fault("TooLarge", `${given.name} is over 20 MB, which is no recipe. Choose another file.`));
  if (given.type.startsWith("image/")) {
    const code = await codeOn(given).catch(() => undefined);
    if (code === undefined)
      return fail(
        fault(
          "NoCode",
          `There is no code to be made out on ${given.name}. Take it again: the whole code, flat and in even light.`,
        ),
      );
    return takenIn(code);
  }
  const bytes = new Uint8Array(await given.arrayBuffer());
  try {
    return takenIn(new TextDecoder("utf-8", { fatal: true }).decode(bytes));
  } catch {
    return fail(
      fault("NotText", `${given.name} is not text in UTF-8. Save it as UTF-8, or paste its words.`),
    );
  }
}
