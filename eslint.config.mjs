import tseslint from "typescript-eslint";

/** What the core must not know: any interface, store or framework, and the clock, chance and place it runs in. */
const coreForbids = [
  { group: ["react", "react-dom", "react-dom/*", "next", "next/*", "postgres", "radix-ui", "pdfkit", "node:*", "fs", "path"], message: "The core is pure: it imports zod and a plain-date library, nothing else." },
  { group: ["@/*", "**/store/**", "**/ui/**", "**/app/**", "**/standins/**"], message: "The core knows nobody." },
];

export default tseslint.config(
  { ignores: [".next/", ".next-test/", "node_modules/", "next-env.d.ts", "coverage/"] },
  ...tseslint.configs.recommended,
  {
    rules: {
      "@typescript-eslint/no-non-null-assertion": "off",
      "@typescript-eslint/no-unused-vars": ["error", { argsIgnorePattern: "^_", varsIgnorePattern: "^_" }],
      eqeqeq: "error",
    },
  },
  {
    files: ["src/core/**/*.ts"],
    ignores: ["src/core/**/*.test.ts"],
    rules: {
      "no-restricted-imports": ["error", { patterns: coreForbids }],
      "no-restricted-globals": ["error", "window", "document", "fetch", "localStorage", "process", "performance"],
      "no-restricted-syntax": [
        "error",
        { selector: "NewExpression[callee.name='Date']", message: "The core has no clock of its own; pass the day in." },
        { selector: "MemberExpression[object.name='Date']", message: "The core has no clock of its own; pass the day in." },
        { selector: "MemberExpression[object.name='Math'][property.name='random']", message: "The core has no chance in it." },
        { selector: "MemberExpression[property.name=/^toLocale/]", message: "What the core prints is the same everywhere." },
        { selector: "MemberExpression[object.property.name='Now']", message: "The core has no clock of its own; pass the day in." },
      ],
    },
  },
  {
    files: ["src/store/**/*.ts"],
    rules: { "no-restricted-imports": ["error", { patterns: [{ group: ["react", "next", "next/*", "@/ui/*", "@/app/*", "**/ui/**", "**/app/**"], message: "The store knows the core, not the interface." }] }] },
  },
  {
    files: ["src/ui/**/*.{ts,tsx}"],
    rules: { "no-restricted-imports": ["error", { patterns: [{ group: ["@/app/*", "@/store/*", "**/app/**", "**/store/**", "postgres"], message: "The interface knows the core; data reaches it from the pages." }] }] },
  },
);
