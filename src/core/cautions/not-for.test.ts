import { describe, expect, test } from "@jest/globals";
import { MATERIALS } from "../material/catalogue";
import { FLAGS, type Person } from "../people/person";
import { line, made } from "../plan/trial";
import { reckonProgram } from "../reckoning/reckon";
import { resolve } from "../reckoning/resolve";
import { RANK } from "./rank";
import { notFor } from "./not-for";
import { cautionsOf } from "./rules";

const TODAY = "2026-11-24";
const of = (name: string, more: Partial<Person> = {}): Person => ({
  name,
  flags: [],
  allergies: [],
  ...more,
});

/** The gravest thing an oxymel of it, as the Bench would judge it, says of somebody and of nobody else. */
function judged(material: string, p: Person): "no" | "ask" | "nothing" {
  const plan = made("oxymel-even", [line(material, "30 g", { form: "dried" })]);
  const program = resolve(plan);
  if (!program.ok) return "nothing";
  const asked = { program: program.value, reckoning: reckonProgram(program.value), others: [], today: TODAY };
  const bare = made("oxymel-even", []);
  const poured = resolve(bare);
  const besides = poured.ok
    ? cautionsOf({
        program: poured.value,
        reckoning: reckonProgram(poured.value),
        meantFor: [p],
        others: [],
        today: TODAY,
      })
    : [];
  const before = new Set(
    [...cautionsOf({ ...asked, meantFor: [] }), ...besides].map((c) => `${c.id} ${c.severity}`),
  );
  const own = cautionsOf({ ...asked, meantFor: [p] }).filter((c) => !before.has(`${c.id} ${c.severity}`));
  const worst = Math.min(...own.map((c) => RANK[c.severity]), RANK.note);
  if (worst <= RANK.stop) return "no";
  return worst <= RANK.caution ? "ask" : "nothing";
}

const HERBS = ["liquorice", "mugwort", "wormwood", "kava", "ginkgo", "valerian", "hyssop", "thyme", "nettle", "juniper", "vitex", "comfrey-leaf", "st-johns-wort", "elderberry", "fennel-seed"]; // prettier-ignore

describe("what somebody must not have", () => {
  test.each(FLAGS.map((f) => [f]))("%s: herb by herb as the Bench judges it", (flag) => {
    const p = of("the boatwright", { flags: [flag] });
    const said = notFor(p, HERBS.filter((h) => MATERIALS.has(h)), TODAY); // prettier-ignore
    for (const h of HERBS.filter((x) => MATERIALS.has(x)))
      expect([h, said.find((s) => s.material === h)?.grave ?? "nothing"]).toEqual([h, judged(h, p)]);
  });
  test("the baby has no honey and no spirit; someone grown with nothing to think of may have all of it", () => {
    const all = ["honey", "vodka-40", "thyme"];
    const baby = notFor(of("the baby", { born: "2026-03" }), all, TODAY);
    expect(baby.filter((s) => s.grave === "no").map((s) => s.material)).toEqual(["honey", "vodka-40"]);
    expect(baby[0]!.says).toMatch(/honey/i);
    expect(notFor(of("the keeper"), [...all, ...HERBS.slice(0, 5)], TODAY)).toEqual([]);
  });
  test("an allergy by the plant's own name, and by its kin", () => {
    const p = of("the boatwright", { allergies: ["yarrow"] });
    const said = notFor(p, ["yarrow", "chamomile", "thyme"], TODAY);
    expect(said.map((s) => s.material)).toContain("yarrow");
    expect(said.map((s) => s.material)).not.toContain("thyme");
  });
});
