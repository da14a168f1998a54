/** What hands do to controls, and what must come of it: for the tests that walk every page. */
import type { Browser, ElementHandle, Page } from "puppeteer-core";
import { newPage, settled } from "./support";

/** What must come of using it. `writes`: it writes a journal, which the other tests do; here it must only be reachable. */
export type Effect = "goes" | "changes" | "types" | "dates" | "chooses" | "slides" | "drags" | "writes";
export const CONTROLS: readonly (readonly [RegExp, Effect])[] = [
  [/^(?:[Pp]lan it again|come back (?:to this )?later|Leave it to steep|ready by a day)$/, "goes"],
  [/^[A-Z].*: (?:syrup|oxymel|fire cider|infused honey|infused vinegar|tincture)\b/, "goes"],
  [/^undo the last tick|^It is all here|^Mixed through/, "writes"],
  // The head of every page.
  [
    /^(?:jolly crock|shelf|bench|cellar|season|formulary|stores|skip to the page|skip to begin|lock cottage no\. 9)$/i,
    "goes",
  ],
  [/^(?:cups and spoons|mL and grams|find|Keys)$|^Shown in .*; show in /, "changes"],
  [/^How the pages look$/, "chooses"],
  // The Bench.
  [/^Name of the batch$/, "types"],
  [/^How it is taken|^How long others say it keeps$/, "types"],
  [/^How many jars are filled alike$/, "chooses"],
  [/: say more of it$|^say more of it$/, "changes"],
  [/^Up to the jar$/, "goes"],
  [/^(?:Top up|Taste, and look at lid and rim|Strain|Finish and bottle|Put right)$/, "goes"],
  [/^keep this price for /, "writes"],
  [/^keep its marc, dried$/, "changes"],
  [/^(?:Kind|Way|Vessel|Lid|What the vessel is made of)$/, "chooses"],
  [/^(?:start over|undo|redo)/i, "changes"],
  [/^meant for/i, "changes"],
  [/^Add what goes in$/, "types"],
  [/: amount$/, "types"],
  [/: strength$/, "types"],
  [/: (?:form|cut|change the unit)$/, "chooses"],
  [/: .*, not .*$|: .* is right$/, "changes"],
  [/^Move .*: drag, or space and the arrow keys$/, "drags"],
  [/^(?:Take out |.* (?:earlier|later)$)/, "changes"],
  [/^(?:Stand|Simmer|Pressure): how long$|^Cool: to what$|^Boil: down to$/, "types"],
  [/^Stand: where$|^Strain: how$|^Bottle: how warm$|^Simmer: lid$/, "chooses"],
  [/^Add a step$/, "chooses"],
  [
    /^(?:double it|halve it|compare ways|pour in a bottle of our own|labels of other batches on the same sheet)$/,
    "changes",
  ],
  [/^Begin this batch$/, "writes"],
  [/ against |^(?:sweet|sharp|hot|bitter|herb)$/, "slides"],
  [/^(?:our (?:cup|pint|half litre|spoons)|°[CF]|cm|in|£|Europe\/London)$/, "changes"],
  [/^Good to know of any remedy like it: /, "changes"],
  [/^we know how this is done$|^tell us again$/, "writes"],
  [/^it stands in the /, "writes"],
  [/^for$/, "chooses"],
  [/^(?:Ways side by side|Where makers disagree|What if|Make the most of|Gather and buy|Cost)$/, "changes"],
  [/^Do this: /, "changes"],
  [/^(?:set a course|another course|leave it)$/, "changes"],
  [/^(?:Taken|forget them, and|Keep the course|use this size|print on the label printer)$/, "writes"],
  // The season.
  [/^(?:onto the Bench|the season)$/, "goes"],
  [/: what is wanted$/, "changes"],
  // The paper is a file of its own, which another test opens.
  [/^(?:keep this plan|keep this wish|out of the plan|keep these|on paper)$/, "writes"],
  [/, begin \d/, "drags"],
  [
    /^(?:make a plan|mend it|good enough|step back|what is wanted, and when|room, hours and days|set it beside|draw this one|back to what is so|which one would make room for the rest\?|earlier|later)$/,
    "changes",
  ],
  [/^Begin one more of$|^How full: /, "chooses"],
  [/: stays there$/, "changes"],
  [/^Take out: /, "changes"],
  [/^(?:we are|gifts each time)$/, "types"],
  [/^(?:away from|to)$/, "dates"],
  // From page to page.
  [/^[A-Z]{2}-\d\d-\d\d(?:·\d)?(?:,| |$)/, "goes"],
  [/^(?:[A-Z][\w-]+ (?:& [\w-]+ )?(?:fire )?(?:vinegar|oxymel|syrup|honey|tincture|cider))$/, "goes"],
  [
    /^(?:all batches|see its copies|print it|a second run of its marc|change the recipe|Labels|where it went|back to the stores|Strain it(?: sooner)?)$/,
    "goes",
  ],
  // The Stores, the household and all batches.
  [/^(?:write down a vessel|write down a plant|write someone down|change the (?!unit))/, "changes"],
  [
    /^(?:how many|a cup or spoon of|so much, loosely filled|the scale shows, g|name|money is written)$/,
    "types",
  ],
  [/^(?:form|cut|cups and pints are|the thermometer shows|the ruler shows)$/, "chooses"],
  [/^Compare [A-Z]/, "changes"],
  // A batch, and its steps.
  [/^(?:Put right: |I did not make it|discard this batch)/, "changes"],
  [
    /^(?:topped up with|a note: |The jug shows|What is left in the cloth|a size of your own|first free label|Bottle \d: mL)/,
    "types",
  ],
  [/^(?:of|on|label, mm|Bottle \d(?:: place)?)$/, "chooses"],
  [
    /^(?:Line the sieve|Pour, |Read the jug|left to drip|wrung in a cloth|pressed|Herb stood|The layers|Mould|Gas where|Slime|A wrong smell|The lid bulged)/,
    "changes",
  ],
  [/^(?:another bottle|not today|or keep it|a date of my own|Take out bottle)/, "changes"],
  [/^(?:meadowsweet|lime blossom|cider vinegar|honey)[,:] .*(?:g|mark)\.$|^Let it stand/, "changes"],
  // It opens over the page, under which nothing is reached: tried by itself in drawn-house.
  [/^Photograph, /, "writes"],
  [/^in figures$/, "changes"],
  [/^(?:the year on one page, PDF|the same, SVG)$/, "writes"],
  [/^first free: \d/, "writes"],
  [/^(?:cupboard|fridge|ice box)$/, "goes"],
  [/^what time; the calendar’s touches too$/, "dates"],
  [/^read its strip from a photograph$/, "writes"],
  [/^forget them, and/, "writes"],
  // The house's door.
  [
    /^(?:open the house to other|make five words$|another phrase;|let a device in$|shut it now$|hand out the house|Send away: |put them there too$|look again$)/,
    "writes",
  ],
  [/^five words of our own$/, "changes"],
  [/^a second folder for them/, "types"],
  // What goes into the strained liquid.
  [
    /^(?:Dial |by its share$|to a (?:sweetness|sharpness|strength)$|.*: ?as much .* as keeps so|Too (?:sharp|sweet|hot)$)/,
    "changes",
  ],
  [/^How much /, "slides"],
  [/^with a$/, "chooses"],
  [/^it shows$/, "types"],
  [/^write it down$/, "writes"],
  // What stands already, what the household takes, and its list.
  [
    /^(?:one stands already|some stand already|A recipe of mine|A jar already|Herbs, and no|Some stand|the list to gather)/,
    "goes",
  ],
  [/^(?:the list|what it is|what is in it|what else was said|something else|in each|how many)/, "types"],
  [/^(?:kind|it is|it was|it stands in|bottles|where|over the heat|of)$/, "chooses"],
  [/^(?:since|made on|it came on|opened, if one is|best by, on its label|from)$/, "dates"],
  [/^(?:there is more in it|later$)/, "changes"],
  // Where nothing else stands on the board it is picked already; the tests of what stands press it.
  [/^Another$/, "writes"],
  [/^(?:lay down a course|write down a blend|they come out|some stay in|all stay in)/, "changes"],
  [/: in your own words$/, "changes"],
  [/^(?:What it is for|Who told it)/, "types"],
  [
    /^(?:Lay it down|end it|Put it on|put it on the list|Into the stores|US cups|mL and grams, |imperial pints)/,
    "writes",
  ],
  [/ takes .* of |^all \d have$|^both have$|: got it$|^Keep the blend$|^It stays in$/, "writes"],
  // The book.
  [/^(?:Boatman’s mustard vinegar|Winter damson|20\d\d, \d+)$/, "goes"],
  [/^its gift label$/, "goes"],
  [/^(?:for whom|a word with it)$/, "types"],
  [/^write it on$/, "writes"],
  [/^(?:put on |take off |the (?:bottle|jar while it works)|its (?:lid|neck)|a gift|label the jar)$/, "goes"],
  [
    /^(?:write or paste one in|beside \d|version \d|its recipe|tables|the last \d side by side|set it on the Bench so|Make it again)/,
    "goes",
  ],
  [/^(?:a recipe, as it was told|part of a name)/, "types"],
  [/^(?:write a note|another name|put it away|as it was written)$/, "changes"],
  [
    /^(?:a file, or a picture of a card|bring in a table|carry the stores out|everything, as one file)/,
    "writes",
  ],
  [
    /^(?:take version \d|take it out again|keep it in the book|keep it as it was made|a recipe file|a table of stores)/,
    "writes",
  ],
  [/^(?:A6 card|A5 card|4 × 6 in card|plan|JSON-LD|Markdown|plain text|\w+\.(?:csv|zip))$/, "writes"],
  // The house's weeks, and what is said of a batch in them.
  [
    /^(?:the day it was done|first day|last day|at; the calendar|may be strained from|best|at the latest|wanted by)/,
    "dates",
  ],
  [/^(?:why, if you like|its clock is that of|to|metres above the sea|what it shows|why|in words)/, "types"],
  [
    /^(?:a word by mail|strain it earlier or later|write down how it tastes|\d+ (?:readings|moves|clocks))/,
    "changes",
  ],
  [/^(?:Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day$/, "writes"],
  [
    /^(?:add days away|Take away: |keep the (?:morning|height)|keep it as a file|make an address|a photograph)/,
    "writes",
  ],
  [/^Bottle \d+: (?:fill it|pour it back)$/, "changes"],
  // At the stove.
  [/^(?:read it aloud|say it again|be quiet)$/, "changes"],
  [/^(?:set a clock|the whole walk)/, "changes"],
  // What is written or printed, which the other tests do.
  [/: done$|^all \d done$|^One (?:fewer|more) |^count them in$|^no longer here/, "writes"],
  [
    /^(?:Keep it|Write it down|keep the note|Mixed through|It stands at .*|How high does it stand.*|Bottled.*|Side by side)$/,
    "writes",
  ],
  [/^strip, (?:PDF|SVG)$/, "writes"],
  [/^(?:PDF|SVG|[Pp]rint (?:it|this|this page))$/, "writes"],
];

/** After these the Bench is another: it is put back before the next is tried. */
export const SETS_OUT_ANEW = /^(?:find|Keys|Kind|Way|Vessel|start over|Undo|Redo|Meant for|Add )/i;

export const effectOf = (name: string): Effect | undefined => CONTROLS.find(([re]) => re.test(name))?.[1];

const USED = "a[href], button, input, select, textarea, summary, [role=slider]";

/** Teaches a page what its controls are called, as the ear has it; nothing for what no eye sees. */
async function teachNames(page: Page): Promise<void> {
  await page.evaluateOnNewDocument((used) => {
    const called = (x: Element): string | undefined => {
      const b = x.getBoundingClientRect();
      const seen = (x as HTMLElement).checkVisibility({ visibilityProperty: true });
      if (!seen || b.width <= 1 || b.height <= 1) return undefined;
      const said = x.getAttribute("aria-label") ?? x.getAttribute("title");
      const labelled = (x.getAttribute("aria-labelledby") ?? "")
        .split(" ")
        .map((id) => (id ? (document.getElementById(id)?.textContent ?? "") : ""))
        .join(" ")
        .trim();
      const label = (x as HTMLInputElement).labels?.[0]?.textContent ?? "";
      return (said ?? (labelled || label || (x as HTMLElement).innerText || "")).trim().replace(/\s+/g, " ");
    };
    Object.assign(window, {
      controlsSeen: () => [...document.querySelectorAll(used)].map(called).filter((n) => n !== undefined),
      controlCalled: (name: string) => [...document.querySelectorAll(used)].find((x) => called(x) === name),
      controlsOutOfReach: (names: string[], under: boolean) =>
        names.flatMap((name) => {
          const x = [...document.querySelectorAll(used)].find((e) => called(e) === name);
          if (!x) return [`“${name}” was there and is gone`];
          x.scrollIntoView({ block: "center", behavior: "instant" });
          const b = x.getBoundingClientRect();
          const at = document.elementFromPoint(b.x + b.width / 2, b.y + Math.min(b.height / 2, 20));
          const reached =
            at !== null &&
            (x === at || x.contains(at) || ((x as HTMLInputElement).labels?.[0]?.contains(at) ?? false));
          return under && !reached ? [`“${name}” lies under something`] : [];
        }),
    });
  }, USED);
}
interface Taught {
  readonly controlsSeen: () => string[];
  readonly controlCalled: (name: string) => Element | undefined;
  readonly controlsOutOfReach: (names: string[], under: boolean) => string[];
}

/** What the controls a person sees are called. */
export const controls = (page: Page): Promise<string[]> =>
  page.evaluate(() => (window as unknown as Taught).controlsSeen());
export const control = async (page: Page, name: string): Promise<ElementHandle | undefined> =>
  (await page.evaluateHandle((n) => (window as unknown as Taught).controlCalled(n), name)).asElement() as
    ElementHandle | undefined;

/** Which of these no hand could touch where they stand: gone, or for mouse and finger under something else. One look at the page for all of them. */
export const outOfReach = (page: Page, names: readonly string[], hand: Hand): Promise<string[]> =>
  page.evaluate(
    (all, under) => (window as unknown as Taught).controlsOutOfReach(all, under),
    [...names],
    hand !== "keyboard",
  );

/** All that a person could see or hear of the page. */
export const state = (page: Page): Promise<string> =>
  page.evaluate(() =>
    [
      location.href,
      document.body.innerText,
      ...[
        ...document.querySelectorAll(
          "input, select, textarea, [role=slider], [aria-expanded], [aria-pressed]",
        ),
      ].map((x) =>
        [
          (x as HTMLInputElement).value,
          (x as HTMLInputElement).checked,
          x.getAttribute("aria-valuenow"),
          x.getAttribute("aria-expanded"),
          x.getAttribute("aria-pressed"),
        ].join(),
      ),
      [...document.querySelectorAll("[data-line]")].map((x) => x.getAttribute("data-line")).join(),
    ].join("|"),
  );

export const HANDS = ["mouse", "keyboard", "finger"] as const;
export type Hand = (typeof HANDS)[number];

/**
 * Whose turn a sort of control is: in a run each is used by one hand that finds it, the next hand where it is met again, and by none that
 * has had it; the others only reach for it. `JOLLY_HANDS=all` lets every hand use every sort.
 */
export class Turns {
  private readonly had = new Map<string, Set<Hand>>();
  private next = 0;

  /** @param finders hands on whose page it stands. @returns those that use it now */
  of(sort: string, finders: readonly Hand[]): readonly Hand[] {
    const had = this.had.get(sort) ?? new Set();
    this.had.set(sort, had);
    const open = finders.filter((h) => !had.has(h));
    if (process.env["JOLLY_HANDS"] !== "all" && open.length > 0)
      open.splice(0, open.length, open[this.next++ % open.length]!);
    for (const h of open) had.add(h);
    return open;
  }
}

/** Uses a control as a hand would, by what it is. */
export async function use(page: Page, e: ElementHandle, effect: Effect, hand: Hand): Promise<void> {
  const press = async (): Promise<void> => {
    if (hand === "mouse") return e.click();
    if (hand === "finger") return e.tap();
    // A link drawn in a picture is focused as any other.
    await e.evaluate((x) => (x as HTMLElement | SVGElement).focus());
    // A box is ticked with the space bar; everything else is pressed.
    const box = await e.evaluate((x) => /^(?:checkbox|radio)$/.test((x as HTMLInputElement).type ?? ""));
    await page.keyboard.press(box ? "Space" : "Enter");
  };
  switch (effect) {
    case "types":
      if (hand === "keyboard") await e.focus();
      else await press();
      // Nobody types before the caret stands there: a tap takes a moment to be one.
      await page
        .waitForFunction((x) => x === document.activeElement, { timeout: 3000 }, e)
        .catch(() => undefined);
      // A telephone brings the field it was tapped into view, and takes no key before it has.
      if (hand === "finger") await settled(page);
      await page.keyboard.press("End");
      return page.keyboard.type("1");
    case "dates": {
      const time = await e.evaluate((x) => (x as HTMLInputElement).type === "time");
      await e.focus();
      return page.keyboard.type(time ? "0915AM" : "03042027");
    }
    case "chooses":
      // The list itself is the system's; from the field on the arrow keys choose, whichever hand came to it.
      await e.focus();
      return page.keyboard.press(
        (await e.evaluate(
          (x) => (x as HTMLSelectElement).selectedIndex + 1 === (x as HTMLSelectElement).options.length,
        ))
          ? "ArrowUp"
          : "ArrowDown",
      );
    case "slides":
      if (hand === "keyboard") {
        await e.focus();
        return page.keyboard.press("ArrowRight");
      }
      return slide(page, e, hand, -24, 0);
    case "drags":
      if (hand === "keyboard") {
        await e.focus();
        for (const key of ["Space", "ArrowDown", "ArrowUp", "ArrowUp", "Space"] as const) {
          await page.keyboard.press(key);
          await settled(page);
        }
        return;
      }
      return slide(page, e, hand, 0, 130);
    case "goes":
    case "changes":
    case "writes":
      return press();
  }
}

async function slide(page: Page, e: ElementHandle, hand: Hand, dx: number, dy: number): Promise<void> {
  const b = (await e.boundingBox())!;
  const [x, y] = [b.x + b.width / 2, b.y + b.height / 2];
  const steps = [0.2, 0.5, 0.8, 1];
  if (hand === "mouse") {
    await page.mouse.move(x, y);
    await page.mouse.down();
    for (const k of steps) await page.mouse.move(x + dx * k, y + dy * k, { steps: 3 });
    await settled(page);
    return page.mouse.up();
  }
  const finger = await page.touchscreen.touchStart(x, y);
  // A line is taken up when the finger rests on it a moment.
  await new Promise((r) => setTimeout(r, 350));
  for (const k of steps) await finger.move(x + dx * k, y + dy * k);
  await settled(page);
  return finger.end();
}

/** A page with a finger where the finger is the hand. */
export async function pageFor(browser: Browser, hand: Hand): Promise<Page> {
  const context = await browser.createBrowserContext();
  const page = await newPage(context, hand === "finger" ? 390 : 1280, hand === "finger" ? 844 : 800);
  await teachNames(page);
  if (hand === "finger") await page.setViewport({ width: 390, height: 844, hasTouch: true, isMobile: true });
  return page;
}
