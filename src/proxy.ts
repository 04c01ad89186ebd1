import { type NextRequest, NextResponse } from "next/server";

/** Names under which this server may be addressed; a foreign name means a rebound DNS entry. */
const allowedHosts = () => new Set(["127.0.0.1", "localhost", "[::1]", process.env.ORCHARD_HOST ?? "127.0.0.1"]);

function refusal(request: NextRequest): string | null {
  const host = request.headers.get("host") ?? "";
  if (!allowedHosts().has(host.replace(/:\d+$/, ""))) return "This server does not answer under that name.";
  if (request.method === "GET" || request.method === "HEAD") return null;
  const origin = request.headers.get("origin");
  const site = request.headers.get("sec-fetch-site");
  const foreign =
    (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`) || site === "cross-site";
  return foreign ? "Writes are taken only from the application's own pages." : null;
}

/** Refuses foreign hosts and origins, and gives every answer its security headers with a nonce for its scripts. */
export function proxy(request: NextRequest): NextResponse {
  const refused = refusal(request);
  if (refused) return NextResponse.json({ ok: false, kind: "refused", message: refused, fields: {} }, { status: 403 });
  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const development = process.env.NODE_ENV === "development";
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ""}`,
    // Positions on the band and the ground are style attributes; no style can reach another origin.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "worker-src 'self'",
    "connect-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("x-frame-options", "DENY");
  response.headers.set("referrer-policy", "same-origin");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  return response;
}

export const config = { matcher: ["/((?!_next/static).*)"] };
