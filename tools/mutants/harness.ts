/** The words a test file is written in, run one after another in this process, stopping at the first that fails. */
import { createRequire } from "node:module";
import { join } from "node:path";

const { expect } = createRequire(join(import.meta.dirname, "../../package.json"))("expect") as {
  expect: unknown;
};

type Body = (...args: unknown[]) => unknown;
interface Case {
  readonly name: string;
  readonly run: () => unknown;
}

let cases: Case[] = [];
let before: Body[] = [];

const rows = (table: readonly unknown[]): readonly (readonly unknown[])[] =>
  table.map((r) => (Array.isArray(r) ? r : [r]));
const test = Object.assign((name: string, body: Body) => void cases.push({ name, run: () => body() }), {
  each: (table: readonly unknown[]) => (name: string, body: Body) => {
    for (const r of rows(table)) cases.push({ name, run: () => body(...r) });
  },
});
const describe = Object.assign((_: string, body: Body) => void body(), {
  each: (table: readonly unknown[]) => (_: string, body: Body) => {
    for (const r of rows(table)) body(...r);
  },
});

export const harness = {
  globals: {
    expect,
    test,
    it: test,
    describe,
    beforeAll: (b: Body) => void before.push(b),
    beforeEach: (b: Body) => void before.push(b),
    afterAll: () => undefined,
    afterEach: () => undefined,
    jest: { setTimeout: () => undefined },
  },
  clear(): void {
    cases = [];
    before = [];
  },
  /** Runs what was declared. @returns the name of the first that fails, or nothing */
  async run(): Promise<string | undefined> {
    for (const b of before) await b();
    for (const c of cases) {
      try {
        await c.run();
      } catch {
        return c.name;
      }
    }
    return undefined;
  },
};
