import { describe, expect, test } from "@jest/globals";
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { ownPlant } from "../../../tests/own-plant";
import { UNNAMED } from "../material/unnamed";
import type { Person } from "../people/person";
import type { Plan } from "../plan/plan";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { stepOfLine } from "../plan/edit";
import { type TrialLine, line, made, trial } from "../plan/trial";
import type { Caution, Severity, Stage } from "./caution";
import { basisTable } from "./basis";
import { RULES, cautionsAt, cautionsOf, unanswered } from "./rules";

const TODAY = "2026-11-24";
const person = (name: string, more: Partial<Person> = {}): Person => ({
  name,
  flags: [],
  allergies: [],
  ...more,
});
const fresh = (material: string, amount: string): TrialLine => line(material, amount, { form: "fresh" });
const dried = (material: string, amount = "1 cup"): TrialLine => line(material, amount, { form: "dried" });

const OXYMEL = (...herbs: TrialLine[]): Plan => made("oxymel-even", herbs);
const SYRUP = (...herbs: TrialLine[]): Plan => made("syrup-fridge", herbs);
const CIDER = (...herbs: TrialLine[]): Plan => made("cider-after", herbs);
const HONEY = (...herbs: TrialLine[]): Plan => made("honey-dried", herbs);
const TINCTURE = (...herbs: TrialLine[]): Plan => made("tincture-jarful", herbs);
const VINEGAR = (...herbs: TrialLine[]): Plan => made("vinegar-plain", herbs);
const THYME = OXYMEL(dried("thyme", "1 cup"));

function raised(plan: Plan, meantFor: Person[] = [], others: Person[] = []): Caution[] {
  const program = resolve(plan);
  if (!program.ok)
    throw new Error(
      `${program.faults[0]!.name}: ${program.faults[0]!.message} at ${program.faults[0]!.path.join(".")}`,
    );
  return cautionsOf({
    program: program.value,
    reckoning: reckonProgram(program.value),
    meantFor,
    others,
    today: TODAY,
  });
}
const of = (id: string, plan: Plan, people: Person[] = [], others: Person[] = []): Caution | undefined =>
  raised(plan, people, others).find((c) => c.id === id);

const KEEPER = person("the keeper");
const on = (flag: Person["flags"][number]): Person => person("the keeper", { flags: [flag] });
const allergic = (to: string): Person => person("the keeper", { allergies: [to] });
const BABY = person("the baby", { born: "2026-03" });
const CHILD = person("the schoolchild", { born: "2017-05" });
const UNNAMED_IN_IT: Plan = { ...OXYMEL(line(UNNAMED.id, "30 g", { form: "dried" })), materials: [UNNAMED] };
const WITH_ALCOHOL = TINCTURE(dried("thyme", "1/2 jar"));

type Case = readonly [
  id: string,
  severity: Severity,
  fires: readonly [Plan, ...Person[]],
  silent: readonly [Plan, ...Person[]],
];
/** Every rule, once where it must speak and once where it must hold its tongue. */
/** A bottle of ours, poured in. */
const POURED: Plan = trial(OXYMEL(line("ours-x", "100 mL")), {
  materials: [
    {
      ...{ id: "ours-x", names: ["OX-26-01 Thyme oxymel", "OX-26-01"], class: "remedy", source: "ours" },
      ...{ composition: { water: 0.6, mono: 0.3, acetic: 0.03 }, bestBy: "2099-01-01" },
      holds: [{ material: "thyme", form: "dried", share: 0.05, heated: 0 }],
    },
  ],
});

