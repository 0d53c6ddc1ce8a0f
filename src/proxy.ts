import { NextResponse, type NextRequest } from 'next/server';

/** Names under which this machine reaches itself; any other is a page elsewhere that was pointed here. */
const OWN_NAMES = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** What is there under the name that students reach their own pages by: those pages, and what they are made of. */
const HOME_PATHS = /^\/(home\/|_next\/|sw\.js$|icon\.svg$)/;

/** Under the name of the students' pages there is nothing of the coach's. */
function isHome(request: NextRequest, host: string): boolean {
  const name = process.env.DIRIGO_HOME;
  return !!name && host === name && HOME_PATHS.test(request.nextUrl.pathname);
}

const SAFE_METHODS = new Set(['GET', 'HEAD', 'OPTIONS']);

function isForeign(request: NextRequest): boolean {
  const host = request.headers.get('host') ?? '';
  if (!OWN_NAMES.test(host) && !isHome(request, host)) return true;
  if (SAFE_METHODS.has(request.method)) return false;
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  if (site && site !== 'same-origin' && site !== 'none') return true;
  // Whoever serves the students' pages may speak another protocol outside than in here.
  return origin !== null && origin.replace(/^https?:\/\//, '') !== host;
}

function contentPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    "worker-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Refuses what other sites send, and puts the security headers on every answer. */
export function proxy(request: NextRequest): NextResponse {
  if (isForeign(request)) {
    return NextResponse.json(
      { ok: false, code: 'foreign', message: 'This came from another site and was refused.' },
      { status: 403 },
    );
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('x-frame-options', 'DENY');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
