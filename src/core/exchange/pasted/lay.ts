import { type AddStep, type FoundLine, FoundLines, type NewStep } from "./found-lines";
import { withIds } from "../../plan/ids";
import { cautiousWay } from "../../plan/kinds";
import {
  type Kind,
  type Line,
  PLAN_FORMAT,
  PLAN_VERSION,
  type Plan,
  type PlanFile,
  type Step,
} from "../../plan/plan";
import { localStep, roleOf } from "../../plan/ways";
import { printReduction, readReduction } from "../../reading/reductions";
import { printTemperature } from "../../reading/print";
import type { Act } from "./acts";

/** Puts lines and deeds together. */
export class Laying extends FoundLines {
  /** Before the first heat or wait: what it is done with, if nothing was said to go in. */
  private begin(): void {
    if (this.steps.length > 0) return;
    const after = new Set<string>(LATE[this.kind]);
    for (const l of this.lines) if (!after.has(roleOf(l.line))) this.place(l);
    if (this.steps.length === 0) this.placeAll("all", []);
  }

  simmer(a: Act): void {
    this.begin();
    if (a.forText === undefined) {
      if (this.has("simmer")) return;
      this.took.push("How long it simmers is not said: 20 min is taken.");
    }
    this.steps.push({
      do: "simmer",
      for: a.forText ?? "20 min",
      ...(a.lid ? { lid: a.lid } : {}),
      ...(a.loses ? { loses: a.loses } : {}),
    });
  }
  pressure(a: Act): void {
    this.begin();
    if (a.forText === undefined)
      this.took.push("How long it cooks under pressure is not said: 20 min is taken.");
    this.steps.push({ do: "pressure", for: a.forText ?? "20 min" });
  }
  reduce(to: string): void {
    this.begin();
    const read = readReduction(to, this.system);
    // A volume stays as it was typed.
    const typed = to.replace(/^to\s+/i, "").replace(/\.$/, "");
    const asTyped = read.ok && "toMl" in read.value && readReduction(typed, this.system).ok;
    if (read.ok) this.steps.push({ do: "reduce", to: asTyped ? typed : printReduction(read.value) });
  }
  steep(a: Act): void {
    this.begin();
    // In a pot a short while without a word for it is on the heat.
    if (
      this.kind === "syrup" &&
      a.for &&
      a.for.days.high < 1 / 8 &&
      ["add", "cover"].includes(a.deed) &&
      !this.strained
    )
      return this.simmer(a);
    const last = this.steps.at(-1);
    // “Leave it in a dark cupboard. Let it steep for six weeks.” is one steep.
    if (last?.do === "steep" && last.for === a.forText) return;
    this.steps.push({ do: "steep", for: a.forText!, ...(a.place ? { in: a.place } : {}) });
  }
  cool(c: number): void {
    if (this.steps.length === 0 || this.steps.at(-1)!.do === "cool") return;
    this.steps.push({ do: "cool", to: printTemperature(c, this.system === "us" ? "F" : "C") });
  }
  strain(a: Act): void {
    this.begin();
    // A thing strained twice stays strained; what is done to the cloth's plants again is no second straining of the liquid.
    if (this.steps.at(-1)?.do === "strain") {
      const last = this.steps.at(-1) as Extract<NewStep, { do: "strain" }>;
      if (a.how) last.how = a.how;
      return;
    }
    this.steps.push({ do: "strain", how: a.how ?? "drained" });
  }

  /** Whatever was listed and never named again goes where its kind usually has it. */
  private rest(): void {
    const waiting = this.lines.filter((l) => !l.placed);
    const late = new Set<string>(LATE[this.kind]);
    const first = this.steps.find((s) => s.do === "add") as AddStep | undefined;
    const cut = this.steps.findIndex((s) => s.do === "strain");
    for (const l of waiting) {
      l.placed = true;
      if ((late.has(roleOf(l.line)) || this.ofLiquid(l)) && cut >= 0) {
        const after = this.steps.slice(cut + 1).find((s) => s.do === "add") as AddStep | undefined;
        if (after) after.what.push(l.line as Line);
        else this.steps.splice(cut + 1, 0, { do: "add", what: [l.line as Line] });
        this.took.push(`When the ${nameOf(l)} goes in is not said: after straining is taken.`);
      } else if (first) first.what.push(l.line as Line);
      else this.steps.unshift({ do: "add", what: [l.line as Line] });
    }
  }

