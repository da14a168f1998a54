import { FIRE_CIDER } from "./kinds/fire-cider";
import { HONEY } from "./kinds/honey";
import type { KindSpec, Way } from "./kinds/kind";
import { OXYMEL } from "./kinds/oxymel";
import { SYRUP } from "./kinds/syrup";
import { TINCTURE } from "./kinds/tincture";
import { VINEGAR } from "./kinds/vinegar";
import type { Kind } from "./plan";

export type { Bare, KindSpec, Local, QuestionId, Role, Way, WayLine, WayStep } from "./kinds/kind";

/** Every kind of remedy there is. */
export const KIND: Readonly<Record<Kind, KindSpec>> = {
  syrup: SYRUP,
  oxymel: OXYMEL,
  "fire-cider": FIRE_CIDER,
  honey: HONEY,
  vinegar: VINEGAR,
  tincture: TINCTURE,
};

export const WAYS: readonly Way[] = Object.values(KIND).flatMap((k) => k.ways);
export const waysOf = (kind: Kind): readonly Way[] => KIND[kind].ways;
export const cautiousWay = (kind: Kind): Way => waysOf(kind).find((w) => w.cautious) ?? waysOf(kind)[0]!;
export const wayById = (id: string | undefined): Way | undefined => WAYS.find((w) => w.id === id);
