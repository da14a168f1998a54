import Papa from "papaparse";
import { isDay } from "../core/day";
import { type Fault, type Result, fail, fault, ok } from "../core/fault";
import type { Catalogue } from "../core/material/catalogue";
import { CUTS, FORMS } from "../core/material/classes";
import type { UnitSystem } from "../core/quantity/units";
import { readAmount } from "../core/reading/amounts";
import { readLine } from "../core/reading/line";
import { contextIn } from "../core/reading/said";
import type { Lot } from "../core/stores/item";
import { COLUMNS } from "./tables";

/** A lot as a row of a table says it; the grams are reckoned where it is kept. */
export interface LotTyped {
  readonly what: "lot";
  readonly material: string;
  readonly amount: string;
  readonly got: string;
  readonly form?: Lot["form"];
  readonly cut?: Lot["cut"];
  readonly strength?: string;
  readonly price?: number;
  readonly from?: string;
}

/** What a row would become: a lot, or why it cannot be one. */
export interface StoreRow {
  readonly line: number;
  /** Its id where the table has one. */
  readonly id: string | undefined;
  readonly said: string;
  readonly becomes:
    | { readonly is: "lot"; readonly lot: LotTyped; readonly name: string }
    | { readonly is: "wrong"; readonly fault: Fault };
}

/** The most rows that are taken at once. */
export const MOST_ROWS = 2000;
const WANTED = "It wants a column “amount” and one of “name” or “material”.";

const wrongAt = (name: string, message: string): StoreRow["becomes"] => ({
  is: "wrong",
  fault: fault(name, message),
});

function lotOf(
  row: Readonly<Record<string, string>>,
  system: UnitSystem,
  catalogue: Catalogue,
  today: string,
): StoreRow["becomes"] {
  const cell = (c: string): string => (row[c] ?? "").trim().replace(/^'(?=[=+\-@])/, "");
  const [amount, named, form, cut] = [
    cell("amount"),
    cell("name") || cell("material"),
    cell("form"),
    cell("cut"),
  ];
  if (named === "") return wrongAt("NoName", "This row names nothing.");
  const known = catalogue.get(cell("material"));
  const typed = known && amount !== "" && readAmount(amount, system).ok ? known : undefined;
  const said = [`${amount} ${typed ? typed.row.names[0]! : named}`.trim(), form, cut]
    .filter((x) => x !== "")
    .join(", ");
  const read = readLine(said, contextIn(system, { catalogue, ...(typed ? { chosen: typed } : {}) }));
  if (read.is === "fault") return { is: "wrong", fault: read.fault };
  if (read.is === "unknown")
    return wrongAt(
      "UnknownName",
      `“${read.name}” is not known here. Write it down in the stores first, or change its name.`,
    );
  if (read.is !== "line")
    return wrongAt(
      "Unsure",
      read.is === "ask" ? read.question : "This row says several things. Give each a row.",
    );
  if (!read.line.amount || !["measure", "count"].includes(read.line.amount.amount.kind))
    return wrongAt("NoAmount", "Say how much there is, like “250 g” or “1 L”.");
  const got = cell("got") || today;
  if (!isDay(got)) return wrongAt("NotADay", `“${got}” is no day. Write it like ${today}.`);
  const paid = cell("price").replace(",", ".");
  const price = paid === "" ? undefined : Number(paid);
  if (price !== undefined && !(price >= 0))
    return wrongAt("NotAPrice", `“${paid}” is no price. Write the figure alone, like 4.50.`);
  const l = read.line;
  const oneOf = <T extends string>(all: readonly T[], x: string | undefined): T | undefined =>
    all.find((is) => is === x);
  const [f, c] = [oneOf(FORMS, l.form), oneOf(CUTS, l.cut)];
  const strength = cell("strength") || l.strength;
  return {
    is: "lot",
    name: l.material.row.names[0]!,
    lot: {
      what: "lot",
      material: l.material.row.id,
      amount: l.amount!.text,
      got,
      ...(f ? { form: f } : {}),
      ...(c ? { cut: c } : {}),
      ...(strength ? { strength } : {}),
      ...(price === undefined ? {} : { price }),
      ...(cell("from") ? { from: cell("from") } : {}),
    },
  };
}

/** Reads a table of stores: our own, or any with an amount and a name. Faults: `NotATable`, `WrongTable`, `TooLong`. */
export function readStoreTable(
  text: string,
  system: UnitSystem,
  catalogue: Catalogue,
  today: string,
): Result<readonly StoreRow[]> {
  const parsed = Papa.parse<Record<string, string>>(text.replace(/^\ufeff/, ""), {
    header: true,
    skipEmptyLines: "greedy",
    transformHeader: (h) => h.trim().toLowerCase(),
  });
  const fields = parsed.meta.fields ?? [];
  const bad = parsed.errors.find((e) => e.type === "Quotes");
  if (bad)
    return fail(
      fault(
        "NotATable",
        `Line ${(bad.row ?? 0) + 2}: ${bad.message}. A cell that begins with a quote must end with one.`,
      ),
    );
  if (!fields.includes("amount") || !(fields.includes("name") || fields.includes("material"))) {
    const other = Object.entries(COLUMNS).find(
      ([t, c]) => t !== "stores" && c.every((x) => fields.includes(x)),
    )?.[0];
    return fail(
      fault(
        "WrongTable",
        other
          ? `That is a table of ${other}, which is made from the journal and does not go in again. ${WANTED}`
          : WANTED,
      ),
    );
  }
  if (parsed.data.length > MOST_ROWS)
    return fail(fault("TooLong", `That is over ${MOST_ROWS} rows. Bring them in a part at a time.`));
  return ok(
    parsed.data.map((row, i) => ({
      line: i + 2,
      id: row["id"]?.trim() || undefined,
      said: [row["amount"], row["name"] ?? row["material"], row["form"]].filter(Boolean).join(" "),
      becomes: lotOf(row, system, catalogue, today),
    })),
  );
}
