import { describe, expect, test } from "@jest/globals";
import { spawnSync } from "node:child_process";
import { existsSync, mkdtempSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { readPlan } from "../../src/core/plan/file";
import { reckon } from "../../src/core/reckoning/reckon";
import { planSchema } from "../../src/core/exchange/schema";
import { ROOT } from "../support";

const dir = mkdtempSync(join(tmpdir(), "jolly-command-"));
const jolly = (...args: string[]) => {
  const r = spawnSync(join(ROOT, "jolly"), args, {
    cwd: dir,
    encoding: "utf8",
    env: { ...process.env, DATABASE_URL: "", DATABASE_ROOT: "" },
  });
  return { code: r.status, out: r.stdout, err: r.stderr };
};
const file = (name: string, content: unknown): string => {
  const f = join(dir, name);
  writeFileSync(f, typeof content === "string" ? content : JSON.stringify(content));
  return f;
};
const EXAMPLES = join(ROOT, "docs/examples");

describe("./jolly reckon", () => {
  test.each(readdirSync(EXAMPLES).filter((f) => f.endsWith(".json")))(
    "%s gives the numbers the core gives",
    (name) => {
      const r = jolly("reckon", join(EXAMPLES, name));
      expect(r.err).toBe("");
      expect(r.code).toBe(0);
      const plan = readPlan(JSON.parse(readFileSync(join(EXAMPLES, name), "utf8")));
      const here = plan.ok ? reckon(plan.value) : undefined;
      const { because, cautions, ...numbers } = JSON.parse(r.out) as {
        because: string[];
        cautions: { severity: string }[];
      };
      expect(numbers).toEqual(JSON.parse(JSON.stringify(here?.ok ? here.value : undefined)));
      expect(because[0]).toMatch(/^[A-Z].*\.$/);
      expect(cautions.length).toBeGreaterThan(2);
      expect(cautions.every((c) => c.severity === "note")).toBe(true);
    },
  );
  test.each([
    [
      "a caution stands against it: 1",
      { material: "wormwood", form: "dried", amount: "1 cup" },
      1,
      "caution",
    ],
    ["a stop: 1", { material: "elderberry", form: "dried", amount: "1 cup" }, 1, "stop"],
    ["a never: 3", { material: "foxglove", form: "dried", amount: "1 cup" }, 3, "never"],
  ])("%s", (_, herb, code, severity) => {
    const plan = JSON.parse(readFileSync(join(EXAMPLES, "oxymel.json"), "utf8")) as {
      steps: { what: object[] }[];
    };
    plan.steps[0]!.what.unshift(herb);
    const r = jolly("reckon", file("herb.json", plan));
    expect([r.code, r.err]).toEqual([code, ""]);
    const { cautions } = JSON.parse(r.out) as { cautions: { severity: string }[] };
    expect(cautions[0]!.severity).toBe(severity);
  });
  test("bad input exits 2 with a named error and the path of the field", () => {
    const plan = JSON.parse(readFileSync(join(EXAMPLES, "oxymel.json"), "utf8")) as {
      steps: { what: { amount: string }[] }[];
    };
    plan.steps[0]!.what[1]!.amount = "two handfulls";
    const r = jolly("reckon", file("bad.json", plan));
    expect(r.code).toBe(2);
    expect(JSON.parse(r.out)).toMatchObject({
      errors: [{ name: "UnknownUnit", path: ["steps", 0, "what", 1, "amount"] }],
    });
  });
  test.each([
    ["not json", "{", "NotJson"],
    [
      "stray key",
      {
        format: "jolly-crock/plan",
        version: 1,
        units: "us",
        name: "x",
        kind: "oxymel",
        steps: [],
        colour: "red",
      },
      "UnknownKey",
    ],
  ])("%s", (_, content, name) => {
    const r = jolly("reckon", file("x.json", content));
    expect(r.code).toBe(2);
    expect((JSON.parse(r.out) as { errors: { name: string }[] }).errors.map((e) => e.name)).toContain(name);
  });
  test("a file that is not there", () => expect(jolly("reckon", "nowhere.json").code).toBe(2));
});

describe("the plan's JSON Schema", () => {
  test("on paper is the one the code reads by", () =>
    expect(JSON.parse(readFileSync(join(ROOT, "docs/plan.schema.json"), "utf8"))).toEqual(planSchema()));
});

describe("words it does not know", () => {
  test("are told, with the ones it does", () => {
    const r = jolly("brew");
    expect(r.code).toBe(2);
    expect(r.err).toContain("jolly start");
  });
  test.each([
    [["start", "--household", "../etc"], "small letters"],
    [["start", "--port", "lots"], "a port is a number"],
  ])("%j", (args, says) => {
    const r = jolly(...args);
    expect(r.code).not.toBe(0);
    expect(r.err).toContain(says);
  });
});

describe("./jolly unit", () => {
  test("prints what starts a household with the machine, and every program it names is there", () => {
    const r = jolly("unit", "--household", "lock-cottage", "--house");
    expect([r.code, r.err]).toEqual([0, ""]);
    const said = new Map(
      r.out
        .split("\n")
        .filter((l) => /^\w+=/.test(l))
        .map((l) => [l.slice(0, l.indexOf("=")), l.slice(l.indexOf("=") + 1)]),
    );
    const [program, ...words] = said.get("ExecStart")!.split(" ");
    expect(words).toEqual(["start", "--household", "lock-cottage", "--house"]);
    expect(existsSync(program!)).toBe(true);
    expect(existsSync(join(said.get("WorkingDirectory")!, "package.json"))).toBe(true);
    expect(r.out).toMatch(/\[Unit\][^[]*\[Service\][^[]*\[Install\]\nWantedBy=multi-user\.target\n/);
  });
  test.each([
    ["--household", "Lock Cottage"],
    ["--household", "a;b"],
    ["--house", "yes"],
  ])("what cannot be is refused in words: %s %s", (...args) => {
    const r = jolly("unit", ...args);
    expect(r.code).not.toBe(0);
    expect(r.out).toBe("");
    expect(r.err).toMatch(/^jolly: .{20,}/);
  });
});
