// The package that makes certificates wants it before itself.
import "reflect-metadata";
import { X509Certificate as NodeCertificate, createHash, webcrypto } from "node:crypto";
import { chmodSync, existsSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import * as x509 from "@peculiar/x509";

/*
 * The household's own certificate authority, and the certificate it gives the house. What the authority may vouch for is written into it: private
 * addresses and names of the house's own network, so that whoever takes it in trusts it with nothing else.
 */
x509.cryptoProvider.set(webcrypto as unknown as Crypto);

const ALGORITHM = { name: "ECDSA", namedCurve: "P-256", hash: "SHA-256" } as const;
const DAY = 86_400_000;
/** Years an authority lasts, and days a certificate does: browsers take none that lasts longer. */
const AUTHORITY_YEARS = 10;
const LEAF_DAYS = 397;
/** Renewed so many days before its end. */
const EARLY_DAYS = 14;
/** A clock of the house that runs a little fast still takes it. */
const BEFORE = DAY;

/** Address and mask, as name constraints write them: RFC 5280, 4.2.1.10. */
const V4 = ["10.0.0.0/255.0.0.0", "172.16.0.0/255.240.0.0", "192.168.0.0/255.255.0.0"];
const TRIAL_V4 = "127.0.0.0/255.0.0.0";
/** fd00::/8 */
const V6 = [0xfd, ...Array<number>(15).fill(0), 0xff, ...Array<number>(15).fill(0)];
const NAMES = ["local", "home.arpa"];
const bytesOf = (v4: string): number[] => v4.split("/").flatMap((x) => x.split(".").map(Number));

/** A value with its tag and length, as certificates are written (DER). */
function tagged(tag: number, value: Uint8Array): Buffer {
  const n = value.length;
  const length = n < 128 ? [n] : [0x82, n >> 8, n & 255];
  return Buffer.concat([Buffer.from([tag, ...length]), value]);
}
const [SEQUENCE, PERMITTED, DNS_NAME, IP_ADDRESS] = [0x30, 0xa0, 0x82, 0x87] as const;

/** What the authority may vouch for; the package has no class for it. */
function boundsOf(trial: boolean): x509.Extension {
  const names = [...NAMES, ...(trial ? ["localhost"] : [])].map((n) => tagged(DNS_NAME, Buffer.from(n)));
  const addresses = [...[...V4, ...(trial ? [TRIAL_V4] : [])].map(bytesOf), V6].map((b) =>
    tagged(IP_ADDRESS, Buffer.from(b)),
  );
  const subtrees = [...names, ...addresses].map((base) => tagged(SEQUENCE, base));
  const value = tagged(SEQUENCE, tagged(PERMITTED, Buffer.concat(subtrees)));
  return new x509.Extension("2.5.29.30", true, new Uint8Array(value));
}

export interface Files {
  readonly folder: string;
  readonly trial: boolean;
}
export interface Identity {
  /** PEM of the leaf followed by the authority's, and of the leaf's key. */
  readonly cert: string;
  readonly key: string;
  /** PEM of the authority, which devices take in. */
  readonly authority: string;
  /** SHA-256 of the authority, as a device's own dialog shows it. */
  readonly fingerprint: string;
  readonly names: readonly string[];
  readonly endsMs: number;
}

const pem = (label: string, der: ArrayBuffer): string =>
  `-----BEGIN ${label}-----\n${Buffer.from(der)
    .toString("base64")
    .replace(/.{1,64}/g, "$&\n")}-----END ${label}-----\n`;
const derOf = (text: string): Buffer => Buffer.from(text.replace(/-----[^-]+-----|\s/g, ""), "base64");

/** Written whole or not at all; a key is read by its owner alone. */
function put(file: string, text: string): void {
  const half = `${file}.half`;
  writeFileSync(half, text, { mode: 0o600 });
  chmodSync(half, 0o600);
  renameSync(half, file);
}

const keyPair = (): Promise<CryptoKeyPair> =>
  webcrypto.subtle.generateKey(ALGORITHM, true, ["sign", "verify"]) as unknown as Promise<CryptoKeyPair>;
const keyPem = async (k: CryptoKeyPair): Promise<string> =>
  pem("PRIVATE KEY", (await webcrypto.subtle.exportKey("pkcs8", k.privateKey as never)) as ArrayBuffer);
const privateKey = (text: string): Promise<CryptoKey> =>
  webcrypto.subtle.importKey("pkcs8", derOf(text), ALGORITHM, false, [
    "sign",
  ]) as unknown as Promise<CryptoKey>;

const serial = (): string =>
  `00${Buffer.from(webcrypto.getRandomValues(new Uint8Array(15))).toString("hex")}`;
const quoted = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N} .'-]/gu, " ")
    .trim()
    .slice(0, 50) || "Household";

