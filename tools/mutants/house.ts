/** The core's modules, compiled once and evaluated in one warm process; one of them may be broken. */
import { transformSync } from "@swc/core";
import { existsSync, readFileSync } from "node:fs";
import { createRequire } from "node:module";
import { dirname, join, resolve } from "node:path";
import ts from "typescript";
import { harness } from "./harness";
import { tick } from "./patience";

// Some test files take the runner's words from the air rather than by import.
Object.assign(globalThis, harness.globals);

const ROOT = join(import.meta.dirname, "../..");
const real = createRequire(join(ROOT, "package.json"));

type Module = { exports: Record<string, unknown> };
type Wrapped = (
  module: Module,
  exports: unknown,
  require: (id: string) => unknown,
  dir: string,
  tick: () => void,
) => void;

/** Every loop asks at each turn whether there is patience left: a breakage may make one that never ends. */
function withTicks(code: string): string {
  const source = ts.createSourceFile("x.js", code, ts.ScriptTarget.ES2022, false, ts.ScriptKind.JS);
  const put: [at: number, text: string][] = [];
  const visit = (node: ts.Node): void => {
    if (ts.isIterationStatement(node, false)) {
      const body = node.statement;
      const at = body.getStart(source);
      if (ts.isBlock(body)) put.push([at + 1, "__tick();"]);
      else put.push([at, "{__tick();"], [body.end, "}"]);
    }
    ts.forEachChild(node, visit);
  };
  visit(source);
  return put.sort((a, b) => b[0] - a[0]).reduce((c, [at, t]) => c.slice(0, at) + t + c.slice(at), code);
}

const compile = (file: string, text: string): Wrapped => {
  const { code } = transformSync(text, {
    filename: file,
    jsc: { parser: { syntax: "typescript" }, target: "es2022" },
    module: { type: "commonjs" },
  });
  return new Function("module", "exports", "require", "__dirname", "__tick", withTicks(code)) as Wrapped;
};

function fileOf(id: string, from: string): string | undefined {
  const base = id.startsWith("@/") ? join(ROOT, "src", id.slice(2)) : resolve(dirname(from), id);
  return [base, `${base}.ts`, join(base, "index.ts")].find((f) => existsSync(f) && /\.(?:ts|json)$/.test(f));
}

/** The modules of the house. What does not depend on a broken file is evaluated once and shared. */
export class House {
  private readonly compiled = new Map<string, Wrapped>();
  private readonly whole = new Map<string, Module>();
  private readonly users = new Map<string, Set<string>>();

  private code(file: string): Wrapped {
    let w = this.compiled.get(file);
    if (!w) this.compiled.set(file, (w = compile(file, readFileSync(file, "utf8"))));
    return w;
  }

  private load(
    file: string,
    into: Map<string, Module>,
    broken: ReadonlySet<string>,
    code: (f: string) => Wrapped,
  ): Module {
    const shared = broken.has(file) ? into : this.whole;
    const have = shared.get(file);
    if (have) return have;
    const m: Module = { exports: {} };
    shared.set(file, m);
    if (file.endsWith(".json")) {
      m.exports = JSON.parse(readFileSync(file, "utf8")) as Module["exports"];
      return m;
    }
    const require = (id: string): unknown => {
      if (id === "@jest/globals") return harness.globals;
      const inside = id.startsWith(".") || id.startsWith("@/") ? fileOf(id, file) : undefined;
      if (!inside) return real(id);
      const users = this.users.get(inside) ?? new Set();
      this.users.set(inside, users.add(file));
      return this.load(inside, into, broken, code).exports;
    };
    code(file)(m, m.exports, require, dirname(file), tick);
    return m;
  }

  /** Everything that stands on a file, itself included. */
  private dependents(file: string): Set<string> {
    const all = new Set([file]);
    for (const f of all) for (const u of this.users.get(f) ?? []) all.add(u);
    return all;
  }

  /** Evaluates test files whole, so that what stands on what is known. */
  open(tests: readonly string[]): void {
    for (const t of tests) this.load(t, this.whole, new Set(), (f) => this.code(f));
  }

  /** Evaluates a test file with one source broken; the tests it declares are left with the harness. */
  declare(test: string, file: string, text: string): void {
    const broken = this.dependents(file).add(test);
    const compiled = compile(file, text);
    this.load(test, new Map(), broken, (f) => (f === file ? compiled : this.code(f)));
  }
  /** The same with nothing broken. */
  declareWhole(test: string): void {
    this.load(test, new Map(), new Set([test]), (f) => this.code(f));
  }
}
