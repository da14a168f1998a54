import { type Server, createServer } from "node:http";
import { inUrl } from "./addresses";
import { POLICY, certificatePage } from "./pages";

export interface Certificate {
  readonly household: string;
  /** PEM of the authority. */
  readonly authority: string;
  readonly fingerprint: string;
  readonly way: readonly string[];
}

const derOf = (pem: string): Buffer => Buffer.from(pem.replace(/-----[^-]+-----|\s/g, ""), "base64");

/** Serves one thing only, over plain http, for as long as a keeper offers it: the authority's certificate and how it is taken in. */
export class CertificateServer {
  private servers: Server[] = [];
  constructor(
    private readonly addresses: readonly string[],
    private readonly port: number,
    private readonly what: Certificate,
  ) {}

  get open(): boolean {
    return this.servers.length > 0;
  }

  async listen(): Promise<void> {
    const page = certificatePage(this.what);
    const hosts = new Set(this.addresses.map((a) => `${inUrl(a)}:${this.port}`));
    for (const host of this.addresses) {
      const s = createServer({ requestTimeout: 10_000, headersTimeout: 5000 }, (req, res) => {
        req.resume();
        const plain = { "cache-control": "no-store", "x-content-type-options": "nosniff" };
        const known = hosts.has((req.headers.host ?? "").toLowerCase()) && req.method === "GET";
        if (known && req.url === "/jolly-crock.crt")
          return void res
            .writeHead(200, { ...plain, "content-type": "application/x-x509-ca-cert" })
            .end(derOf(this.what.authority));
        if (known && req.url === "/")
          return void res
            .writeHead(200, {
              ...plain,
              "content-type": "text/html; charset=utf-8",
              "content-security-policy": POLICY,
            })
            .end(page);
        res.writeHead(404, { ...plain, "content-type": "text/plain" }).end("Nothing else is served here.");
      });
      s.maxConnections = 64;
      s.on("upgrade", (_q, socket) => socket.destroy());
      await new Promise<void>((done, fail) => s.once("error", fail).listen(this.port, host, done));
      this.servers.push(s);
    }
  }

  async close(): Promise<void> {
    const all = this.servers;
    this.servers = [];
    for (const s of all) {
      s.closeAllConnections();
      await new Promise((done) => s.close(done));
    }
  }
}
