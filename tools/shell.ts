/** Makes the service worker of the app, where the browser looks for it: one file at the root of what is served as it stands. */
import { join } from "node:path";
import { buildSync } from "esbuild";

const root = join(import.meta.dirname, "..");
buildSync({
  entryPoints: [join(root, "src/shell/worker.ts")],
  absWorkingDir: root,
  tsconfig: join(root, "tsconfig.json"),
  outfile: join(root, "public/sw.js"),
  bundle: true,
  minify: true,
  platform: "browser",
  format: "iife",
  target: "es2022",
  define: { "process.env.NODE_ENV": '"production"' },
  logLevel: "error",
});
