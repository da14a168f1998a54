import { describe, expect, test } from "@jest/globals";
import { changed } from "./merge";

const away = (from: string) => ({ from, to: from, why: "" });

describe("what two windows say of the house", () => {
  test("each that adds to a list loses nothing of the other, and what was taken away stays away", () => {
    const [a, b, c, d] = ["2026-01-01", "2026-02-01", "2026-03-01", "2026-04-01"].map(away);
    const was = { away: [a, b] };
    const first = changed({ ...was, name: "Lock" }, { away: [a, b, c] }, was);
    const second = changed(first, { away: [b, d] }, was);
    expect(second).toEqual({ name: "Lock", away: [b, c, d] });
    // Said again it is the same.
    expect(changed(second, { away: [b, d] }, was)).toEqual(second);
  });
  test("of anything else the last word counts, and what is not said stays", () => {
    const now = { name: "Lock", currency: "£", knows: ["x"] };
    expect(changed(now, { currency: "kr" }, {})).toEqual({ name: "Lock", currency: "kr", knows: ["x"] });
    // Who saw nothing of a list says it whole.
    expect(changed(now, { knows: [] }, {})).toEqual({ ...now, knows: [] });
    expect(changed(now, { knows: [] }, { knows: ["x"] })).toEqual({ ...now, knows: [] });
    expect(changed(now, { knows: ["x", "y"] }, { knows: [] })).toEqual({ ...now, knows: ["x", "y"] });
  });
});