/** So much water over the heat, lid off. */
const POT = (vessel: string, water: string, time = "20 min"): Plan =>
  made("syrup-fridge", [], {
    vessel,
    steps: [
      { do: "add", what: [dried("thyme", "10 g"), line("water", water)] },
      { do: "simmer", for: time, lid: "off" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
/** Dried herb in honey of a water share. */
const OXY_HONEY = (water: number): Plan =>
  made("honey-dried", [], {
    steps: [
      { do: "add", what: [dried("thyme", "20 g"), line("honey", "500 mL", { water })] },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "drained" },
    ],
  });
const CASES: readonly Case[] = [
  ["ours-best-by", "note", [POURED], [THYME]],
  ["honey-for-an-infant", "never", [THYME, BABY], [THYME, person("the baby", { born: "2025-10" })]],
  ["aristolochic", "never", [OXYMEL(dried("wild-ginger")), KEEPER], [OXYMEL(fresh("ginger", "3 cm"))]],
  ["narrow-margin-poison", "never", [OXYMEL(dried("foxglove"))], [THYME]],
  [
    "not-food-alcohol",
    "never",
    [
      made("tincture-jarful", [dried("thyme")], {
        steps: [
          { do: "add", what: [dried("thyme", "1 cup"), line("isopropyl", "fill")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [WITH_ALCOHOL],
  ],
  ["essential-oil", "never", [OXYMEL(line("essential-oil", "5 drops"))], [THYME]],
  ["kernels", "never", [HONEY(dried("apricot-kernel"))], [HONEY(dried("lime-blossom"))]],
  [
    "raw-elder-eaten",
    "never",
    [
      made("honey-dried", [], {
        steps: [
          { do: "add", what: [dried("elderberry", "1/4 cup"), line("honey", "fill")] },
          { do: "steep", for: "4 weeks" },
        ],
      }),
    ],
    [HONEY(dried("lime-blossom"))],
  ],
  ["is-it-this", "stop", [ownPlant("foxglov")], [ownPlant("towpath mint")]],
  ["burns-skin", "caution", [CIDER(fresh("habanero", "1 pepper"))], [CIDER(fresh("jalapeno", "1 pepper"))]],
  ["unaged-bark", "caution", [SYRUP(dried("buckthorn-bark"))], [SYRUP(dried("birch-bark"))]],
  ["resin-in-weak-spirit", "note", [TINCTURE(dried("myrrh"))], [TINCTURE(dried("thyme"))]],
  ["lookalike-monkshood", "note", [CIDER(fresh("horseradish", "6 cm"))], [CIDER(fresh("ginger", "6 cm"))]],
  [
    "lookalike-belladonna",
    "caution",
    [VINEGAR(fresh("bilberry", "1 cup"))],
    [VINEGAR(fresh("blueberry", "1 cup"))],
  ],
  ["lookalike-cherry-laurel", "note", [VINEGAR(fresh("bay", "1 cup"))], [VINEGAR(dried("bay", "1 cup"))]],
  [
    "lookalike-savin",
    "caution",
    [VINEGAR(fresh("juniper", "1/2 cup"))],
    [VINEGAR(dried("juniper", "1/2 cup"))],
  ],
  ["honey-under-twelve-months", "note", [THYME], [VINEGAR(dried("thyme", "1 cup"))]],
  ["alcohol", "stop", [WITH_ALCOHOL, CHILD], [THYME, CHILD]],
  ["overflows", "stop", [POT("p-1500", "2 L")], [POT("p-1500", "1 L")]],
  ["boils-dry", "stop", [POT("p-1500", "300 mL", "3 hours")], [POT("p-1500", "1 L")]],
  ["own-plant", "note", [ownPlant("towpath mint")], [THYME]],
  // Of what stood already: nobody named it, or nobody remembers how much.
  ["unnamed-in-it", "caution", [UNNAMED_IN_IT], [THYME]],
  ["unnamed-in-it", "stop", [UNNAMED_IN_IT, on("pregnant")], [ownPlant("towpath mint")]],
  ["amount-not-known", "note", [OXYMEL(dried("thyme", "not known"))], [THYME]],
  [
    "too-much-a-day",
    "stop",
    [{ ...WITH_ALCOHOL, taken: "1 cup three times a day" }],
    [{ ...WITH_ALCOHOL, taken: "1 tsp a day" }],
  ],
  ["pregnancy", "caution", [OXYMEL(dried("elecampane", "1 cup")), on("pregnant")], [THYME, on("pregnant")]],
  [
    "pregnancy-stop",
    "stop",
    [OXYMEL(dried("wormwood")), on("pregnant")],
    [OXYMEL(dried("elecampane")), on("pregnant")],
  ],
  [
    "st-johns-wort",
    "stop",
    [OXYMEL(dried("st-johns-wort")), on("other-medicine")],
    [THYME, on("other-medicine")],
  ],
  [
    "immune-treatment",
    "caution",
    [OXYMEL(dried("echinacea-root")), on("immune-medicine")],
    [OXYMEL(dried("echinacea-root")), KEEPER],
  ],
  ["autoimmune", "note", [OXYMEL(dried("echinacea-root")), on("autoimmune")], [THYME, on("autoimmune")]],
  [
    "reflux",
    "caution",
    [CIDER(fresh("chilli", "2 peppers")), on("reflux")],
    [HONEY(dried("lime-blossom", "1 cup")), on("reflux")],
  ],
  ["teeth", "note", [VINEGAR(dried("thyme", "1 cup"))], [THYME]],
  ["sugar", "caution", [THYME, on("blood-sugar")], [VINEGAR(dried("thyme", "1 cup")), on("blood-sugar")]],
  [
    "blood",
    "caution",
    [CIDER(fresh("garlic", "40 cloves")), on("blood-thinner")],
    [CIDER(fresh("horseradish", "6 cm")), on("blood-thinner")],
  ],
  [
    "surgery",
    "caution",
    [OXYMEL(dried("valerian")), person("the keeper", { surgery: "2026-12-01" })],
    [OXYMEL(dried("valerian")), person("the keeper", { surgery: "2027-06-01" })],
  ],
  [
    "diabetes",
    "caution",
    [OXYMEL(dried("holy-basil")), on("diabetes-medicine")],
    [THYME, on("diabetes-medicine")],
  ],
  ["gallstones", "caution", [OXYMEL(dried("dandelion-root")), on("gallstones")], [THYME, on("gallstones")]],
  ["sunlight", "note", [OXYMEL(dried("st-johns-wort"))], [THYME]],
  ["caffeine", "caution", [OXYMEL(dried("green-tea")), CHILD], [OXYMEL(dried("green-tea")), KEEPER]],
  ["child", "caution", [OXYMEL(dried("valerian")), CHILD], [OXYMEL(dried("valerian")), KEEPER]],
  [
    "delays-medicine",
    "caution",
    [SYRUP(dried("marshmallow-root")), on("other-medicine")],
    [SYRUP(dried("marshmallow-root")), KEEPER],
  ],
  [
    "raw-vinegar",
    "note",
    [
      made("vinegar-plain", [], {
        steps: [
          { do: "add", what: [dried("thyme"), line("cider-vinegar-raw", "fill")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
      on("immune-medicine"),
    ],
    [VINEGAR(dried("thyme", "1 cup"))],
  ],
  [
    "warfarin",
    "caution",
    [OXYMEL(dried("nettle", "5 cups")), on("blood-thinner")],
    [OXYMEL(dried("nettle", "5 cups")), KEEPER],
  ],
  ["liquorice", "caution", [OXYMEL(dried("liquorice")), on("blood-pressure")], [THYME, on("blood-pressure")]],
  ["heart", "caution", [OXYMEL(dried("hawthorn-berry")), on("heart")], [THYME, on("heart")]],
  [
    "blood-pressure",
    "caution",
    [OXYMEL(dried("hibiscus")), on("blood-pressure")],
    [OXYMEL(dried("hibiscus")), KEEPER],
  ],
  ["kava", "stop", [OXYMEL(dried("kava")), on("liver")], [THYME, on("liver")]],
  ["sedative", "caution", [OXYMEL(dried("valerian")), on("sedative")], [THYME, on("sedative")]],
  ["salicylate", "caution", [OXYMEL(dried("meadowsweet")), CHILD], [THYME, CHILD]],
  ["berberine", "stop", [OXYMEL(dried("barberry-bark")), on("nursing")], [THYME, on("nursing")]],
  [
    "grapefruit",
    "caution",
    [OXYMEL(dried("seville-peel")), on("other-medicine")],
    [OXYMEL(dried("lemon-peel")), on("other-medicine")],
  ],
  [
    "thyroid",
    "caution",
    [OXYMEL(dried("ashwagandha")), on("thyroid")],
    [OXYMEL(dried("ashwagandha")), KEEPER],
  ],
  ["kelp", "note", [VINEGAR(dried("kelp"))], [VINEGAR(dried("nettle", "1 cup"))]],
  [
    "chaga",
    "caution",
    [TINCTURE(dried("chaga")), on("kidney")],
    [TINCTURE(dried("thyme", "1 cup")), on("kidney")],
  ],
  ["kidney", "caution", [OXYMEL(dried("juniper")), on("kidney")], [THYME, on("kidney")]],
  ["liver", "caution", [TINCTURE(dried("black-cohosh")), on("liver")], [WITH_ALCOHOL, KEEPER]],
  ["hormone", "caution", [TINCTURE(dried("vitex")), on("hormone")], [WITH_ALCOHOL, on("hormone")]],
  ["epilepsy", "caution", [OXYMEL(dried("hyssop")), on("epilepsy")], [THYME, on("epilepsy")]],
  [
    "bees",
    "stop",
    [THYME, allergic("bee stings")],
    [VINEGAR(dried("thyme", "1 cup")), allergic("bee stings")],
  ],
  ["propolis", "note", [TINCTURE(dried("propolis"))], [WITH_ALCOHOL]],
  ["daisy-family", "stop", [OXYMEL(dried("chamomile")), allergic("ragweed")], [THYME, allergic("ragweed")]],
  [
    "sumac-kin",
    "stop",
    [VINEGAR(dried("sumac")), allergic("cashews")],
    [VINEGAR(dried("thyme", "1 cup")), allergic("cashews")],
  ],
  [
    "allergy",
    "stop",
    [VINEGAR(fresh("celery", "1 cup")), allergic("celery")],
    [VINEGAR(fresh("beetroot", "1 cup")), allergic("celery")],
  ],
  [
    "raw-elder",
    "stop",
    [OXYMEL(dried("elderberry", "1/2 cup"))],
    [made("syrup-fridge", [dried("elderberry", "1/2 cup")])],
  ],
  ["elder-parts", "stop", [SYRUP(fresh("elder-leaf", "1 cup"))], [SYRUP(fresh("elderberry", "2 cups"))]],
  [
    "elder-stripping",
    "caution",
    [SYRUP(fresh("elderberry", "2 cups"))],
    [SYRUP(dried("elderberry", "1 cup"))],
  ],
  ["elder-marc", "note", [SYRUP(dried("elderberry", "1 cup"))], [SYRUP(dried("horehound", "1 cup"))]],
  ["cook-first", "caution", [VINEGAR(fresh("rowan", "1 cup"))], [SYRUP(fresh("rowan", "1 cup"))]],
  ["mushroom", "caution", [TINCTURE(dried("reishi", "1 cup"))], [SYRUP(dried("reishi", "1 cup"))]],
  [
    "lookalike-elder",
    "caution",
    [SYRUP(fresh("elderberry", "2 cups"))],
    [SYRUP(dried("elderberry", "1 cup"))],
  ],
  ["lookalike-carrot", "caution", [CIDER(fresh("yarrow", "1 handful"))], [CIDER(dried("caraway"))]],
  ["lookalike-star-anise", "caution", [OXYMEL(dried("star-anise"))], [OXYMEL(dried("anise"))]],
  ["lookalike-lily", "caution", [VINEGAR(fresh("ramps", "1 cup"))], [VINEGAR(fresh("leek", "1 cup"))]],
  [
    "lookalike-death-camas",
    "caution",
    [VINEGAR(fresh("wild-onion", "1 cup"))],
    [VINEGAR(fresh("onion", "1 bulb"))],
  ],
  [
    "lookalike-foxglove",
    "caution",
    [OXYMEL(fresh("comfrey-leaf", "1 cup"))],
    [OXYMEL(fresh("sage", "1 cup"))],
  ],
  [
    "lookalike-hemlock-flower",
    "caution",
    [VINEGAR(fresh("elder-flower", "1 cup"))],
    [VINEGAR(dried("elder-flower", "1 cup"))],
  ],
  [
    "lookalike-moonseed",
    "caution",
    [VINEGAR(fresh("grape", "1 cup"))],
    [VINEGAR(fresh("blackcurrant", "1 cup"))],
  ],
  [
    "lookalike-yew",
    "caution",
    [VINEGAR(fresh("conifer-tips", "1 cup"))],
    [VINEGAR(fresh("rosemary", "1 cup"))],
  ],
  ["lookalike-sumac", "caution", [VINEGAR(fresh("sumac", "1 cup"))], [VINEGAR(dried("sumac"))]],
  ["cassia", "note", [OXYMEL(dried("cinnamon-cassia"))], [OXYMEL(dried("cinnamon-ceylon"))]],
  ["coumarin", "caution", [VINEGAR(dried("sweetgrass"))], [OXYMEL(dried("cinnamon-cassia"))]],
  ["nutmeg", "caution", [OXYMEL(line("nutmeg", "3 tbsp", { form: "powdered" }))], [THYME]],
  ["wild-cherry", "caution", [SYRUP(dried("wild-cherry-bark"))], [SYRUP(dried("cinnamon-ceylon"))]],
  ["stones-out", "note", [HONEY(fresh("damson", "1 cup"))], [VINEGAR(fresh("blackcurrant", "1 cup"))]],
  ["pips", "note", [CIDER(fresh("apple", "1"))], [CIDER(fresh("orange", "1"))]],
  ["hairs", "note", [OXYMEL(dried("rose-hip"))], [THYME]],
  ["liver-alkaloids", "stop", [OXYMEL(dried("coltsfoot-leaf"))], [THYME]],
  ["restricted-plant", "stop", [ownPlant("arnica")], [ownPlant("towpath mint")]],
  ["laxative", "caution", [SYRUP(dried("senna"))], [SYRUP(dried("horehound", "1 cup"))]],
  ["fibre", "caution", [SYRUP(dried("psyllium"))], [SYRUP(dried("horehound", "1 cup"))]],
  ["foraging", "note", [VINEGAR(fresh("nettle", "2 cups"))], [VINEGAR(dried("nettle", "1 cup"))]],
  ["citrus-peel", "note", [CIDER(fresh("lemon", "1"))], [CIDER(fresh("onion", "1 bulb"))]],
  [
    "metal-lid-on-vinegar",
    "caution",
    [{ ...THYME, lid: "metal" }],
    [{ ...HONEY(dried("thyme", "1 cup")), lid: "metal" }],
  ],
  [
    "reactive-ware",
    "stop",
    [{ ...made("oxymel-heated", [dried("thyme", "1 cup")]), ware: "aluminium" }],
    [{ ...made("oxymel-heated", [dried("thyme", "1 cup")]), ware: "enamel" }],
  ],
  ["lead", "stop", [{ ...THYME, vessel: "c-2000", ware: "unknown-glaze" }], [{ ...THYME, vessel: "c-2000" }]],
  [
    "heat-in-glass",
    "stop",
    [{ ...made("oxymel-heated", [dried("thyme", "1 cup")]), vessel: "m-1000" }],
    [made("oxymel-heated", [dried("thyme", "1 cup")])],
  ],
  [
    "hot-bottles",
    "note",
    [made("syrup-cupboard", [dried("horehound", "1 cup")])],
    [SYRUP(dried("horehound", "1 cup"))],
  ],
  ["freezer-headspace", "note", [SYRUP(dried("horehound", "1 cup"))], [WITH_ALCOHOL]],
  [
    "pressure",
    "stop",
    [
      made("syrup-pressure", [dried("elecampane", "1 cup")], {
        vessel: "p-9000",
        steps: [
          { do: "add", what: [dried("elecampane", "1 cup"), line("water", "5.5 L")] },
          { do: "pressure", for: "30 min" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [SYRUP(dried("elecampane", "1 cup"))],
  ],
  [
    "spirit-on-the-boil",
    "stop",
    [
      made("syrup-fridge", [], {
        steps: [
          {
            do: "add",
            what: [dried("horehound", "1 cup"), line("water", "500 mL"), line("brandy", "1 cup")],
          },
          { do: "simmer", for: "20 min" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [made("syrup-spirit", [dried("horehound", "1 cup")])],
  ],
  [
    "spirit-by-flame",
    "note",
    [
      made("tincture-weighed", [dried("thyme", "50 g")], {
        steps: [
          { do: "add", what: [dried("thyme", "50 g"), line("spirit-95", "1:5")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "pressed" },
        ],
      }),
    ],
    [
      made("syrup-spirit", [dried("horehound", "1 cup")], {
        steps: [
          { do: "add", what: [dried("thyme", "1 cup"), line("port", "500 mL")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
  ],
  ["gloves", "note", [CIDER(fresh("horseradish", "6 cm"))], [CIDER(fresh("onion", "1 bulb"))]],
  ["stains", "note", [CIDER(fresh("turmeric", "3 cm"))], [CIDER(fresh("ginger", "3 cm"))]],
  [
    "oil-packed",
    "stop",
    [CIDER(line("creamed-horseradish", "2 tbsp"))],
    [CIDER(fresh("horseradish", "6 cm"))],
  ],
  [
    "soft-water",
    "note",
    [made("tincture-glycerin", [dried("thyme", "1 cup")])],
    [SYRUP(dried("horehound", "1 cup"))],
  ],
  ["watch-the-pot", "note", [SYRUP(dried("horehound", "1 cup"))], [THYME]],
  ["finger-is-no-thermometer", "note", [SYRUP(dried("horehound", "1 cup"))], [THYME]],
  [
    "oxidises",
    "note",
    [CIDER(line("garlic", "6 cloves", { form: "fresh", cut: "crushed" }))],
    [CIDER(line("garlic", "6 cloves", { form: "fresh", cut: "whole" }))],
  ],
  ["low-acid-in-honey", "stop", [HONEY(fresh("garlic", "20 cloves"))], [HONEY(dried("thyme", "1 cup"))]],
  [
    "base-in-vinegar",
    "stop",
    [VINEGAR(line("chalk", "1 tsp"), dried("nettle", "1 cup"))],
    [VINEGAR(dried("nettle", "1 cup"))],
  ],
  ["works-in-fridge", "stop", [made("honey-dried", [fresh("ginger", "1 cup")])], [THYME]],
  [
    "weak-vinegar",
    "caution",
    [
      made("vinegar-plain", [], {
        steps: [
          { do: "add", what: [dried("thyme", "1 cup"), line("cider-vinegar", "fill", { strength: "4 %" })] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [VINEGAR(dried("thyme", "1 cup"))],
  ],
  [
    "unknown-vinegar",
    "caution",
    [
      made("vinegar-plain", [], {
        steps: [
          { do: "add", what: [dried("thyme", "1 cup"), line("home-vinegar", "fill")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [VINEGAR(dried("thyme", "1 cup"))],
  ],
  [
    "thinned-vinegar",
    "caution",
    [CIDER(line("beetroot", "500 g", { form: "fresh", cut: "sliced" }))],
    [CIDER(dried("thyme", "1/2 cup"))],
  ],
  ["moist-honey", "stop", [OXY_HONEY(19.5)], [OXY_HONEY(18.6)]],
  [
    "wet-honey",
    "note",
    [
      made("honey-dried", [], {
        steps: [
          { do: "add", what: [dried("thyme", "1 cup"), line("late-honey", "fill")] },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "drained" },
        ],
      }),
    ],
    [HONEY(dried("thyme", "1 cup"))],
  ],
  [
    "thin-syrup",
    "note",
    [SYRUP(dried("horehound", "1 cup"))],
    [made("syrup-cupboard", [dried("horehound", "1 cup")])],
  ],
  [
    "cool-it-fast",
    "note",
    [made("syrup-fridge", [dried("marshmallow-root", "1 cup")])],
    [made("oxymel-heated", [dried("thyme", "1 cup")])],
  ],
  [
    "herb-above",
    "caution",
    [
      made("vinegar-plain", [], {
        steps: [
          {
            do: "add",
            what: [dried("thyme", "3/4 jar"), line("cider-vinegar", "200 mL", { strength: "6 %" })],
          },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [THYME],
  ],
  ["drinks", "note", [THYME], [OXYMEL(dried("caraway", "1 tsp"))]],
  [
    "honey-over-raw-root",
    "caution",
    [
      made("oxymel-even", [], {
        steps: [
          {
            do: "add",
            what: [fresh("garlic", "10 cloves"), line("honey", "1 part"), line("cider-vinegar", "1 part")],
          },
          { do: "steep", for: "4 weeks" },
          { do: "strain", how: "wrung" },
        ],
      }),
    ],
    [OXYMEL(fresh("garlic", "10 cloves"))],
  ],
  ["lid-loose", "note", [SYRUP(dried("elderberry", "1 cup"))], [THYME]],
  ["marc", "note", [THYME], [SYRUP(dried("elderberry", "1 cup"))]],
  ["not-juice", "note", [VINEGAR(fresh("blackcurrant", "1 cup"))], [THYME]],
  ["health-claim", "caution", [{ ...THYME, name: "Cures coughs" }], [{ ...THYME, name: "Cough oxymel" }]],
  [
    "too-often",
    "caution",
    [{ ...THYME, taken: "A spoon every two hours" }],
    [{ ...THYME, taken: "A spoon in the morning" }],
  ],
  [
    "short-course",
    "note",
    [{ ...THYME, taken: "At first signs, three days, then rest" }],
    [{ ...THYME, taken: "Daily" }],
  ],
];
/** Said of everything that is made or bottled, so that nothing silences them. */
/** What is asked of what befell a batch is tried there: `stood-too-long` in journal/one-history, `plants-stay` in reckoning/stays. */
const STANDING = ["clean-jars", "discard-signs", "nobody-by-that-name", "stood-too-long", "plants-stay"];

describe("every rule speaks and holds its tongue", () => {
  test("none is left out of the table", () =>
    expect([...new Set([...CASES.map((c) => c[0]), ...STANDING])].sort()).toEqual(
      RULES.map((r) => r.id).sort(),
    ));
  test.each(CASES)("%s fires as %s", (id, severity, [plan, ...people]) =>
    expect(of(id, plan, people)?.severity).toBe(severity),
  );
  test.each(CASES)("%s stays silent", (id, _severity, _fires, [plan, ...people]) =>
    expect(of(id, plan, people)).toBeUndefined(),
  );
  test("the standing ones stand at their own step only", () => {
    expect(cautionsAt("make", raised(THYME)).map((c) => c.id)).toContain("clean-jars");
    expect(cautionsAt("plan", raised(THYME)).map((c) => c.id)).not.toContain("clean-jars");
    expect(cautionsAt("bottle", raised(THYME)).map((c) => c.id)).toContain("discard-signs");
  });
});

describe("who it is meant for", () => {
  test("a plain dried-thyme oxymel raises nothing but its standing notes", () =>
    expect(cautionsAt("plan", raised(THYME, [KEEPER])).map((c) => [c.id, c.severity])).toEqual([
      ["honey-under-twelve-months", "note"],
      ["drinks", "note"],
    ]));
  test("a baby is under twelve months until the first of the month after its birthday month", () => {
    const plan = THYME;
    const program = resolve(plan);
    if (!program.ok) throw new Error();
    const on = (today: string) =>
      cautionsOf({
        program: program.value,
        reckoning: reckonProgram(program.value),
        meantFor: [person("the baby", { born: "2026-03" })],
        others: [],
        today,
      }).some((c) => c.severity === "never");
    expect(on("2027-03-31")).toBe(true);
    expect(on("2027-04-01")).toBe(false);
  });
  test("nobody named: the household is thought of, as a note; someone named: the others are left out", () => {
    const thinner = person("the boatwright", { flags: ["blood-thinner"] });
    const plan = CIDER(fresh("garlic", "40 cloves"));
    expect(of("blood", plan, [], [thinner])).toMatchObject({
      severity: "note",
      says: expect.stringContaining("the boatwright"),
    });
    expect(of("blood", plan, [thinner])).toMatchObject({
      severity: "caution",
      says: expect.stringContaining("the boatwright"),
    });
    expect(of("blood", plan, [KEEPER], [thinner])!.says).not.toContain("the boatwright");
  });
  test("honey for the baby of the household is a note on anything, a never when it is meant for it", () => {
    expect(of("honey-for-an-infant", THYME, [KEEPER], [BABY])).toBeUndefined();
    expect(of("honey-under-twelve-months", THYME, [KEEPER], [BABY])!.label).toBe(
      "Contains honey: never for a child under 12 months.",
    );
  });
  test("grams of alcohol and of sugar are shown by the spoon", () => {
    expect(of("alcohol", WITH_ALCOHOL, [CHILD])!.says).toMatch(
      /[12]\.\d g a teaspoon: not for the schoolchild/,
    );
    expect(of("sugar", THYME, [on("blood-sugar")])!.says).toMatch(/[23]\.\d g of sugar/);
  });
  test("an operation three weeks off is not yet near", () =>
    expect(
      of("blood", CIDER(fresh("garlic", "6 cloves")), [person("k", { surgery: "2026-12-20" })])!.severity,
    ).toBe("note"));
});

describe("elder", () => {
  test.each<[string, TrialLine]>([
    ["fresh and ripe", fresh("elderberry", "1 cup")],
    ["dried", dried("elderberry", "1 cup")],
    ["frozen", line("elderberry", "1 cup", { form: "frozen" })],
  ])("%s, in a cold oxymel, is stopped", (_, l) =>
    expect(of("raw-elder", OXYMEL(l))).toMatchObject({
      severity: "stop",
      about: { what: "line" },
    }),
  );
  test("simmered half an hour it is not", () =>
    expect(of("raw-elder", SYRUP(dried("elderberry", "1 cup")))).toBeUndefined());
});

describe("what is asked of the maker", () => {
  test("gravest first", () => {
    const rank: Severity[] = raised({
      ...OXYMEL(dried("coltsfoot-leaf"), dried("wild-ginger"), dried("star-anise")),
      lid: "metal",
    }).map((c) => c.severity);
    expect(rank).toEqual(
      [...rank].sort(
        (a, b) =>
          ["never", "stop", "caution", "note"].indexOf(a) - ["never", "stop", "caution", "note"].indexOf(b),
      ),
    );
  });
  test("a stop is answered by a reason, not by blanks", () => {
    const c = raised(OXYMEL(dried("elderberry", "1/2 cup")));
    expect(unanswered(c, {}).map((x) => x.id)).toEqual(["raw-elder"]);
    expect(unanswered(c, { "raw-elder": "   " })).toHaveLength(1);
    expect(unanswered(c, { "raw-elder": "cooked before it was dried" })).toHaveLength(0);
  });
  test("cooking counts from where the berry goes in to where it is strained off", () => {
    const late: Plan = made("syrup-fridge", [], {
      steps: [
        { do: "add", what: [dried("elderberry", "1 cup"), line("water", "500 mL")] },
        { do: "strain", how: "wrung" },
        { do: "simmer", for: "30 min" },
      ],
    });
    expect(of("raw-elder", late)!.severity).toBe("stop");
    const short: Plan = trial(late, {
      steps: [
        { do: "add", what: [dried("elderberry", "1 cup"), line("water", "500 mL")] },
        { do: "simmer", for: "5 min" },
        { do: "strain", how: "wrung" },
      ],
    });
    expect(of("raw-elder", short)!.severity).toBe("stop");
  });
  test("every caution stands beside something that is there", () => {
    for (const [, , [plan, ...people]] of CASES)
      for (const c of raised(plan, people)) {
        const { about } = c;
        if (about.what === "line") expect(stepOfLine(plan, about.line)).toMatchObject({ do: "add" });
        if (about.what === "step") expect(plan.steps.map((s) => s.id)).toContain(about.step);
      }
  });
  test.each<Stage>(["plan", "make", "strain", "bottle", "label"])("something is said at %s", (stage) =>
    expect(RULES.some((r) => (r.stages ?? [stage]).includes(stage))).toBe(true),
  );
});

describe("ware that gives something to what stands in it", () => {
  const inWare = (plan: Plan, ware: NonNullable<Plan["ware"]>): string[] =>
    raised({ ...plan, ware })
      .filter((c) => c.severity === "stop")
      .map((c) => c.id);
  const brandy = made("tincture-jarful", [], {
    steps: [
      { do: "add", what: [dried("thyme", "1/3 jar"), line("brandy", "fill")] },
      { do: "steep", for: "4 weeks" },
      { do: "strain", how: "wrung" },
    ],
  });
  const honey = HONEY(dried("lime-blossom", "1 cup"));
  test.each<[NonNullable<Plan["ware"]>, string[], string[], string[]]>([
    ["crystal", ["lead"], ["lead"], []],
    ["unknown-glaze", ["lead"], ["lead"], []],
    ["aluminium", ["reactive-ware"], [], []],
    ["copper", ["reactive-ware"], [], []],
    ["iron", ["reactive-ware"], [], []],
    ["brass", ["reactive-ware"], [], []],
    ["galvanised", ["reactive-ware"], [], []],
    ["glass", [], [], []],
    ["stainless", [], [], []],
    ["enamel", [], [], []],
  ])("%s: vinegar %j, brandy %j, dry honey %j", (ware, vinegar, spirit, sweet) => {
    expect(inWare(VINEGAR(dried("thyme", "1 cup")), ware)).toEqual(vinegar);
    expect(inWare(brandy, ware)).toEqual(spirit);
    expect(inWare(honey, ware)).toEqual(sweet);
  });
});

test("docs/cautions.md gives the basis of every rule, word for word", () => {
  const doc = readFileSync(join(__dirname, "../../../docs/cautions.md"), "utf8");
  expect(doc).toContain(basisTable());
});
