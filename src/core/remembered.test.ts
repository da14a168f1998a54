import { remembered } from "./remembered";

/** Something worked out of a text, and how often it was. */
function counting(most?: number, longest?: number): { of: (text: string) => string; times: () => number } {
  let n = 0;
  const of = remembered(
    (text) => {
      n++;
      return text.toUpperCase();
    },
    most,
    longest,
  );
  return { of, times: () => n };
}

describe("what is worked out of a text", () => {
  test("is worked out once, each text for itself", () => {
    const { of, times } = counting();
    expect(["thyme", "sage", "thyme"].map(of)).toEqual(["THYME", "SAGE", "THYME"]);
    expect(times()).toBe(2);
  });
  test("is the same object each time, so that what rests on it may compare", () => {
    const words = remembered((text) => text.split(" "));
    expect(words("wild thyme")).toBe(words("wild thyme"));
  });
  test("no name of an object's own is taken for a text that was asked", () => {
    const { of } = counting();
    expect(["constructor", "__proto__"].map(of)).toEqual(["CONSTRUCTOR", "__PROTO__"]);
  });
  test("begins anew past its number of texts, so that it never grows without end", () => {
    const { of, times } = counting(2);
    ["a", "b", "c", "a"].forEach(of);
    expect(times()).toBe(4);
    of("a");
    expect(times()).toBe(4);
  });
  test("holds no long text", () => {
    const { of, times } = counting(10, 3);
    ["long", "long"].forEach(of);
    expect(times()).toBe(2);
  });
});
