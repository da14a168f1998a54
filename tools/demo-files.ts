/** The photographs of the demo, as a backup would bring them. */
import { existsSync, readFileSync, readdirSync } from "node:fs";
import { join } from "node:path";
import type { HouseFile } from "../src/store/pictures";

/** @param root the folder that holds `demo/` */
export function demoFiles(root: string): readonly HouseFile[] {
  const folder = join(root, "demo/files");
  if (!existsSync(folder)) return [];
  return readdirSync(folder).flatMap((batch) =>
    readdirSync(join(folder, batch)).map((file) => ({
      name: `files/${batch}/${file}`,
      bytes: readFileSync(join(folder, batch, file)),
    })),
  );
}
