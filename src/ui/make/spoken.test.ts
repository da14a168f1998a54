import { expect, test } from "@jest/globals";
import { spoken } from "./spoken";

test.each([
  ["Elderberry\n40 g, dried, whole.", "Elderberry 40 grams, dried, whole."],
  ["Water 1.2 L. To the 10.4 cm mark.", "Water 1.2 litres. To the 10.4 centimetres mark."],
  ["½ tsp cayenne", "½ teaspoons cayenne"],
  ["Simmer it 20 min, at 95 °C.", "Simmer it 20 minutes, at 95 degrees."],
  ["2 h 10 of waiting", "2 hours 10 of waiting"],
  ["Ginger, garlic and hyssop", "Ginger, garlic and hyssop"],
])("“%s” is said “%s”", (shown, said) => expect(spoken(shown)).toBe(said));
