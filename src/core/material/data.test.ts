import { describe, expect, test } from "@jest/globals";
import { phOf, titratableMol } from "../mixture/acidity";
import { volumeOf } from "../mixture/volume";
import { MATERIALS } from "./catalogue";
import { TAGS, type Tag } from "./tags";
import { stuffOf } from "./material";

const composition = (id: string, asked: Parameters<typeof stuffOf>[1] = {}) => {
  const s = stuffOf(MATERIALS.get(id)!, asked);
  if (!s.ok) throw new Error(s.faults[0]!.message);
  return s.value.composition;
};

describe("what is poured is as sour as public tables have it", () => {
  test.each([
    ["lemon-juice", 2.0, 2.6],
    ["lime-juice", 1.9, 2.6],
    ["orange-juice", 3.3, 4.2],
    ["apple-juice", 3.3, 4.0],
    ["pomegranate-juice", 2.8, 3.3],
    ["red-wine", 3.0, 3.9],
    ["white-wine", 2.9, 3.8],
    ["port", 3.1, 3.9],
    ["cider-vinegar", 2.4, 3.4],
    ["honey", 3.4, 4.4],
    ["treacle", 5, 6.5],
  ])("%s: pH between %p and %p", (id, low, high) => {
    const m = composition(id);
    const ph = phOf(m, volumeOf(m));
    expect([id, ph >= low && ph <= high ? "within" : ph]).toEqual([id, "within"]);
  });
  test("a 5 % vinegar titrates as 5 g of acetic acid in 100 mL", () => {
    const m = composition("cider-vinegar", { strength: 5 });
    expect((100 * titratableMol(m) * 60.052) / volumeOf(m)).toBeCloseTo(5, 1);
  });
  test("black treacle carries thirty milliequivalents of bases in 100 g, leaves a hundred and fifty in 100 g dry", () => {
    expect(composition("treacle")[12]! * 100).toBeCloseTo(30, 6);
    const mint = composition("spearmint", { form: "dried" });
    expect((mint[12]! / (1 - mint[0]!)) * 100).toBeCloseTo(150, 6);
  });
});

describe("figures that decide a promise", () => {
  // Water, mono- and di-sugars, citric and malic acid in g, bases in mEq, of 100 g; as they are, so that none moves unseen.
  test.each<[string, Parameters<typeof stuffOf>[1], readonly number[]]>([
    ["honey", {}, [17.5, 71.1, 9.2, 0, 0, 1.2]],
    ["heather-honey", {}, [19.5, 69.4, 9, 0, 0, 1.2]],
    ["late-honey", {}, [19.6, 69.3, 9, 0, 0, 1.2]],
    ["sugar", {}, [0.1, 0, 100, 0, 0, 0]],
    ["maple-syrup", {}, [32.5, 3.5, 60, 0, 0, 0]],
    ["lemon-juice", {}, [91.5, 2, 0.4, 5.2, 0.2, 3]],
    ["garlic", { form: "fresh" }, [58.6, 0.8, 1.2, 0.1, 0.8, 6]],
    ["ginger", { form: "fresh" }, [79, 1, 1.7, 0.2, 1.1, 10]],
    ["elderberry", { form: "fresh" }, [80, 7.6, 0.2, 0.4, 0.7, 8]],
    ["elderberry", { form: "dried" }, [13, 33.1, 0.9, 1.9, 3, 34.8]],
    ["rose-hip", { form: "fresh" }, [59, 12.3, 0.8, 2.5, 2.6, 20]],
    ["nettle", { form: "fresh" }, [83, 0.9, 0.3, 0.2, 1.9, 24]],
    ["thyme", { form: "dried" }, [9, 4.6, 1.8, 0.9, 11, 136.5]],
    ["hyssop", { form: "dried" }, [9, 4.6, 1.8, 0.9, 11, 136.5]],
    ["onion", { form: "fresh" }, [89, 4.2, 1.1, 0.1, 0.6, 3.5]],
    ["horseradish", { form: "fresh" }, [75, 1.3, 2, 0.3, 1.3, 12]],
    ["vodka-40", {}, [66.7, 0, 0, 0, 0, 0]],
    ["cider-vinegar", {}, [93.8, 0.4, 0, 0, 0, 1.3]],
    ["fennel-seed", { form: "dried" }, [9, 1.8, 2.7, 0.5, 7.3, 94.6]],
    ["lemon-balm", { form: "fresh" }, [82, 0.9, 0.4, 0.2, 2.2, 27]],
    ["hawthorn-berry", { form: "dried" }, [13, 30.5, 1.7, 2.6, 3.5, 26.1]],
    ["turmeric", { form: "fresh" }, [80, 1, 1.6, 0.2, 1, 9]],
    ["beetroot", { form: "fresh" }, [87.6, 0.4, 7.4, 0.1, 0.7, 9]],
    ["calendula", { form: "dried" }, [10, 7.2, 2.7, 0.9, 6.6, 72]],
    ["marshmallow-root", { form: "dried" }, [9, 2.7, 9.1, 0.5, 3.7, 41]],
    ["rosemary", { form: "fresh" }, [68, 1.6, 0.6, 0.3, 3.9, 48]],
    ["sage", { form: "dried" }, [9, 4.6, 1.8, 0.9, 11, 136.5]],
    ["peppermint", { form: "fresh" }, [79, 1, 0.4, 0.2, 2.5, 31.5]],
    ["liquorice", { form: "dried" }, [9, 4.6, 7.3, 0.5, 3.7, 41]],
    ["cranberry", { form: "fresh" }, [87, 3.9, 0.1, 1.3, 1.3, 3.9]],
  ])("%s, %j", (id, asked, expected) => {
    const m = composition(id, asked);
    const got = [m[0]!, m[1]!, m[2]!, m[4]!, m[5]!].map((x) => Math.round(x * 1000) / 10);
    expect([...got, Math.round(m[12]! * 1000) / 10]).toEqual(expected);
  });
});

