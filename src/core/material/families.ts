import { dictionary } from "../words";

/**
 * Plant families that allergies run in, the plain words people say for them, and what else someone with such an allergy reacts to.
 * Families by genus as in any flora; cross-reactions as allergy guidance lists them (mugwort–celery–spice, ragweed–daisy, cashew–mango–sumac,
 * latex–fruit left out).
 */
export interface Family {
  readonly id: string;
  /** “of the daisy family”. */
  readonly name: string;
  /** Words that name it or one of its own that is not in the catalogue. */
  readonly words: readonly string[];
  readonly genera: readonly string[];
}

// prettier-ignore
export const FAMILIES: readonly Family[] = [
  { id: "daisy", name: "daisy", words: ["daisy", "aster", "compositae", "composite", "asteraceae", "ragweed", "ambrosia", "mugwort", "chrysanthemum", "marigold", "sunflower", "camomile", "chamomile", "arnica", "yarrow", "feverfew", "artemisia"],
    genera: ["matricaria", "chamaemelum", "calendula", "echinacea", "achillea", "artemisia", "tanacetum", "inula", "arctium", "taraxacum", "silybum", "cichorium", "solidago", "eupatorium", "tussilago", "petasites", "senecio", "jacobaea"] },
  { id: "celery", name: "celery", words: ["celery", "carrot", "umbellifer", "umbelliferae", "apiaceae", "parsley"],
    genera: ["apium", "daucus", "petroselinum", "levisticum", "angelica", "foeniculum", "anethum", "carum", "pimpinella", "coriandrum", "cuminum", "ligusticum", "centella", "conium"] },
  { id: "cashew", name: "cashew", words: ["cashew", "mango", "pistachio", "sumac", "sumach", "urushiol", "anacardiaceae", "poison ivy", "pink pepper"], genera: ["rhus"] },
  { id: "mint", name: "mint", words: ["mint", "labiatae", "lamiaceae", "lamiacea"],
    genera: ["mentha", "thymus", "salvia", "origanum", "ocimum", "melissa", "hyssopus", "marrubium", "lavandula", "nepeta", "scutellaria", "satureja", "monarda", "prunella", "pycnanthemum", "leonurus", "glechoma", "betonica"] },
  { id: "onion", name: "onion", words: ["onion", "garlic", "allium", "alliaceae", "leek"], genera: ["allium"] },
  { id: "mustard", name: "mustard", words: ["mustard", "brassica", "cruciferae", "brassicaceae", "horseradish", "wasabi"], genera: ["armoracia", "sinapis", "brassica", "raphanus", "lepidium"] },
  { id: "legume", name: "pea", words: ["legume", "fabaceae", "leguminosae", "pulses", "pea family"],
    genera: ["trifolium", "melilotus", "trigonella", "glycyrrhiza", "astragalus", "senna", "albizia", "cytisus"] },
  // Peanut, soya and their near kin: of the herbs fenugreek and lupin are known to go with them, liquorice and clover are not.
  { id: "peanut", name: "peanut", words: ["pea", "peanut", "groundnut", "soya", "soy", "soybean", "lupin", "chickpea", "lentil"], genera: ["trigonella", "lupinus"] },
  { id: "nightshade", name: "nightshade", words: ["nightshade", "solanaceae", "capsicum", "chilli", "sweet pepper", "bell pepper", "hot pepper", "red pepper", "tomato", "paprika", "aubergine", "potato"], genera: ["capsicum", "solanum", "lycium", "withania", "datura"] },
  { id: "citrus", name: "citrus", words: ["citrus", "rutaceae"], genera: ["citrus", "ruta"] },
  { id: "rose", name: "rose", words: ["rosaceae", "stone fruit"], genera: ["rosa", "rubus", "fragaria", "prunus", "malus", "pyrus", "cydonia", "crataegus", "sorbus", "filipendula", "agrimonia", "alchemilla", "aronia"] },
  { id: "ginger", name: "ginger", words: ["ginger", "zingiberaceae", "cardamom", "turmeric"], genera: ["zingiber", "curcuma", "alpinia", "elettaria"] },
  { id: "salicylate", name: "willow", words: ["aspirin", "salicylate", "salicylic acid", "salicylic", "acetylsalicylic", "willow"], genera: ["salix", "filipendula", "betula", "gaultheria", "primula", "populus"] },
  { id: "birch", name: "birch pollen", words: ["birch", "birch pollen", "betulaceae", "alder", "hazel"], genera: ["betula", "malus", "prunus", "pyrus", "apium", "daucus"] },
  { id: "pine", name: "pine", words: ["pine", "conifer", "colophony", "rosin", "pinaceae"], genera: ["pinus", "picea", "abies", "juniperus"] },
  { id: "gluten", name: "gluten", words: ["gluten", "wheat", "coeliac", "celiac", "barley", "rye", "malt", "oat", "cereal"], genera: ["avena", "hordeum", "triticum", "secale"] },
  { id: "mushroom", name: "fungi", words: ["mushroom", "fungus", "fungi", "mould", "yeast"], genera: ["ganoderma", "trametes", "inonotus", "lentinula", "hericium", "grifola", "pleurotus", "agaricus", "cordyceps", "ophiocordyceps", "fomitopsis", "auricularia", "boletus"] },
  { id: "chocolate", name: "cacao", words: ["chocolate", "cocoa", "cacao"], genera: ["theobroma"] },
  { id: "iodine", name: "seaweed", words: ["iodine", "seaweed", "kelp", "algae"], genera: ["laminaria", "fucus", "ascophyllum", "saccharina", "chondrus", "palmaria", "undaria", "macrocystis", "porphyra"] },
  { id: "mallow", name: "mallow", words: ["mallow", "malvaceae"], genera: ["althaea", "malva", "hibiscus"] },
];

/** What holds something that people react to and that is no plant’s kin: by what the thing is, not by its genus. */
export const HELD_BY: Readonly<Record<string, { readonly words: readonly string[]; readonly materials: readonly string[] }>> = {
  gluten: { words: ["gluten", "wheat", "coeliac", "celiac", "barley", "malt", "cereal"], materials: ["malt-vinegar", "oatstraw", "milky-oats"] },
  sulphites: { words: ["sulphite", "sulfite", "sulphur dioxide", "sulfur dioxide", "sulphites", "sulfites"], materials: ["red-wine", "white-wine", "sherry", "port", "mead", "red-wine-vinegar", "white-wine-vinegar", "balsamic-vinegar", "sherry-vinegar", "raisin"] },
}; // prettier-ignore

/** What comes from bees, and the words for an allergy to it. */
export const BEE_WORDS: ReadonlySet<string> = new Set([
  "bee",
  "honey",
  "propolis",
  "pollen",
  "royal jelly",
  "bee sting",
  "beeswax",
  "venom",
]);

const byGenus = dictionary<readonly Family[]>(
  FAMILIES.reduce<Record<string, Family[]>>((all, f) => {
    for (const g of f.genera) (all[g] ??= []).push(f);
    return all;
  }, {}),
);

/** Families of a plant, by its Latin name. */
export const familiesOf = (latin: string | undefined): readonly Family[] =>
  byGenus[latin?.toLowerCase().replace(/^×\s*/, "").split(" ")[0] ?? ""] ?? [];
