import { itemsOfBottles } from "./of-bottles";

const due = (place: string, best_by: string, bottles = 2) => ({
  ...{ batch_id: "b1", code: "OX-26-01", name: "Thyme oxymel", place, best_by, bottles },
  ...{ changes: 3, changed_at: new Date("2026-11-30T09:00:00Z") },
});

test("two days of bottles in one place are two things in the calendar, and the first keeps its name", () => {
  const one = itemsOfBottles([due("fridge", "2027-01-03")]);
  const two = itemsOfBottles([
    due("fridge", "2027-01-03"),
    due("fridge", "2027-02-01", 1),
    due("cupboard", "2027-02-01"),
  ]);
  expect(one[0]!.uid).toBe("b1-fridge-best-by@jolly-crock");
  expect(two[0]!.uid).toBe(one[0]!.uid);
  expect(new Set(two.map((i) => i.uid)).size).toBe(3);
  expect(two[1]).toMatchObject({
    summary: "Best by today: OX-26-01 Thyme oxymel, 1 bottle",
    when: { from: "2027-02-01" },
  });
});
