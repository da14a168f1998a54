import type { Rule } from "../caution";
import { AGES } from "./people/ages";
import { ALLERGIC } from "./people/allergic";
import { CONDITIONS } from "./people/conditions";
import { MEDICINES } from "./people/medicines";

/** Everything that depends on who takes it. */
export const PEOPLE: readonly Rule[] = [...AGES, ...MEDICINES, ...CONDITIONS, ...ALLERGIC];
