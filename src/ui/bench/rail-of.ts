import type { Line, Plan } from "@/core/remedy/plan";
import type { Reckoning } from "@/core/remedy/reckon";
import type { Program, Resolved } from "@/core/remedy/resolve";
import { scaleText } from "@/core/remedy/ingredient";
import { printCount } from "@/core/quantity/number";
import { type Joint, type Notch, type Segment } from "../figures/rail";
import { substanceOf } from "../figures/substance";
import { changeLine } from "./state";

type Change = (plan: Plan, about: string) => void;

const parts = (n: number): string => `${printCount(Number(n.toFixed(n < 3 ? 2 : 1)))} ${n > 1.005 ? "parts" : "part"}`;
const SWEETS = new Set(["honey", "sugar", "syrup"]);
const OXYMEL: readonly Notch[] = [{ share: 2 / 3, name: "sweet" }, { share: 0.5, name: "even" }, { share: 1 / 3, name: "sharp" }];
const AFTER: readonly Notch[] = [{ share: 1 / 5, name: "¼ to 1" }, { share: 1 / 3, name: "½ to 1" }, { share: 3 / 7, name: "¾ to 1" }, { share: 0.5, name: "1 to 1" }, { share: 2 / 3, name: "2 to 1" }];

/**
 * The rail of a plan: herb, then what is poured by parts; or, where sweetness comes after straining, liquid and sweetener.
 * @returns nothing where a plan has no ratio to drag.
 */
export function railOf(plan: Plan, program: Program, r: Reckoning, change: Change): { segments: Segment[]; joints: Joint[] } | undefined {
  const poured = program.lines.filter((l) => l.atOnce && l.amount.kind === "part" && !l.stuff.plant);
  const set = (p: Plan, l: Resolved, amount: string): Plan => changeLine(p, l.step, l.place, (x: Line) => ({ ...x, amount }));
  if (poured.length >= 2) {
    const part = program.partMl ?? 1;
    const first = poured[0]!;
    const unit = first.amount.kind === "part" ? first.amount.count.value : 1;
    const herbs = program.lines.filter((l) => l.atOnce && l.stuff.plant);
    const herbMl = herbs.reduce((s, l) => s + l.grams / l.stuff.bulkLoose, 0);
    const count = (l: Resolved): number => (l.amount.kind === "part" ? l.amount.count.value : 0);
    const segments: Segment[] = [
      ...(herbMl > 0 ? [{ name: "herb", substance: substanceOf(herbs[0]!.stuff), parts: herbMl / part / unit, words: `herb ${parts(herbMl / part / unit)}` }] : []),
      ...poured.map((l) => ({ name: l.stuff.name, substance: substanceOf(l.stuff), parts: count(l) / unit, words: `${l.stuff.name.split(" ").at(-1)} ${parts(count(l) / unit)}` })),
    ];
    const base = herbMl > 0 ? 1 : 0;
    const joints: Joint[] = [];
    if (herbMl > 0 && herbs.some((h) => h.amount.kind === "jar" || h.amount.kind === "measure" || h.amount.kind === "part")) {
      joints.push({
        left: 0, name: "Herb against what is poured first", notches: [],
        move: (share, dragging) => {
          const now = segments[0]!.parts;
          const wanted = (segments[1]!.parts * (1 - share)) / share;
          let next = plan;
          for (const h of herbs) next = set(next, h, scaleText(h.line.amount, h.amount, wanted / now));
          change(next, dragging ? "drag-herb" : "nudge-herb");
        },
      });
    }
    for (let i = 0; i + 1 < poured.length; i++) {
      const [a, b] = [poured[i]!, poured[i + 1]!];
      const sourSweet = a.stuff.class === "vinegar" && SWEETS.has(b.stuff.class);
      joints.push({
        left: base + i, name: `${a.stuff.name} against ${b.stuff.name}`, notches: sourSweet ? OXYMEL : [{ share: 0.5, name: "even" }],
        move: (share, dragging) => {
          // The left one stays a whole part where it is the first, so that the ratio reads as people say it.
          const left = i === 0 ? 1 : count(a);
          let next = plan;
          if (i === 0) for (const l of poured.slice(1)) next = set(next, l, parts(count(l) / unit));
          next = set(next, a, parts(left));
          next = set(next, b, parts((left * share) / (1 - share)));
          change(next, dragging ? "drag-parts" : "nudge-parts");
        },
      });
    }
    return { segments, joints };
  }
  const after = program.lines.find((l) => l.stage === "finish" && l.amount.kind === "of-liquid" && SWEETS.has(l.stuff.class));
  if (after && after.amount.kind === "of-liquid" && r.strained.ml.value > 0) {
    const n = after.amount.count.value;
    return {
      segments: [
        { name: "strained liquid", substance: "decoction", parts: 1, words: "liquid, as strained" },
        { name: after.stuff.name, substance: substanceOf(after.stuff), parts: n, words: `${after.stuff.name} ${printCount(Number(n.toFixed(2)))} to 1` },
      ],
      joints: [{ left: 0, name: `Liquid against ${after.stuff.name}`, notches: AFTER, move: (share, dragging) => change(set(plan, after, `${printCount(Number((share / (1 - share)).toFixed(2)))} of liquid`), dragging ? "drag-parts" : "nudge-parts") }],
    };
  }
  return undefined;
}