  /** The steps of the kind’s cautious way, with what was found in them, where no method was said. */
  private usualSteps(): void {
    const way = cautiousWay(this.kind);
    const late = new Set<string>(LATE[this.kind]);
    const after = this.lines.filter((l) => late.has(roleOf(l.line)) || this.ofLiquid(l));
    const before = this.lines.filter((l) => !after.includes(l));
    for (const s of way.steps) {
      if (s.do !== "add") this.steps.push(localStep(s, this.system) as NewStep);
      else if (!this.has("add"))
        this.steps.push({ do: "add", what: (before.length > 0 ? before : after).map((l) => l.line as Line) });
    }
    if (after.length > 0 && before.length > 0) {
      const cut = this.steps.findIndex((s) => s.do === "bottle");
      this.steps.splice(cut < 0 ? this.steps.length : cut, 0, {
        do: "add",
        what: after.map((l) => l.line as Line),
      });
    }
    for (const l of this.lines) l.placed = true;
    this.took.push(`How it is made is not said: it is laid out as “${way.name}”.`);
  }

  /** The plan of it. */
  plan(name: string, hot: boolean, more: Partial<Plan>): Plan {
    if (!this.steps.some((s) => s.do !== "add")) {
      this.steps.length = 0;
      this.usualSteps();
    } else {
      this.rest();
      this.complete();
      this.afterCloth();
    }
    const first = this.steps[0];
    if (this.before && first) first.words = first.words ? `${this.before}. ${first.words}` : this.before;
    const last = this.steps.at(-1);
    if (last?.do !== "bottle") this.steps.push({ do: "bottle", ...(hot ? { hot: true } : {}) });
    const file: PlanFile = {
      format: PLAN_FORMAT,
      version: PLAN_VERSION,
      units: this.system,
      name,
      kind: this.kind,
      ...(this.shake ? { shake: this.shake } : {}),
      ...more,
      steps: ordered(this.steps) as PlanFile["steps"],
    } as PlanFile;
    return withIds(file);
  }

  /** Sets in what waited for the cloth: once it has cooled, where that is said. */
  private afterCloth(): void {
    if (this.waits.length === 0) return;
    const cut = this.steps.findIndex((s) => s.do === "strain");
    let at = cut + 1;
    while (this.steps[at]?.do === "cool") at++;
    const what = this.waits.map((l) => l.line as Line);
    const next = this.steps[at];
    if (next?.do === "add") (next as AddStep).what.unshift(...what);
    else this.steps.splice(at, 0, { do: "add", what });
  }

  /** What no recipe leaves out and some forget to say. */
  private complete(): void {
    const heated = this.steps.some((s) => s.do === "simmer" || s.do === "reduce" || s.do === "pressure");
    if (!heated && !this.has("steep")) {
      const way = cautiousWay(this.kind);
      const steep = way.steps.find((s) => s.do === "steep" || s.do === "simmer");
      if (steep) {
        const cut = this.steps.findIndex((s) => s.do === "strain");
        this.steps.splice(cut < 0 ? this.steps.length : cut, 0, localStep(steep, this.system) as NewStep);
        this.took.push("How long it stands is not said: what is usual is taken.");
      }
    }
    if (!this.strained && this.lines.some((l) => l.material.kind === "plant")) {
      const heats = ["simmer", "reduce", "pressure", "steep"];
      const at = this.steps.findLastIndex((s) => heats.includes(s.do));
      this.steps.splice(at + 1, 0, { do: "strain", how: "drained" });
      this.took.push("That it is strained is not said: it is taken.");
    }
  }
}

const nameOf = (l: FoundLine): string => l.material.row.names[0]!;

/** What goes in after straining where nothing is said, by kind. */
const LATE: Readonly<Record<Kind, readonly string[]>> = {
  syrup: ["sweet", "spirit", "glycerin", "sour"],
  "fire-cider": ["sweet"],
  oxymel: [],
  honey: [],
  vinegar: ["sweet"],
  tincture: ["sweet", "glycerin"],
};

/** Plants stand before what is poured over them. */
const ordered = (steps: readonly NewStep[]): NewStep[] =>
  steps
    .filter((s) => s.do !== "add" || (s as AddStep).what.length > 0)
    .map((s) => {
      if (s.do !== "add") return s;
      const { what } = s as AddStep;
      return {
        ...s,
        what: [...what.filter((l) => roleOf(l) === "herb"), ...what.filter((l) => roleOf(l) !== "herb")],
      } as NewStep;
    });

/** Whether a kind is made in a pot where heat was said. */
export const wantsPot = (steps: readonly Step[]): boolean =>
  steps.some((s) => s.do === "simmer" || s.do === "reduce" || s.do === "pressure");
