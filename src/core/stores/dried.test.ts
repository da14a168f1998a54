import { resolve } from "../reckoning/resolve";
import { withIds } from "../plan/ids";
import { allot } from "./allot";
import { driedBefore, driedLot, frozenLot, hungUp } from "./dried";
import { type StoreEvent, type Stored, foldStored } from "./events";
import type { Lot } from "./item";
import { pricePerG } from "./cost";

const LOT: Lot = {
  what: "lot",
  material: "thyme",
  form: "fresh",
  amount: "200 g",
  grams: 200,
  price: 4,
  got: "2026-11-01",
};
let seq = 0;
const kept = (item: Lot): StoreEvent =>
  ({
    type: "kept",
    version: 3,
    streamId: "x",
    seq: ++seq,
    key: String(seq),
    at: "",
    recordedAt: "",
    day: "2026-11-01",
    body: { item },
  }) as unknown as StoreEvent;
const folded = (...items: Lot[]): Stored => foldStored(items.map(kept))!;

describe("a lot hung up to dry", () => {
  const hung = folded(LOT, hungUp(LOT, "2026-11-02"));
  const dried = {
    ...driedLot({ ...LOT, drying: "2026-11-02" }, { leftG: 200, amount: "44 g", today: "2026-11-11" }),
    grams: 44,
  };
  const plan = (form: "fresh" | "dried") =>
    resolve(
      withIds({
        format: "jolly-crock/plan",
        version: 2,
        units: "metric",
        name: "x",
        kind: "honey",
        vessel: "m-500",
        steps: [
          {
            do: "add",
            what: [
              { material: "thyme", form, amount: "20 g" },
              { material: "honey", amount: "fill" },
            ],
          },
        ],
      }),
    );
  const takes = (s: Stored, form: "fresh" | "dried"): number => {
    const p = plan(form);
    if (!p.ok || s.item.what !== "lot") throw new Error("no lot");
    return allot(p.value, [{ ...s.item, id: s.id, leftG: s.leftG }])[0]!.takes.length;
  };

  it("gives nothing while it hangs, and what it weighs once it is dry", () => {
    expect(takes(folded(LOT), "fresh")).toBe(1);
    expect([takes(hung, "fresh"), takes(hung, "dried")]).toEqual([0, 0]);
    const dry = folded(LOT, hungUp(LOT, "2026-11-02"), dried);
    expect([takes(dry, "fresh"), takes(dry, "dried")]).toEqual([0, 1]);
    expect(dry.leftG).toBe(44);
  });

  it("costs by the gram what all of it cost, for what is left of it", () => {
    const dry = folded(LOT, dried);
    if (dry.item.what !== "lot") throw new Error("no lot");
    expect(pricePerG({ ...dry.item, boughtG: dry.boughtG })).toBeCloseTo(4 / 44, 6);
  });

  it("teaches what is lost and how long it takes", () => {
    const other = folded({
      ...dried,
      grams: 36,
      was: { form: "fresh", grams: 200, since: "2026-10-01", done: "2026-10-08" },
    });
    expect(driedBefore([folded(dried), other], "thyme")).toEqual({ share: 0.2, days: 8, times: 2 });
    expect(driedBefore([folded(dried)], "sage")).toBeUndefined();
  });

  it("goes into the ice box as it is", () => {
    const frozen = frozenLot(LOT, { leftG: 150, amount: "150 g", today: "2026-11-05" });
    expect(frozen).toMatchObject({ form: "frozen", amount: "150 g", was: { form: "fresh", grams: 150 } });
    expect(driedBefore([folded({ ...frozen, grams: 150 })], "thyme")).toBeUndefined();
  });
});
