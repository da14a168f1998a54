import { withIds } from "../src/core/plan/ids";
import type { Plan } from "../src/core/plan/plan";

/** The plan most tests of the store begin: a thyme oxymel in a litre jar, in these amounts. */
export const thymeOxymel = (thyme = "1 cup", vinegar = "1 part", honey = "1 part"): Plan =>
  withIds({
    format: "jolly-crock/plan",
    version: 2,
    units: "us",
    name: "Thyme oxymel",
    kind: "oxymel",
    vessel: "m-1000",
    steps: [
      {
        do: "add",
        what: [
          { material: "thyme", form: "dried", amount: thyme },
          { material: "cider-vinegar", amount: vinegar },
          { material: "honey", amount: honey },
        ],
      },
      { do: "steep", for: "6 weeks", in: "dark-cupboard" },
      { do: "strain", how: "wrung" },
      { do: "bottle" },
    ],
  });
