/** Unit tests stand beside what they test; store and browser tests in tests/ are projects of their own, since they need a database. */
const common = {
  transform: {
    "^.+\\.(t|j)sx?$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
        module: { type: "commonjs" },
      },
    ],
  },
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1" },
  testEnvironment: "node",
  // A test runs in a context of its own, where every use of a global is looked up anew: what the core reckons with is handed to it.
  sandboxInjectedGlobals: ["Math", "Number", "Object", "Array", "Map", "Set"],
  transformIgnorePatterns: ["/node_modules/(?!temporal-|@scure/)"],
};
export default {
  testSequencer: "<rootDir>/tests/heaviest-first.mjs",
  projects: [
    {
      ...common,
      displayName: "core",
      setupFilesAfterEnv: ["<rootDir>/tests/patience.ts"],
      testMatch: ["<rootDir>/src/**/*.test.ts"],
    },
    {
      ...common,
      displayName: "store",
      setupFilesAfterEnv: ["<rootDir>/tests/patience.ts"],
      testMatch: ["<rootDir>/tests/store/**/*.test.ts"],
    },
    {
      ...common,
      // One package of certificates has a Set of its own.
      sandboxInjectedGlobals: [],
      displayName: "command",
      setupFilesAfterEnv: ["<rootDir>/tests/patience.ts"],
      testMatch: ["<rootDir>/tests/command/**/*.test.ts"],
    },
    {
      ...common,
      displayName: "browser",
      setupFilesAfterEnv: ["<rootDir>/tests/patience.ts"],
      testMatch: ["<rootDir>/tests/browser/**/*.test.ts"],
    },
  ],
};
