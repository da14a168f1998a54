/** Opens a household on this machine's private addresses: `tsx src/house/main.ts`. What it needs is in its environment; see tools/serve.sh. */
import { connect } from "../store/db";
import { frontSays, houseOf } from "../store/devices";
import { household } from "../store/household";
import { inUrl, netNames, whereToOpen } from "./addresses";
import { announce } from "./announce";
import { identityOf } from "./authority";
import { CertificateServer } from "./certificate-server";
import { Front } from "./front";

/** How often it looks whether the certificate is offered, ms; and whether its addresses or its certificate changed. */
const LOOK_MS = 1000;
const RENEW_MS = 60_000;
const DAY = 86_400_000;
/** It is ended so that it begins again, with what changed. */
const AGAIN = 3;

const said = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set; the house is opened with ./jolly start --house`);
  return value;
};

async function main(): Promise<void> {
  const trial = process.env["JOLLY_HOUSE_TRIAL"] === "1";
  const where = whereToOpen(process.env["JOLLY_HOUSE_AT"], trial);
  for (const r of where.refused) console.error(r);
  if (where.listen.length === 0) {
    console.error("This machine has no private address now, so the house stays shut.");
    process.exit(2);
  }
  const sql = connect(said("DATABASE_URL"), 4, { connectS: 3, statementMs: 5000 });
  const home = await household(sql);
  const [appPort, port] = [Number(said("JOLLY_PORT")), Number(said("JOLLY_HOUSE_PORT"))];
  const names = [...netNames(home.name), ...(trial ? ["localhost"] : [])];
  const identity = await identityOf({ folder: said("JOLLY_HOUSE_FOLDER"), trial }, home.name, [
    ...where.listen,
    ...names,
  ]);
  const front = new Front({
    ...{ sql, appPort, port, secret: said("JOLLY_FRONT_SECRET"), addresses: where.listen, names },
    ...{ cert: identity.cert, key: identity.key },
  });
  await front.listen();
  const way = [...names.slice(0, 1), ...where.listen.map(inUrl)].map((h) => `https://${h}:${port}/`);
  const certificate = new CertificateServer(where.listen, port + 1, {
    ...{ household: home.name, authority: identity.authority, fingerprint: identity.fingerprint, way },
  });
  const says = {
    ...{ at: where.listen, names, refused: where.refused, port, certificatePort: port + 1 },
    fingerprint: identity.fingerprint,
  };
  await frontSays(sql, { ...says, at: [...says.at], names: [...says.names], refused: [...says.refused] });
  const quiet = trial ? undefined : announce(netNames(home.name)[0]!, where.listen);
  for (const w of way) console.log(w);

  const look = async (): Promise<void> => {
    const offered = (await houseOf(sql)).certificateMinutes > 0;
    if (offered && !certificate.open) await certificate.listen();
    if (!offered && certificate.open) await certificate.close();
  };
  const looking = setInterval(() => void look().catch(() => certificate.close()), LOOK_MS);
  const end = async (code: number): Promise<void> => {
    clearInterval(looking);
    quiet?.();
    await frontSays(sql, undefined).catch(() => undefined);
    await Promise.all([front.close(), certificate.close()]);
    await sql.end({ timeout: 1 });
    process.exit(code);
  };
  setInterval(() => {
    const now = whereToOpen(process.env["JOLLY_HOUSE_AT"], trial).listen;
    if (now.join() !== where.listen.join() || identity.endsMs - Date.now() < 13 * DAY) void end(AGAIN);
  }, RENEW_MS);
  process.once("SIGTERM", () => void end(0));
  process.once("SIGINT", () => void end(0));
}

main().catch((e: unknown) => {
  console.error(`The house could not be opened: ${(e as Error).message}`);
  process.exit(1);
});
