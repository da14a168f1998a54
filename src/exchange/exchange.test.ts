import { describe, expect, test } from "@jest/globals";
import jsonld from "jsonld";
import jsQR from "jsqr";
import { create as codeOf } from "qrcode";
import { DEMO_PLANS, PLANS_OF_WAYS } from "../../tests/demo-plans";
import { fromRecipeLd, toRecipeLd } from "../core/exchange/recipe-ld";
import { readPasted } from "../core/exchange/pasted/pasted";
import { measuresIn } from "../core/exchange/pasted/stated";
import { reckonProgram } from "../core/reckoning/reckon";
import { resolve } from "../core/reckoning/resolve";
import type { Plan } from "../core/plan/plan";
import { planDigits, planOfCode, planOfDigits } from "./plan-code";
import { takenIn } from "./taken-in";
import { readWebPage } from "./web-page";

const ALL = [...DEMO_PLANS, ...PLANS_OF_WAYS];
const figures = (p: Plan): readonly number[] => {
  const r = resolve(p);
  if (!r.ok) throw new Error(r.faults[0]!.message);
  const { finished, verdict } = reckonProgram(r.value);
  return [finished.ml.value, finished.brix.value, finished.acid.value, verdict.life.days].map((x) =>
    Number(x.toPrecision(6)),
  );
};

/** A code as a camera has it: four pixels a module, a white edge. */
function photographed(digits: string): { data: Uint8ClampedArray; size: number } {
  const { modules } = codeOf([{ data: digits, mode: "numeric" }], { errorCorrectionLevel: "L" });
  const size = (modules.size + 8) * 4;
  const data = new Uint8ClampedArray(size * size * 4).fill(255);
  for (let y = 0; y < modules.size * 4; y++)
    for (let x = 0; x < modules.size * 4; x++)
      if (modules.get(y >> 2, x >> 2))
        data.fill(0, ((y + 16) * size + x + 16) * 4, ((y + 16) * size + x + 16) * 4 + 3);
  return { data, size };
}

describe("a plan in a card’s code", () => {
  test.each(ALL.map((p) => [`${p.name}, ${p.way}`, p] as const))(
    "%s comes back to the letter, through a picture of it",
    (_, plan) => {
      const digits = planDigits(plan);
      const { data, size } = photographed(digits);
      const seen = jsQR(data, size, size)?.data;
      expect(seen).toBe(digits);
      const back = planOfDigits(seen!);
      expect(back.ok && JSON.stringify(back.value)).toBe(JSON.stringify(plan));
    },
  );
  test("a code is small enough for a card: under a thousand digits for every plan of the demo", () => {
    expect(DEMO_PLANS.length).toBeGreaterThan(8);
    expect(Math.max(...DEMO_PLANS.map((p) => planDigits(p).length))).toBeLessThan(1000);
  });
  test("at the end of a link it is the same plan", () => {
    const digits = planDigits(ALL[0]!);
    expect(planOfCode(`https://kitchen.example/bench?plan=${digits}`)).toEqual(planOfDigits(digits));
  });
  const good = planDigits(ALL[0]!);
  test.each([
    ["cut short", good.slice(0, -20), "CutShort"],
    ["a digit wrong", `${good.slice(0, 30)}${(Number(good[30]) + 1) % 10}${good.slice(31)}`, "CutShort"],
    ["something else", "WIFI:S:kitchen;;", "NotACode"],
    ["a newer build’s", "99" + good.slice(2), "CutShort"],
    ["empty", "", "NotACode"],
  ])("%s is named, and nothing is read", (_, digits, name) => {
    const read = planOfDigits(digits);
    expect(read.ok ? "read" : read.faults[0]!.name).toBe(name);
  });
});

