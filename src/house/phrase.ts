import { randomBytes, randomInt, scrypt, timingSafeEqual } from "node:crypto";
import { wordlist } from "@scure/bip39/wordlists/english.js";

/*
 * The phrase a device says once to be let in: five words made by the machine. 2,048 words, five of them: 55 bits.
 */
export const WORDS_OF_A_PHRASE = 5;

export const newPhrase = (): string =>
  Array.from({ length: WORDS_OF_A_PHRASE }, () => wordlist[randomInt(wordlist.length)]!).join(" ");

/** As it is compared: small letters, one space between. */
export const plainPhrase = (said: string): string =>
  said
    .normalize("NFKC")
    .toLowerCase()
    .trim()
    .split(/[\s,.-]+/)
    .join(" ");

/** What is wrong with a phrase of one's own, in words that say what would be right. */
export function wrongWith(phrase: string): string | undefined {
  const words = plainPhrase(phrase).split(" ");
  if (words.length !== WORDS_OF_A_PHRASE)
    return `A phrase has ${WORDS_OF_A_PHRASE} words; this has ${phrase.trim() === "" ? 0 : words.length}.`;
  if (words.some((w) => w.length < 3)) return "Each word has three letters or more.";
  if (new Set(words).size < WORDS_OF_A_PHRASE) return "No word stands in it twice.";
  return undefined;
}

/** N, r and p of scrypt; it takes some 64 MB while it runs, so one runs at a time. */
const COST = { N: 2 ** 16, r: 8, p: 1, maxmem: 160 * 1024 * 1024 } as const;
const KEY_BYTES = 32;
/** So many may wait their turn; more are sent away unheard. */
export const MOST_WAITING = 4;

export class TooMany extends Error {
  override name = "TooMany";
}

let last: Promise<unknown> = Promise.resolve();
let waiting = 0;
/** One after the other. Throws `TooMany` where the queue is full. */
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  if (waiting > MOST_WAITING) throw new TooMany();
  waiting++;
  const mine = last.then(work).finally(() => waiting--);
  last = mine.catch(() => undefined);
  return mine;
}

const stretched = (phrase: string, salt: Buffer): Promise<Buffer> =>
  new Promise((done, fail) =>
    scrypt(plainPhrase(phrase), salt, KEY_BYTES, COST, (e, key) => (e ? fail(e) : done(key))),
  );

/** What is kept of a phrase: its salt and what scrypt makes of both, in base64. */
export async function hashOf(phrase: string): Promise<string> {
  const salt = randomBytes(16);
  return `${salt.toString("base64")}$${(await stretched(phrase, salt)).toString("base64")}`;
}

/** Whether it is the phrase. Throws `TooMany` where others are being asked already. */
export async function isPhrase(said: string, kept: string): Promise<boolean> {
  const [salt, is] = kept.split("$").map((x) => Buffer.from(x, "base64"));
  if (!salt || !is || is.length !== KEY_BYTES) return false;
  const got = await inTurn(() => stretched(said.slice(0, 200), salt));
  return timingSafeEqual(got, is);
}
