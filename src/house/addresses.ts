import { networkInterfaces } from "node:os";

/*
 * Where the house may be opened: on this machine's private addresses, and nowhere else.
 */

/** 10/8, 172.16/12, 192.168/16 and fd00::/8: addresses that no one outside the house can reach. */
export function isPrivate(address: string): boolean {
  if (address.includes(":")) return /^fd[0-9a-f]{2}:/i.test(address);
  if (!/^\d{1,3}(?:\.\d{1,3}){3}$/.test(address)) return false;
  const parts = address.split(".").map(Number);
  const [a, b] = parts;
  if (parts.some((x) => x > 255)) return false;
  return a === 10 || (a === 172 && b! >= 16 && b! <= 31) || (a === 192 && b === 168);
}

/** 127/8, which only tests open. */
const isOwn = (address: string): boolean => /^127(?:\.\d{1,3}){3}$/.test(address);

export interface Where {
  /** Addresses to listen on. */
  readonly listen: readonly string[];
  /** Addresses that were asked for and are not opened, each with why. */
  readonly refused: readonly string[];
}

/** What this machine is reached by in the house. */
const mine = (): string[] =>
  Object.values(networkInterfaces()).flatMap((all) =>
    (all ?? []).filter((x) => !x.internal).map((x) => x.address.replace(/%.*$/, "")),
  );

/**
 * The addresses that are opened.
 * @param asked addresses said by hand, apart by commas; all of the machine's private ones where none is said
 * @param trial whether this machine's own 127/8 may be opened too, which is for tests alone
 */
export function whereToOpen(
  asked: string | undefined,
  trial = false,
  here: readonly string[] = mine(),
): Where {
  const said = asked
    ?.split(",")
    .map((x) => x.trim())
    .filter((x) => x !== "");
  const wanted = said ?? here.filter(isPrivate);
  const may = (x: string): boolean => isPrivate(x) || (trial && isOwn(x));
  return {
    listen: [...new Set(wanted.filter(may))],
    refused: wanted
      .filter((x) => !may(x))
      .map((x) => `${x} is no private address: the house is opened inside the house only.`),
  };
}

/** A household's name as a name on its network: “Lock Cottage No. 9” is lock-cottage-no-9. */
export function netName(name: string): string {
  const plain = name
    .normalize("NFKD")
    .replace(/[\u0300-\u036f]/g, "")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, "-")
    .replace(/^-+|-+$/g, "")
    .slice(0, 40);
  return plain === "" ? "jolly-crock" : plain;
}

/** The names it answers to beside its addresses. A bare name is refused by browsers under the authority's own bounds. */
export const netNames = (name: string): readonly string[] => [
  `${netName(name)}.local`,
  `${netName(name)}.home.arpa`,
];

/** An address as it stands in a URL. */
export const inUrl = (address: string): string => (address.includes(":") ? `[${address}]` : address);
