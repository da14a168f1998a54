import { readFileSync, readdirSync } from "node:fs";
import reactHooks from "eslint-plugin-react-hooks";
import tseslint from "typescript-eslint";
import { noBareUnit } from "./tools/lint/no-bare-unit.mjs";
import { oneDirection } from "./tools/lint/one-direction.mjs";

/** What the core must not know: any interface, store or framework, and the clock, chance and place it runs in. */
const coreForbids = [
  {
    group: [
      "react",
      "react-dom",
      "react-dom/*",
      "next",
      "next/*",
      "postgres",
      "radix-ui",
      "pdfkit",
      "node:*",
      "fs",
      "path",
    ],
    message: "The core is pure: it imports zod and a plain-date library, nothing else.",
  },
  {
    group: ["@/*", "**/store/**", "**/ui/**", "**/app/**", "**/standins/**"],
    message: "The core knows nobody.",
  },
];
/** Files in which a ref stands: the rule about them takes a file whole through a compiler, which was most of the time of a lint. */
const WITH_REFS = readdirSync("src", { recursive: true })
  .map((f) => `src/${f}`)
  .filter(
    (f) =>
      /^src\/(?:ui|app)\/.*\.tsx?$/.test(f) &&
      /\buseRef\b|\bRefObject\b|\bref=\{/.test(readFileSync(f, "utf8")),
  );
const linkAhead = { name: "next/link", message: "Take ui/kit/link: the other fetches pages ahead." };
const ownRouter = {
  name: "next/navigation",
  importNames: ["useRouter"],
  message: "Take ui/kit/router: the other reloads the page under the hand while the house is away.",
};
const NO_CLOCK = "The core has no clock of its own; pass the day in.";
const inThePage = "CallExpression[callee.property.name=/^(?:evaluate|\\$eval|\\$\\$eval|waitForFunction)$/]";

export default tseslint.config(
  {
    ignores: [
      ".jolly/",
      "public/sw.js",
      ".next/",
      ".next-test/",
      "node_modules/",
      "next-env.d.ts",
      "coverage/",
    ],
  },
  ...tseslint.configs.recommended,
  {
    rules: {
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      eqeqeq: "error",
    },
  },
  {
    files: ["src/**/*.{ts,tsx}"],
    ignores: ["src/**/*.test.ts"],
    rules: {
      "no-nested-ternary": "error",
      "max-lines": ["error", { max: 300 }],
      // A component is mostly its page's outline, so its own lines are counted without blanks and comments.
      "max-lines-per-function": ["error", { max: 80, skipComments: true, skipBlankLines: true }],
    },
  },
  {
    // True tables: one row under another, and nothing to find twice.
    files: [
      "src/core/cautions/rules/*.ts",
      "src/core/keeping/rows.ts",
      "src/core/material/classes.ts",
      "src/core/material/hurts/rows.ts",
    ],
    rules: { "max-lines": "off" },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.test.ts"],
    plugins: { house: { rules: { "one-direction": oneDirection } } },
    rules: { "house/one-direction": "error" },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.test.ts"],
    rules: {
      "no-restricted-imports": ["error", { patterns: coreForbids }],
      "no-restricted-globals": [
        "error",
        "window",
        "document",
        "fetch",
        "localStorage",
        "process",
        "performance",
      ],
      "no-restricted-syntax": [
        "error",
        { selector: "NewExpression[callee.name='Date']", message: NO_CLOCK },
        { selector: "MemberExpression[object.name='Date']", message: NO_CLOCK },
        { selector: "MemberExpression[object.property.name='Now']", message: NO_CLOCK },
        {
          selector: "MemberExpression[object.name='Math'][property.name='random']",
          message: "The core has no chance in it.",
        },
        {
          selector: "MemberExpression[property.name=/^toLocale/]",
          message: "What the core prints is the same everywhere.",
        },
      ],
    },
  },
  {
    files: ["src/ui/**/*.{ts,tsx}", "src/app/**/*.{ts,tsx}", "src/calendar/**/*.ts"],
    ignores: ["src/**/*.test.ts"],
    plugins: { measures: { rules: { "no-bare-unit": noBareUnit } } },
    rules: { "measures/no-bare-unit": "error" },
  },
  {
    files: ["src/store/**/*.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          patterns: [
            {
              group: ["react", "next", "next/*", "@/ui/*", "@/app/*", "**/ui/**", "**/app/**"],
              message: "The store knows the core, not the interface.",
            },
          ],
        },
      ],
    },
  },
  {
    files: ["src/{ui,app}/**/*.{ts,tsx}"],
    plugins: { "react-hooks": reactHooks },
    rules: {
      "react-hooks/rules-of-hooks": "error",
      "react-hooks/exhaustive-deps": "error",
    },
  },
  { files: WITH_REFS, rules: { "react-hooks/refs": "error" } },
  {
    // What the sorting library hands out is not a ref, though the rule takes it for one.
    files: ["src/ui/bench/lines/one-line.tsx"],
    rules: { "react-hooks/refs": "off" },
  },
  {
    files: ["src/app/**/*.{ts,tsx}"],
    rules: { "no-restricted-imports": ["error", { paths: [linkAhead] }] },
  },
  {
    files: ["src/ui/**/*.{ts,tsx}"],
    ignores: ["src/ui/kit/link.tsx", "src/ui/kit/router.ts"],
    rules: {
      "no-restricted-imports": [
        "error",
        {
          paths: [linkAhead, ownRouter],
          patterns: [
            {
              group: ["@/app/*", "@/store/*", "**/app/**", "**/store/**", "postgres"],
              message: "The interface knows the core; data reaches it from the pages.",
            },
          ],
        },
      ],
    },
  },
  {
    // A control that only a made-up event can work is a control nobody can work.
    files: ["tests/browser/**/*.ts"],
    rules: {
      "no-restricted-syntax": [
        "error",
        {
          selector: "CallExpression[callee.property.name='dispatchEvent']",
          message: "Use the mouse, the keyboard or a finger.",
        },
        {
          selector: "NewExpression[callee.name=/^(?:Mouse|Pointer|Keyboard|Touch|Input)?Event$/]",
          message: "Use the mouse, the keyboard or a finger.",
        },
        {
          selector: `${inThePage} CallExpression[callee.property.name='click']`,
          message: "Click with page.click or the mouse.",
        },
        {
          selector: "AssignmentExpression[left.property.name='value']",
          message: "Type it with the keyboard.",
        },
      ],
    },
  },
);