describe("JSON-LD", () => {
  test.each(ALL.map((p) => [`${p.name}, ${p.way}`, p] as const))(
    "%s: whole with our property, to the figures without it",
    (_, plan) => {
      const ld = JSON.parse(JSON.stringify(toRecipeLd(plan, { yields: "about 500 mL" }))) as Record<
        string,
        unknown
      >;
      expect(fromRecipeLd(ld)).toEqual({ ok: true, value: { plan } });
      const { additionalProperty: props, ...bare } = ld;
      const plain = { ...bare, additionalProperty: (props as unknown[]).slice(0, 1) };
      const read = fromRecipeLd(plain);
      const text = read.ok && "text" in read.value ? read.value.text : "";
      const again = readPasted(text, { system: measuresIn(text)! });
      expect(again.counts.asked).toBe(0);
      expect(figures(again.plan!)).toEqual(figures(plan));
    },
  );
  test("an independent reader finds a Recipe with its lines, steps and times", async () => {
    const ld = toRecipeLd(DEMO_PLANS[0]!, { yields: "about 500 mL" });
    const documentLoader = async (url: string) => ({
      contextUrl: undefined,
      documentUrl: url,
      document: { "@context": { "@vocab": "https://schema.org/" } },
    });
    const [node] = (await jsonld.expand(ld as jsonld.JsonLdDocument, {
      documentLoader: documentLoader as never,
    })) as Record<string, unknown[]>[];
    expect(node!["@type"]).toEqual(["https://schema.org/Recipe"]);
    expect(node!["https://schema.org/recipeIngredient"]).toHaveLength(
      (ld["recipeIngredient"] as string[]).length,
    );
    expect(node!["https://schema.org/recipeInstructions"]).toHaveLength(
      (ld["recipeInstructions"] as unknown[]).length,
    );
    expect((node!["https://schema.org/totalTime"] as { "@value": string }[])[0]!["@value"]).toMatch(
      /^P(?:\d+D)?(?:T(?:\d+H)?(?:\d+M)?)?$/,
    );
  });
  test("of something else, and cut, are named", () => {
    expect(takenIn('{"@context":"https://schema.org","@type":"Person","name":"x"}')).toMatchObject({
      ok: false,
      faults: [{ name: "NoRecipe" }],
    });
    expect(
      takenIn('{"@context":"https://schema.org","@type":"Recipe","recipeIngredient":["1 cup'),
    ).toMatchObject({ ok: false, faults: [{ name: "NotJson" }] });
    expect(takenIn('{"@type":"Recipe","recipeIngredient":{"a":1}}')).toMatchObject({
      ok: false,
      faults: [{ name: "NotARecipe" }],
    });
    expect(takenIn('{"format":"jolly-crock/plan","version":99}')).toMatchObject({
      ok: false,
      faults: [{ name: "NewerPlan" }],
    });
    expect(takenIn('{"format":"jolly-crock/journal","version":4}')).toMatchObject({
      ok: false,
      faults: [{ name: "NotAPlan" }],
    });
  });
});

describe("a page", () => {
  const PAGE = `<!doctype html><html><head><title>t</title><script>window.ran = true</script><style>p{}</style></head><body><nav><ul><li>Home</li></ul></nav>
    <h1>Thyme honey</h1><ul><li>1 cup <b>dried</b> thyme</li><li>2 cups honey</li></ul><p onclick="steal()">Steep 3&nbsp;weeks &amp; strain.</p><img src=x onerror=alert(1)></body></html>`;
  test("is read by its words alone; nothing of it is run", () => {
    const page = readWebPage(PAGE);
    expect(page.text).toBe("Thyme honey\n- 1 cup dried thyme\n- 2 cups honey\nSteep 3 weeks & strain.");
    const taken = takenIn(PAGE);
    const text = taken.ok && "text" in taken.value ? taken.value.text : "";
    const read = readPasted(text, { system: "us" });
    expect(read.kind).toBe("honey");
    expect(read.counts).toEqual({ read: 5, asked: 0, notes: 0 });
    expect((globalThis as { ran?: boolean }).ran).toBeUndefined();
  });
  test("that holds JSON-LD is read by that; machine talk that is none is passed over", () => {
    const ld = JSON.stringify({
      "@context": "https://schema.org",
      "@graph": [
        {
          "@type": ["Recipe"],
          name: "Sage oxymel",
          recipeIngredient: ["1 cup honey", "1 cup cider vinegar", "½ cup dried sage"],
          recipeInstructions: [
            {
              "@type": "HowToSection",
              itemListElement: [
                { "@type": "HowToStep", text: "Combine all." },
                { "@type": "HowToStep", text: "Steep 4 weeks and strain." },
              ],
            },
          ],
        },
      ],
    });
    const taken = takenIn(
      `<html><script type="application/ld+json">{broken</script><script type="application/ld+json">${ld}</script><p>ten other things</p></html>`,
    );
    const text = taken.ok && "text" in taken.value ? taken.value.text : "";
    const read = readPasted(text, { system: "us" });
    expect(read).toMatchObject({ name: "Sage oxymel", kind: "oxymel" });
    expect(read.plan!.steps.map((s) => s.do)).toEqual(["add", "steep", "strain", "bottle"]);
  });
});

test("a text of twenty thousand lines is refused in words; one within bounds is read", () => {
  expect(takenIn("1 cup honey\n".repeat(20_000))).toMatchObject({ ok: false, faults: [{ name: "TooLong" }] });
  expect(takenIn("\ufeffSage honey\r\n1 cup honey")).toEqual({
    ok: true,
    value: { text: "Sage honey\n1 cup honey" },
  });
});
test("a plan of ours comes in to the letter", () => {
  for (const plan of ALL)
    expect(takenIn(JSON.stringify(plan, undefined, 2))).toEqual({ ok: true, value: { plan } });
  expect(ALL.length).toBeGreaterThan(25);
});
