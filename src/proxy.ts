import { NextResponse, type NextRequest } from 'next/server';
import { isOwnHost, isSecure, whereItIs } from '@/server/origin';

/** The simulated screens and the brand sheet have stricter policies of their own. */
const OWN_POLICY = /^\/(screens\/|api\/brands\/[^/]+\/sheet)/;

/**
 * Whoever comes by a name that is not the application's own is turned away: it may be one that another site's owner pointed
 * here. Then, the headers of every page. Scripts and style sheets run only from this origin or with the page's own nonce; the
 * simulated screens are framed from this origin, and nothing else is framed or frames us. Style attributes, which
 * paint the colours of a page drawn on the server, are allowed; style elements without the nonce are not.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isOwnHost(request.headers.get('host'))) return new NextResponse(whereItIs(), { status: 421 });
  if (OWN_POLICY.test(request.nextUrl.pathname)) return NextResponse.next();
  const nonce = btoa(crypto.randomUUID());
  const development = process.env.NODE_ENV === 'development';
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ''}`,
    `style-src 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "frame-src 'self'",
    "frame-ancestors 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('x-path', request.nextUrl.pathname + request.nextUrl.search);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'geolocation=(), microphone=()');
  // A year, as is common practice.
  if (isSecure()) response.headers.set('strict-transport-security', 'max-age=31536000');
  return response;
}

export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg).*)'] };