/** The household's authority, made at the first opening and kept. */
async function authorityOf(
  f: Files,
  household: string,
  nowMs: number,
): Promise<{ cert: string; key: string }> {
  const [certFile, keyFile] = [join(f.folder, "authority.pem"), join(f.folder, "authority.key")];
  if (existsSync(certFile) && existsSync(keyFile)) {
    const kept = { cert: readFileSync(certFile, "utf8"), key: readFileSync(keyFile, "utf8") };
    if (endOf(kept.cert) - nowMs > LEAF_DAYS * DAY) return kept;
  }
  const keys = await keyPair();
  const made = await x509.X509CertificateGenerator.createSelfSigned({
    serialNumber: serial(),
    name: `CN=Jolly Crock of ${quoted(household)}, O=${quoted(household)}`,
    notBefore: new Date(nowMs - BEFORE),
    notAfter: new Date(nowMs + AUTHORITY_YEARS * 365 * DAY),
    signingAlgorithm: ALGORITHM,
    keys: keys as never,
    extensions: [
      new x509.BasicConstraintsExtension(true, 0, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.keyCertSign | x509.KeyUsageFlags.cRLSign, true),
      await x509.SubjectKeyIdentifierExtension.create(keys.publicKey as never),
      boundsOf(f.trial),
    ],
  });
  const is = { cert: made.toString("pem") + "\n", key: await keyPem(keys) };
  put(keyFile, is.key);
  put(certFile, is.cert);
  return is;
}

const endOf = (cert: string): number => Date.parse(new NodeCertificate(cert).validTo);
export const fingerprintOf = (cert: string): string =>
  createHash("sha256")
    .update(derOf(cert))
    .digest("hex")
    .toUpperCase()
    .replace(/..(?=.)/g, "$&:");

/** Which addresses and names a certificate is for. */
function namesIn(cert: string): readonly string[] {
  const said = new NodeCertificate(cert).subjectAltName ?? "";
  return said
    .split(", ")
    .map((x) => x.replace(/^(?:DNS|IP Address):/, ""))
    .sort();
}
const isAddress = (name: string): boolean => name.includes(":") || /^[\d.]+$/.test(name);
const sameNames = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && [...a].sort().join(" ") === [...b].sort().join(" ");

/** The house’s certificate for these addresses and names: the one that is kept, or a new one where it ends soon or they changed. */
export async function identityOf(
  f: Files,
  household: string,
  names: readonly string[],
  nowMs = Date.now(),
): Promise<Identity> {
  mkdirSync(f.folder, { recursive: true, mode: 0o700 });
  const authority = await authorityOf(f, household, nowMs);
  const [certFile, keyFile] = [join(f.folder, "house.pem"), join(f.folder, "house.key")];
  const whole = (cert: string, key: string): Identity => ({
    cert: cert + authority.cert,
    key,
    authority: authority.cert,
    fingerprint: fingerprintOf(authority.cert),
    names,
    endsMs: endOf(cert),
  });
  if (existsSync(certFile) && existsSync(keyFile)) {
    const cert = readFileSync(certFile, "utf8");
    const mine = new NodeCertificate(cert).verify(new NodeCertificate(authority.cert).publicKey);
    if (mine && sameNames(namesIn(cert), names) && endOf(cert) - nowMs > EARLY_DAYS * DAY)
      return whole(cert, readFileSync(keyFile, "utf8"));
  }
  const issuer = new x509.X509Certificate(authority.cert);
  const keys = await keyPair();
  const leaf = await x509.X509CertificateGenerator.create({
    serialNumber: serial(),
    subject: `CN=${names.find((n) => !isAddress(n)) ?? names[0] ?? "jolly-crock.local"}`,
    issuer: issuer.subject,
    notBefore: new Date(nowMs - BEFORE),
    notAfter: new Date(nowMs + (LEAF_DAYS - 1) * DAY - BEFORE),
    signingAlgorithm: ALGORITHM,
    publicKey: keys.publicKey as never,
    signingKey: (await privateKey(authority.key)) as never,
    extensions: [
      new x509.BasicConstraintsExtension(false, undefined, true),
      new x509.KeyUsagesExtension(x509.KeyUsageFlags.digitalSignature, true),
      new x509.ExtendedKeyUsageExtension([x509.ExtendedKeyUsage.serverAuth]),
      new x509.SubjectAlternativeNameExtension(
        names.map((value) => ({ type: isAddress(value) ? ("ip" as const) : ("dns" as const), value })),
      ),
      await x509.AuthorityKeyIdentifierExtension.create(issuer.publicKey),
    ],
  });
  const cert = leaf.toString("pem") + "\n";
  const key = await keyPem(keys);
  put(keyFile, key);
  put(certFile, cert);
  return whole(cert, key);
}
