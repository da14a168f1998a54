import { describe, expect, test } from "@jest/globals";
import { readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import { MATERIALS } from "../material/catalogue";
import { TAGS } from "../material/tags";
import { FLAGS, type Flag, type Person } from "../people/person";
import type { Plan } from "../plan/plan";
import { type TrialLine, line, made } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import type { Caution } from "./caution";
import { cautionsOf } from "./rules";
import { sentence } from "./rules/people/concern";

const TODAY = "2026-11-24";
const person = (name: string, more: Partial<Person> = {}): Person => ({
  name,
  flags: [],
  allergies: [],
  ...more,
});
const KEEPER = person("the keeper");
const FIVE = person("the small one", { born: "2021-05" });
const dried = (material: string, amount = "2 cups"): TrialLine => line(material, amount, { form: "dried" });
const OXYMEL = (...herbs: TrialLine[]): Plan => made("oxymel-even", herbs);

function raised(plan: Plan, meantFor: Person[], others: Person[] = [], strangers: string[] = []): Caution[] {
  const program = resolve(plan);
  if (!program.ok) throw new Error(program.faults[0]!.message);
  const reckoning = reckonProgram(program.value);
  return cautionsOf({ program: program.value, reckoning, meantFor, others, strangers, today: TODAY });
}
const severity = (id: string, plan: Plan, meantFor: Person[], others: Person[] = []): string | undefined =>
  raised(plan, meantFor, others).find((c) => c.id === id)?.severity;

/** Each rule about people: a plant that raises it, and every flag it looks at with how grave it then is. */
const RULES: readonly (readonly [string, string, Partial<Record<Flag, string>>])[] = [
  ["pregnancy", "elecampane", { pregnant: "caution", nursing: "caution" }],
  ["pregnancy", "mugwort", { pregnant: "stop", nursing: "stop" }],
  ["pregnancy-stop", "wormwood", { pregnant: "stop", nursing: "stop" }],
  ["st-johns-wort", "st-johns-wort", { "blood-thinner": "stop", "blood-pressure": "stop", heart: "stop", "diabetes-medicine": "stop", sedative: "stop", "immune-medicine": "stop", "other-medicine": "stop" }],
  ["immune-treatment", "echinacea-root", { "immune-medicine": "caution" }],
  ["autoimmune", "echinacea-root", { autoimmune: "note" }],
  ["reflux", "peppermint", { reflux: "caution" }],
  ["blood", "ginkgo", { "blood-thinner": "caution" }],
  ["warfarin", "goji", { "blood-thinner": "caution" }],
  ["liquorice", "liquorice", { "blood-pressure": "caution", heart: "caution", pregnant: "caution", kidney: "caution" }],
  ["heart", "hawthorn-berry", { heart: "caution", "blood-pressure": "caution" }],
  ["blood-pressure", "eleuthero", { "blood-pressure": "caution", heart: "caution" }],
  ["diabetes", "fenugreek", { "diabetes-medicine": "caution", "blood-sugar": "caution" }],
  ["kava", "kava", { liver: "stop", sedative: "caution", "avoids-alcohol": "caution", recovery: "caution", "blood-thinner": "caution", "blood-pressure": "caution", heart: "caution", "diabetes-medicine": "caution", "immune-medicine": "caution", "other-medicine": "caution" }],
  ["sedative", "valerian", { sedative: "caution", epilepsy: "caution" }],
  ["salicylate", "willow-bark", { "blood-thinner": "caution", reflux: "caution", kidney: "caution" }],
  ["berberine", "goldenseal", { pregnant: "stop", nursing: "stop", "blood-thinner": "caution", "blood-pressure": "caution", heart: "caution", "diabetes-medicine": "caution", sedative: "caution", "immune-medicine": "caution", "other-medicine": "caution" }],
  ["thyroid", "ashwagandha", { thyroid: "caution" }],
  ["chaga", "chaga", { kidney: "caution", "blood-thinner": "caution" }],
  ["kidney", "juniper", { kidney: "caution" }],
  ["liver", "black-cohosh", { liver: "caution" }],
  ["gallstones", "dandelion-root", { gallstones: "caution" }],
  ["hormone", "vitex", { hormone: "caution" }],
  ["epilepsy", "tansy", { epilepsy: "caution" }],
  ["caffeine", "green-tea", { pregnant: "caution", nursing: "caution", heart: "caution", sedative: "caution" }],
  ["delays-medicine", "marshmallow-root", { "blood-thinner": "caution", "blood-pressure": "caution", heart: "caution", "diabetes-medicine": "caution", sedative: "caution", "immune-medicine": "caution", "other-medicine": "caution" }],
]; // prettier-ignore

describe("a rule about people, by every flag there is", () => {
  test.each(RULES)("%s, of %s", (id, plant, grave) => {
    const plan = OXYMEL(dried(plant));
    const got = FLAGS.flatMap((f) => {
      const s = severity(id, plan, [person("k", { flags: [f] })]);
      return s === undefined || s === severity(id, plan, [KEEPER]) ? [] : [[f, s] as const];
    });
    const asNote = Object.fromEntries(
      Object.entries(grave).filter(([, s]) => s === severity(id, plan, [KEEPER])),
    );
    expect({ ...Object.fromEntries(got), ...asNote }).toEqual(grave);
  });
  test.each(RULES)("%s, of %s, named and not named", (id, plant, grave) => {
    const plan = OXYMEL(dried(plant));
    const flag = Object.keys(grave)[0] as Flag;
    const who = person("the boatwright", { flags: [flag] });
    expect(severity(id, plan, [who])).toBe(grave[flag]);
    // Nobody named: the household is thought of, never graver than for the one named; someone else named: left out.
    const thought = raised(plan, [], [who]).find((c) => c.id === id)!;
    expect(thought.says).toContain("the boatwright");
    expect(raised(plan, [KEEPER], [who]).find((c) => c.id === id)?.says ?? "").not.toContain(
      "the boatwright",
    );
    expect(severity(id, made("honey-dried", [dried("thyme")]), [who])).toBeUndefined();
  });
});

describe("meant for someone, a rule rises for them", () => {
  test.each<[string, string, Person, string]>([
    ["child", "senna", FIVE, "stop"],
    ["child", "valerian", FIVE, "caution"],
    ["salicylate", "willow-bark", FIVE, "caution"],
    ["pregnancy", "willow-bark", person("k", { flags: ["pregnant"] }), "caution"],
    ["pregnancy", "mugwort", person("k", { flags: ["pregnant"] }), "stop"],
    ["kava", "kava", person("k", { flags: ["liver"] }), "stop"],
  ])("%s: %s", (id, plant, who, grave) => {
    expect(severity(id, OXYMEL(dried(plant)), [who])).toBe(grave);
    expect(severity(id, OXYMEL(dried(plant)), [KEEPER]) ?? "note").not.toBe(grave);
  });
  test("a name nobody bears is told, and nothing passes it", () => {
    const told = raised(OXYMEL(dried("thyme")), [], [KEEPER], ["the babby"]);
    expect(told[0]).toMatchObject({
      id: "nobody-by-that-name",
      severity: "never",
      about: { what: "people" },
    });
  });
});

describe("what a meal is seasoned with is a note", () => {
  const PREGNANT = person("k", { flags: ["pregnant"] });
  test.each<[string, TrialLine, Person]>([
    ["pregnancy", line("sage", "2 leaves", { form: "fresh" }), PREGNANT],
    ["pregnancy", line("saffron", "1 pinch", { form: "dried" }), PREGNANT],
    ["epilepsy", line("rosemary", "1 sprig", { form: "fresh" }), person("k", { flags: ["epilepsy"] })],
    ["blood", line("ginger", "1/4 tsp", { form: "powdered" }), person("k", { flags: ["blood-thinner"] })],
    ["pregnancy", line("parsley", "2 sprigs", { form: "fresh" }), PREGNANT],
  ])("%s: %j", (id, l, who) => expect(severity(id, OXYMEL(l, dried("thyme", "1 cup")), [who])).toBe("note"));
  test("and a jarful of it is a caution", () =>
    expect(severity("pregnancy", OXYMEL(dried("parsley", "1/2 jar")), [PREGNANT])).toBe("caution"));
});

describe("alcohol by the teaspoon", () => {
  const tincture = made("tincture-jarful", [dried("thyme", "1/2 jar")]);
  const dash = made("oxymel-even", [], {
    steps: [
      { do: "add", what: [dried("thyme", "1 cup"), line("cider-vinegar", "400 mL"), line("honey", "300 mL"), line("vodka-40", "2 mL")] },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
    ],
  }); // prettier-ignore
  test.each<[Flag, string, string]>([
    ["sedative", "caution", "note"],
    ["diabetes-medicine", "caution", "note"],
    ["liver", "caution", "note"],
    ["pregnant", "stop", "note"],
    ["nursing", "caution", "note"],
    ["avoids-alcohol", "caution", "note"],
    ["recovery", "stop", "stop"],
    ["blood-thinner", "note", "note"],
    ["other-medicine", "note", "note"],
  ])("%s: %s in a tincture, %s for a dash", (flag, strong, weak) => {
    const who = person("k", { flags: [flag] });
    expect(severity("alcohol", tincture, [who])).toBe(strong);
    expect(severity("alcohol", dash, [who])).toBe(weak);
  });
  test("a child", () => expect(severity("alcohol", tincture, [FIVE])).toBe("stop"));
});

describe("an operation", () => {
  const plan = (weeks: string): Plan =>
    made("oxymel-even", [], {
      steps: [
        { do: "add", what: [dried("valerian"), line("cider-vinegar", "400 mL"), line("honey", "400 mL")] },
        { do: "steep", for: weeks },
        { do: "strain", how: "wrung" },
      ],
    });
  test.each([
    ["2026-11-23", undefined],
    ["2026-11-24", "caution"],
    ["2026-12-08", "caution"],
    ["2026-12-09", "caution"],
    ["2027-01-05", "caution"],
    ["2027-01-06", undefined],
  ])("on %s, beside an oxymel ready on 22 December: %p", (surgery, grave) =>
    expect(severity("surgery", plan("4 weeks"), [person("k", { surgery })])).toBe(grave),
  );
  test.each(["valerian", "echinacea-root", "garlic", "ginger", "ginkgo", "kava", "ginseng", "st-johns-wort"])(
    "%s is told by name",
    (plant) => {
      const who = person("k", { surgery: "2026-12-01" });
      const told = raised(OXYMEL(dried(plant, "3 cups")), [who]).find((c) => c.id === "surgery")!;
      expect(told.says.toLowerCase()).toContain(MATERIALS.get(plant)!.row.names[0]!.toLowerCase());
    },
  );
});

describe("allergies go by name, alias, Latin, family and what is known to go with it", () => {
  const stops = (plant: string, to: string): string[] =>
    raised(OXYMEL(dried(plant)), [person("k", { allergies: [to] })])
      .filter((c) => c.severity === "stop" && ["allergy", "daisy-family", "sumac-kin", "bees"].includes(c.id))
      .map((c) => c.id);
  test.each([
    ["chamomile", "daisies"],
    ["chamomile", "camomile"],
    ["calendula", "marigold"],
    ["chamomile", "compositae"],
    ["echinacea-root", "ragweed"],
    ["yarrow", "Asteraceae"],
    ["lime-blossom", "linden"],
    ["holy-basil", "tulsi"],
    ["coriander-leaf", "cilantro"],
    ["liquorice", "licorice"],
    ["peppermint", "mint"],
    ["lovage", "celery"],
    ["parsley", "celery"],
    ["angelica-root", "celery"],
    ["fennel-seed", "celery"],
    ["dill", "celery"],
    ["caraway", "celery"],
    ["anise", "celery"],
    ["celery-seed", "Apium graveolens"],
    ["willow-bark", "aspirin"],
    ["meadowsweet", "salicylates"],
    ["birch-bark", "aspirin"],
    ["sumac", "cashews"],
    ["sumac", "mango"],
    ["garlic", "onions"],
    ["thyme", "Thymus vulgaris"],
    ["goldenrod", "ragweed pollen"],
  ])("%s, for someone allergic to %s: a stop", (plant, to) => expect(stops(plant, to)).toHaveLength(1));
  test.each([
    ["chamomile", "sticking plaster"],
    ["thyme", "beetroot"],
    ["thyme", "beef"],
    ["thyme", "beer"],
    ["lime-blossom", "lime fruit wax"],
    ["horehound", "cats"],
    ["ginger", "galangal soap"],
  ])("%s, for someone allergic to %s: nothing", (plant, to) => expect(stops(plant, to)).toEqual([]));
  test.each(["bees", "bee stings", "honey", "propolis", "pollen"])("honey, for someone allergic to %s", (to) =>
    expect(stops("thyme", to)).toEqual(["bees"]));
  test.each(["beetroot", "beef", "beer", "birch"])("honey, for someone allergic to %s: nothing of the bees", (to) =>
    expect(stops("thyme", to)).not.toContain("bees"));
  test("for someone else it is no stop", () => {
    const other = person("other", { allergies: ["chamomile"] });
    expect(raised(OXYMEL(dried("chamomile")), [KEEPER], [other]).some((c) => c.severity === "stop")).toBe(false);
  });
}); // prettier-ignore

describe("sentences agree", () => {
  const plants = (...ids: string[]) => {
    const p = resolve(OXYMEL(...ids.map((id) => dried(id, "1 tbsp"))));
    if (!p.ok) throw new Error(p.faults[0]!.message);
    return p.value.lines.filter((l) => l.stuff.plant);
  };
  test.each([
    [["valerian"], "Valerian makes drowsy"],
    [["valerian", "hops"], "Valerian and hops make drowsy"],
    [["hops"], "Hops make drowsy"],
    [["st-johns-wort"], "St John’s wort makes drowsy"],
  ])("%j", (ids, said) =>
    expect(sentence("{plants} {makes|make} drowsy", plants(...ids), []).replace(/'/g, "’")).toBe(said));
  test("the verb goes with whoever was named last", () =>
    expect(sentence("{plants} {weakens|weaken} it, and {people} {takes|take} one", plants("valerian"), [person("the cook"), person("the boatwright")])).toBe(
      "Valerian weakens it, and the cook and the boatwright take one",
    ));
}); // prettier-ignore

/** Rooms that may read a tag, as one text; not where tags are listed, nor where they are handed on. */
const SOURCES = (readdirSync(join(__dirname, ".."), { recursive: true }) as string[])
  .filter(
    (f) => f.endsWith(".ts") && !f.endsWith(".test.ts") && !/material\/tags\.ts$|reading\/kin\.ts$/.test(f),
  )
  .map((f) => readFileSync(join(__dirname, "..", f), "utf8"))
  .join("\n");
test.each(TAGS.map((t) => [t] as const))("the tag %s is read by some rule", (t) =>
  expect(SOURCES).toContain(`"${t}"`),
);