describe("what is dangerous is tagged", () => {
  const tagged = (t: Tag): string[] =>
    [...MATERIALS.values()]
      .filter((m) => m.row.tags?.includes(t))
      .map((m) => m.row.id)
      .sort();
  test.each<[Tag, string[]]>([
    ["poison", ["aconite", "datura", "foxglove", "hemlock", "lobelia", "poke-root", "ragwort"]],
    ["aristolochic", ["birthwort", "wild-ginger"]],
    ["not-food", ["isopropyl", "methylated"]],
    ["essential-oil", ["essential-oil"]],
    ["kernel-eaten", ["apricot-kernel", "plum-kernel"]],
    ["elder-parts", ["elder-bark", "elder-leaf", "unripe-elderberry"]],
    ["raw-toxic", ["elderberry"]],
    ["pyrrolizidine", ["boneset", "borage-leaf", "butterbur", "coltsfoot-leaf", "comfrey-leaf", "comfrey-root"]],
    ["pregnancy-stop", ["pennyroyal", "rue", "tansy", "wormwood"]],
    ["interacts", ["st-johns-wort"]],
    ["low-acid", ["beetroot", "black-garlic", "carrot", "celeriac", "celery", "elephant-garlic", "fennel-bulb", "garlic", "leek", "onion", "radish", "red-onion", "shallot"]],
    ["low-acid-herb", ["ramps", "wild-garlic", "wild-onion"]],
    ["acetic-unknown", ["home-vinegar"]],
    ["base", ["baking-soda", "chalk", "wood-ash"]],
    ["oil-packed", ["creamed-horseradish", "garlic-in-oil"]],
    ["cyanide", ["wild-cherry-bark"]],
    ["kava", ["kava"]],
    ["liquorice", ["liquorice"]],
    ["bee", ["bee-pollen", "propolis"]],
  ])("%s", (tag, ids) => expect(tagged(tag)).toEqual(ids)); // prettier-ignore
  test("every tag is borne by some material", () =>
    // What a bottle of ours brings with it, and what only a plant written down by hand is, is in no row of the catalogue.
    expect(
      TAGS.filter((t) => !t.startsWith("holds-") && t !== "restricted" && tagged(t).length === 0),
    ).toEqual([]));
  test("no two materials bear one first name, and no name stands twice for different plants' first names", () => {
    const first = [...MATERIALS.values()].map((m) => m.row.names[0]!.toLowerCase());
    expect(first.filter((n, i) => first.indexOf(n) !== i)).toEqual([]);
  });
});
