import type { Role } from "../store/devices";

/*
 * What may be asked of the house from beyond the machine it runs on: one table, and what stands in no row of it is shut.
 */

/** Who may pass: whoever holds the secret in the address, any device that is kept, or a keeper's alone. */
export type Who = "secret" | "hand" | "keeper";

interface Door {
  readonly path: RegExp;
  readonly methods: readonly ("GET" | "HEAD" | "POST")[];
  readonly who: Who;
}
const READ = ["GET", "HEAD"] as const;
const ID = "[0-9a-f-]{36}";

const DOORS: readonly Door[] = [
  { path: /^\/feed\/[\w-]{43}\.ics$/, methods: READ, who: "secret" },
  // The app's own code, fonts and icons; none of it is anybody's but a device's.
  { path: /^\/_next\/static\/[\w./~()[\]@%-]+$/, methods: READ, who: "hand" },
  {
    path: /^\/(?:icon\.svg|manifest\.webmanifest|favicon\.ico|sw\.js|highs\.wasm)$/,
    methods: READ,
    who: "hand",
  },
  // Carrying the house out, and who lives in it, is a keeper's.
  { path: /^\/export(?:\/.*)?$/, methods: READ, who: "keeper" },
  { path: /^\/api\/household(?:\/.*)?$/, methods: ["POST"], who: "keeper" },
  { path: /^\/api\/house(?:\/.*)?$/, methods: ["GET", "POST"], who: "keeper" },
  { path: /^\/calendar\.ics$/, methods: READ, who: "hand" },
  { path: /^\/$/, methods: READ, who: "hand" },
  {
    path: /^\/(?:bench|cellar|season|stores|household|ready|compare|list|standing|recall|formulary|batches)$/,
    methods: READ,
    who: "hand",
  },
  {
    path: new RegExp(`^/(?:batch|formulary|recall|list|standing)/${ID}(?:/[a-z.-]+)?$`),
    methods: READ,
    who: "hand",
  },
  { path: new RegExp(`^/batch/${ID}/picture/${ID}$`), methods: READ, who: "hand" },
  {
    path: /^\/(?:batches\/year\.(?:pdf|svg)|season\/year\.(?:pdf|svg)|formulary\/new|batches\/\d{4})$/,
    methods: READ,
    who: "hand",
  },
  {
    path: /^\/api\/(?:kitchen|live|journals|instruments(?:\/[a-z]+)?|find|health)$/,
    methods: [...READ, "POST"],
    who: "hand",
  },
  {
    path: new RegExp(`^/api/(?:batches|bottles|stores|recipes|season|standing|labels|ours)(?:/${ID})?$`),
    methods: [...READ, "POST"],
    who: "hand",
  },
  { path: new RegExp(`^/api/batches/${ID}/pictures$`), methods: ["POST"], who: "hand" },
];

/** Who may pass with this; nobody where it is undefined. */
export function doorOf(method: string, path: string): Who | undefined {
  // What is spelled in a roundabout way is no address of ours.
  if (/%(?:2e|2f|5c|00)|\\|\/\/|\/\.{1,2}(?:\/|$)/i.test(path)) return undefined;
  return DOORS.find((d) => d.path.test(path) && (d.methods as readonly string[]).includes(method))?.who;
}

/** Whether somebody of a role may pass where `who` may. */
export const mayPass = (role: Role | undefined, who: Who): boolean =>
  who === "secret" || role === "keeper" || (role === "hand" && who === "hand");
