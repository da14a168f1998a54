import { toString as qrOf } from "qrcode";
import { dayAt } from "@/core/day";
import { inUrl } from "@/house/addresses";
import { db } from "@/store/db";
import { devicesKept, houseOf } from "@/store/devices";
import { copiesOf } from "@/store/copies";
import type { CopiesStand } from "@/ui/household/copies";
import { heldNow } from "@/store/handed-in";
import type { HandedLetter } from "@/ui/household/handed-in";
import type { DoorStands } from "@/ui/household/door";

/** How the house's door stands, for the household's page. */
export async function doorStands(zone: string): Promise<DoorStands> {
  const sql = db();
  const [house, devices] = await Promise.all([houseOf(sql), devicesKept(sql)]);
  const { front } = house;
  const certificate = front ? `http://${inUrl(front.at[0]!)}:${front.certificatePort}/` : "";
  const ways = front
    ? [...front.names.slice(0, 1), ...front.at.map(inUrl)].map((h) => `https://${h}:${front.port}`)
    : [];
  return {
    opensAgain: house.opens,
    hasPhrase: house.phrase !== undefined,
    doorMinutes: house.door?.minutes ?? 0,
    certificateMinutes: house.certificateMinutes,
    wrong: house.wrong,
    front: front && {
      ways,
      certificate,
      qr: await qrOf(certificate, { type: "svg", margin: 2, errorCorrectionLevel: "M" }),
      fingerprint: front.fingerprint,
      refused: front.refused,
    },
    devices: devices.map((d) => ({
      id: d.id,
      name: d.name,
      role: d.role,
      seen: dayAt(d.seenAt, zone),
      until: d.until === undefined ? undefined : dayAt(d.until, zone),
    })),
  };
}

/** How its copies stand. */
export async function copiesStand(zone: string): Promise<CopiesStand> {
  const c = await copiesOf(db());
  const day = (at: string | undefined) => (at === undefined ? undefined : dayAt(at, zone));
  return { last: day(c.at), to: c.to, tried: day(c.triedAt), problem: c.problem, also: c.also };
}

/** What devices that were sent away left with the keepers. */
export async function handedLetters(zone: string): Promise<readonly HandedLetter[]> {
  const held = await heldNow(db());
  return held.map(({ key, by, url, stream, body, wroteAt }) => ({
    ...{ key, by, url, stream, body },
    day: dayAt(wroteAt, zone),
  }));
}
