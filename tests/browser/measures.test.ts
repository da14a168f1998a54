import { carries } from "../../src/core/quantity/carried";
import { afterAll, beforeAll, describe, expect, test } from "@jest/globals";
import { randomUUID } from "node:crypto";
import type { Browser, Page } from "puppeteer-core";
import { withAdded } from "../../src/core/plan/edit";
import { withIds } from "../../src/core/plan/ids";
import { wayById } from "../../src/core/plan/kinds";
import { PLAIN_BENCH, emptyPlan, madeBy } from "../../src/core/plan/ways";
import type { Plan } from "../../src/core/plan/plan";
import type { UnitSystem } from "../../src/core/quantity/units";
import { usualScales } from "../../src/core/stores/settings";
import { writeBottle } from "../../src/store/bottles";
import { begin } from "../../src/store/commands";
import { write } from "../../src/store/entries";
import { batchOf } from "../../src/store/journal";
import { settleAnew } from "../../src/store/settings";
import { keep } from "../../src/store/stores";
import {
  type App,
  type Household,
  clickOn,
  goTo,
  newHousehold,
  newPage,
  openBrowser,
  serve,
} from "../support";

/*
 * A household reads its own measures and no other's, on every page and behind every summary: what is typed in cups is told in cups. The pages are
 * gone through as they stand; what they say, what they call their fields, and what stands in an empty one.
 */
const NOW = "2026-11-24T09:00:00Z";
process.env["JOLLY_NOW_FROZEN"] = NOW;

/** What a household would never say itself, behind a figure. */
const FOREIGN: Readonly<Record<UnitSystem, RegExp>> = {
  us: /[\d¼½¾⅓⅔⅛]\s*(?:mL|ml|cL|L|litres?|°C|cm|mm|kg)(?![\p{L}\d])/u,
  // Pints and spoons in the kitchen, millilitres on the jug, grams, °C and centimetres.
  imperial: /[\d¼½¾⅓⅔⅛]\s*(?:°F|quarts?|gallons?|in|inches)(?![\p{L}\d])/u,
  metric: /[\d¼½¾⅓⅔⅛]\s*(?:fl oz|oz|lb|°F|quarts?|pints?|gallons?|in|inches)(?![\p{L}\d])/u,
};

interface Said {
  readonly vessel: string;
  readonly bottle: string;
  readonly name: string;
  readonly herb: string;
  readonly vinegar: string;
  readonly honey: string;
  readonly measured: string;
  readonly ml: number;
  readonly lot: string;
  readonly spoon: string;
}
const SAID: Readonly<Record<UnitSystem, Said>> = {
  us: {
    ...{ vessel: "us-quart", bottle: "us-b-8", name: "8 fl oz bottle", herb: "1 cup", vinegar: "1¾ cups" },
    ...{ honey: "1¼ cups", measured: "1½ cups", ml: 236, lot: "8 oz", spoon: "1 tsp" },
  },
  imperial: {
    ...{ vessel: "m-1000", bottle: "b-250-swing", name: "250 mL", herb: "30 g", vinegar: "¾ pint" },
    ...{ honey: "½ pint", measured: "350 mL", ml: 250, lot: "200 g", spoon: "1 tsp" },
  },
  metric: {
    ...{ vessel: "m-1000", bottle: "b-250-swing", name: "250 mL", herb: "30 g", vinegar: "400 mL" },
    ...{ honey: "300 mL", measured: "350 mL", ml: 250, lot: "200 g", spoon: "5 mL" },
  },
};

interface Lived {
  readonly home: Household;
  readonly app: App;
  readonly pages: readonly string[];
  /** The Bench whose drawers are opened: that of the syrup. */
  readonly drawers: string;
}

