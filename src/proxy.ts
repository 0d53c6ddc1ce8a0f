import { NextResponse, type NextRequest } from 'next/server';
import { FOREIGN, guarding } from '@/features/shared/border';

function contentPolicy(nonce: string): string {
  const development = process.env.NODE_ENV === 'development';
  return [
    "default-src 'self'",
    "worker-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "manifest-src 'self'",
    `connect-src 'self'${development ? ' ws:' : ''}`,
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
}

/** Puts the security headers on every answer. What other sites send was refused before the framework saw it. */
export function proxy(request: NextRequest): NextResponse {
  const { nextUrl, headers: sent } = request;
  // The framework hands an action that a page does not know on to the page that does, as a request of its own: nobody else may.
  if (sent.has('x-action-forwarded')) return NextResponse.json(FOREIGN, { status: 403 });
  // No address of ours holds characters that cannot be seen.
  if (/%(0[0-9a-f]|1[0-9a-f]|7f)/i.test(nextUrl.pathname)) {
    return new NextResponse('This page does not exist.', { status: 404 });
  }
  const nonce = btoa(crypto.randomUUID());
  const policy = contentPolicy(nonce);
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-path', nextUrl.pathname + nextUrl.search);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  for (const [name, value] of Object.entries(guarding())) response.headers.set(name, value);
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|icons/).*)'] };
