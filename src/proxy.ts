import { type NextRequest, NextResponse } from "next/server";

/** Names this server answers to; anything else is a page elsewhere pointing a name at this machine. */
function hostAllowed(host: string | null): boolean {
  if (!host) return false;
  const port = process.env["JOLLY_PORT"];
  const said = /^(?:127\.0\.0\.1|localhost)(?::(\d{1,5}))?$/.exec(host);
  return said !== null && (!port || said[1] === port);
}

/** What the front says of who asks. */
const SAID_BY_FRONT = ["x-jolly-front", "x-jolly-role", "x-jolly-device", "x-jolly-device-id"] as const;

/**
 * Whether it came through the house's front, which alone knows the secret of this start. Trust follows that listener, never the Host header, which a
 * stranger may write as they like; the front has checked both before it passes anything on.
 */
function throughFront(request: NextRequest): boolean {
  const secret = process.env["JOLLY_FRONT_SECRET"];
  const said = request.headers.get("x-jolly-front");
  return secret !== undefined && secret.length >= 32 && said === secret;
}

/** How anything here is asked for. */
const METHODS: ReadonlySet<string> = new Set(["GET", "HEAD", "POST"]);

/** Whether the signs of a path are letters: “%E0%A4%A” is none. */
function decodes(path: string): boolean {
  try {
    return !decodeURIComponent(path).includes("\0");
  } catch {
    return false;
  }
}

/** Host and Origin checks, and a content policy with a nonce for every page. */
export function proxy(request: NextRequest): NextResponse {
  const host = request.headers.get("host");
  const front = throughFront(request);
  if (!front && !hostAllowed(host))
    return new NextResponse(
      "This address is not served here. Use http://127.0.0.1 with the port that ./jolly start printed.",
      { status: 421 },
    );
  if (!METHODS.has(request.method))
    return new NextResponse("This is not asked for that way.", {
      status: 405,
      headers: { allow: [...METHODS].join(", ") },
    });
  if (!decodes(request.nextUrl.pathname))
    return new NextResponse("This address is not written as addresses are.", { status: 400 });
  if (request.method === "POST") {
    const origin = request.headers.get("origin");
    if (!origin || origin !== `${front ? "https" : "http"}://${host}`)
      return NextResponse.json(
        {
          fault: {
            name: "ForeignOrigin",
            message: "This request came from another page and was not carried out.",
            path: [],
          },
        },
        { status: 403 },
      );
  }
  const nonce = btoa(crypto.randomUUID());
  const dev = process.env.NODE_ENV === "development";
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${dev ? " 'unsafe-eval'" : ""}`,
    // Nonced styles break Radix and server-rendered style attributes.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    // strict-dynamic does not reach workers; ours come from here.
    "worker-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  // Nobody but the front says who asks; its secret goes no further than here.
  for (const name of SAID_BY_FRONT) if (!front || name === "x-jolly-front") headers.delete(name);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("x-frame-options", "DENY");
  response.headers.set("referrer-policy", "no-referrer");
  response.headers.set("permissions-policy", "camera=(), microphone=(), geolocation=()");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  return response;
}

export const config = { matcher: ["/((?!_next/static|_next/image).*)"] };