const planOf = (units: UnitSystem, s: Said): Plan =>
  withIds({
    ...{
      format: "jolly-crock/plan",
      version: 2,
      units,
      name: "Thyme oxymel",
      kind: "oxymel",
      vessel: s.vessel,
    },
    steps: [
      {
        do: "add",
        what: [
          { material: "thyme", form: "dried", amount: s.herb },
          { material: "cider-vinegar", amount: s.vinegar },
        ],
      },
      { do: "steep", for: "4 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "add", what: [{ material: "honey", amount: s.honey }] },
      { do: "bottle" },
    ],
  } as never);

/** A household of these measures that has something of everything: a working jar, one strained, one bottled and poured from. */
async function lived(units: UnitSystem): Promise<Lived> {
  const home = await newHousehold();
  const s = SAID[units];
  await settleAnew(home.sql, { key: randomUUID(), settings: { units, ...usualScales(units) } });
  const kept = (item: object) =>
    keep(home.sql, { id: randomUUID(), key: randomUUID(), type: "kept", body: { item } });
  await kept({ what: "lot", material: "thyme", form: "dried", amount: s.lot, got: "2026-10-01" });
  await kept({ what: "empties", vessel: s.bottle, count: 9 });
  await kept({ what: "person", name: "the keeper", flags: [], allergies: [] });
  await kept({ what: "wanted", where: "buy", material: "honey", amount: s.honey, for: "Thyme oxymel" });
  await kept({
    ...{
      what: "lot",
      material: "sage",
      form: "fresh",
      amount: s.lot,
      got: "2026-11-01",
      drying: "2026-11-20",
    },
  });
  const batches: string[] = [];
  const say = async (id: string, type: string, body: unknown) => {
    const seen = (await batchOf(home.sql, id))!.seq;
    const w = await write(home.sql, id, { key: randomUUID(), type, seen, sure: true, body });
    if (!w.ok) throw new Error(`${type}: ${w.fault.message}`);
  };
  const bottle = randomUUID();
  for (const until of ["begun", "strained", "bottled"] as const) {
    const plan = planOf(units, s);
    const w = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan, reasons: {} }, plan);
    if (!w.ok) throw new Error(w.fault.message);
    const { id } = w.state;
    batches.push(id);
    if (until === "begun") continue;
    await say(id, "strained", { measured: s.measured, how: "wrung" });
    if (until === "strained") continue;
    const bottles = [bottle, randomUUID()].map((x) => ({
      ...{ id: x, vessel: s.bottle, name: s.name, ml: s.ml, place: "fridge" },
    }));
    await say(id, "bottled", { bottles, own: null });
    const pour = { key: randomUUID(), type: "poured", seen: 0, body: { ml: 5, said: s.spoon } };
    const poured = await writeBottle(home.sql, bottle, pour);
    if (!poured.ok) throw new Error(poured.fault.message);
  }
  const takers = [{ who: "the keeper", ml: 5, said: s.spoon }];
  const course = { remedy: "Thyme oxymel", kind: "oxymel", takers, times: 2, from: "2026-11-20", rest: 0 };
  const laid = await kept({ what: "course", ...course });
  if (!laid.ok) throw new Error(laid.fault.message);
  // A syrup as its way lays it out, in a pot of the household's: what the app proposes of itself is read too.
  const bench = { ...PLAIN_BENCH, pot: units === "us" ? "us-p-3" : "p-3000" };
  const herb = { material: "elderberry", form: "dried" as const, amount: s.herb };
  const empty = withAdded(emptyPlan("syrup", units, bench), herb);
  const syrup = {
    ...madeBy(wayById("syrup-half")!, empty, bench),
    name: "Elder syrup",
    saidToKeep: "a year",
  };
  const pot = await begin(home.sql, { id: randomUUID(), key: randomUUID(), plan: syrup, reasons: {} }, syrup);
  if (!pot.ok) throw new Error(pot.fault.message);
  const [jar, strained, done] = batches as [string, string, string];
  const pages = [
    ...[
      "/",
      "/batches",
      "/bench",
      "/cellar",
      "/season",
      `/cellar?bottle=${bottle}`,
      "/stores",
      "/household",
      "/formulary",
      "/standing",
      "/list",
    ],
    ...["", "/make", "/strain", "/recipe"].map((x) => `/batch/${jar}${x}`),
    ...["", "/finish", "/bottle", "/recipe"].map((x) => `/batch/${strained}${x}`),
    ...["", "/label", "/recipe", "?right=2"].map((x) => `/batch/${done}${x}`),
    ...["", "/make", "/strain", "/recipe"].map((x) => `/batch/${pot.state.id}${x}`),
    ...[`/bench?again=${pot.state.id}`, `/compare?b=${jar}&b=${done}`, "/ready", `/bench?again=${done}`],
  ];
  return { home, app: await serve(home.url, NOW), pages, drawers: `/bench?again=${pot.state.id}` };
}

/** What a page says, with what its fields are called and what stands in them. */
const told = (page: Page): Promise<string[]> =>
  page.evaluate(() => {
    const lines: string[] = [];
    const root = document.querySelector("main") ?? document.body;
    for (const e of root.querySelectorAll<HTMLElement>("*")) {
      for (const a of ["aria-label", "placeholder", "title", "alt", "aria-valuetext"]) {
        const v = e.getAttribute(a);
        if (v) lines.push(`[${a}] ${v}`);
      }
      if (e instanceof HTMLInputElement && e.type !== "hidden") lines.push(`[value] ${e.value}`);
      if (e instanceof HTMLOptionElement) lines.push(`[option] ${e.text}`);
    }
    return [...lines, ...(root as HTMLElement).innerText.split("\n")];
  });

/** Opens what is folded, so that what is behind it is read too. */
async function unfolded(page: Page): Promise<void> {
  for (const s of await page.$$("main details:not([open]) > summary"))
    if (await s.isVisible()) await s.click().catch(() => undefined);
}

/** What each drawer of the Bench says; one is open at a time. */
async function inDrawers(page: Page): Promise<string[]> {
  const lines: string[] = [];
  for (const name of [
    "Ways side by side",
    "Where makers disagree",
    "What if",
    "Make the most of",
    "Gather and buy",
    "Cost",
  ]) {
    await clickOn(page, name);
    lines.push(...(await told(page)));
  }
  return lines;
}

describe.each(["us", "metric", "imperial"] as const)("a household of %s measures", (units) => {
  let all: Lived;
  let browser: Browser;
  beforeAll(async () => {
    all = await lived(units);
    browser = await openBrowser();
  });
  afterAll(async () => {
    await browser?.close();
    await all?.app.stop();
    await all?.home.drop();
  });

  test("reads no other's on any page", async () => {
    const page = await newPage(browser);
    const foreign: string[] = [];
    let read = 0;
    for (const path of all.pages) {
      // What the house sends says the same as what stands there once the page is awake, but where something is typed, ticked or planned.
      const awake = /^\/(?:bench|season)|\/(?:make|finish|bottle)$/.test(path);
      await page.setJavaScriptEnabled(awake);
      await (awake ? goTo(page, `${all.app.url}${path}`) : page.goto(`${all.app.url}${path}`));
      await unfolded(page);
      const said = [...(await told(page)), ...(path === all.drawers ? await inDrawers(page) : [])];
      read += said.length;
      const short = path.replace(/[0-9a-f-]{36}/g, "…");
      for (const line of new Set(said))
        if (FOREIGN[units].test(line) || carries(line)) foreign.push(`${short}: ${line.trim()}`);
    }
    expect(read).toBeGreaterThan(500);
    expect(foreign).toEqual([]);
  });
});
