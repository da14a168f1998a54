import { basename, join } from "node:path";
import { pathToFileURL } from "node:url";
import { buildSync } from "esbuild";

/** A tool as one file that starts quickly and runs as the built app does: no function of it is given its name at run time. */
export function bundled(root: string, tool: string, folder: string): string {
  const out = join(folder, `${basename(tool, ".ts")}.cjs`);
  buildSync({
    entryPoints: [join(root, tool)],
    absWorkingDir: root,
    tsconfig: join(root, "tsconfig.json"),
    outfile: out,
    bundle: true,
    platform: "node",
    format: "cjs",
    target: "node20",
    // Where it stands among the sources: it finds the migrations and the demo from there.
    define: { "import.meta.url": JSON.stringify(pathToFileURL(join(root, tool)).href) },
    logLevel: "error",
  });
  return out;
}
