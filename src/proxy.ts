import { type NextRequest, NextResponse } from "next/server";

/** Names under which this server may be addressed; a foreign name means a rebound DNS entry. */
const HOSTS = new Set(["127.0.0.1", "localhost", "[::1]"]);
const COMPUTATIONS = new Set(["GET", "HEAD", "POST", "OPTIONS"]);

type Refusal = { status: number; message: string };

function isReadable(address: string): boolean {
  try {
    decodeURIComponent(address);
    return true;
  } catch {
    return false;
  }
}

function refusal(request: NextRequest): Refusal | null {
  const host = request.headers.get("host") ?? "";
  if (!HOSTS.has(host.replace(/:\d+$/, "")))
    return { status: 403, message: "This server does not answer under that name." };
  if (!COMPUTATIONS.has(request.method)) return { status: 405, message: "Nothing here answers to that method." };
  const { pathname } = request.nextUrl;
  if (!isReadable(pathname)) return { status: 400, message: "That address can't be read." };
  const reads = request.method === "GET" || request.method === "HEAD";
  // A page may be reached by a link from anywhere; what it is made of is given to the application's own pages only.
  if (reads && !pathname.startsWith("/api/")) return null;
  const origin = request.headers.get("origin");
  const site = request.headers.get("sec-fetch-site");
  const foreign =
    (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`) ||
    site === "cross-site" ||
    site === "same-site";
  return foreign
    ? { status: 403, message: "This is taken only from, and given only to, the application's own pages." }
    : null;
}

/** Refuses foreign hosts and origins, and gives every answer its security headers with a nonce for its scripts. */
export function proxy(request: NextRequest): NextResponse {
  const refused = refusal(request);
  if (refused) {
    const { status, message } = refused;
    return NextResponse.json({ ok: false, kind: "refused", message, fields: {} }, { status });
  }
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
