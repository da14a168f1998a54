/** Runs one stand-in: `main.ts scale|probe|mail|printer PORT [SEED] [QUICK]`. */
import { labelPrinter } from "./label-printer";
import { mailBox } from "./mail-box";
import { probe } from "./probe";
import { scale } from "./scale";
import { serveStandIn } from "./serve";

const [what, said, seed = "1", quick = "1"] = process.argv.slice(2);
const port = Number(said);
if (!Number.isInteger(port) || port < 1 || port > 65_534)
  throw new Error("a port is wanted: a number from 1 to 65534");

async function run(): Promise<void> {
  switch (what) {
    case "scale":
      await serveStandIn(scale(Number(seed), Date.now), port);
      return;
    case "probe":
      await serveStandIn(probe(Number(seed), Date.now, Number(quick)), port);
      return;
    case "printer":
      await serveStandIn(labelPrinter(), port);
      return;
    case "mail":
      await mailBox(port);
      return;
    default:
      throw new Error(`there is no stand-in “${what ?? ""}”: scale, probe, printer or mail`);
  }
}
void run();
