import { NextResponse, type NextRequest } from 'next/server';

/**
 * The headers of every page. Scripts and style sheets run only from this origin or with the page's own nonce; the
 * simulated screens are framed from this origin, and nothing else is framed or frames us. Style attributes, which
 * paint the colours of a page drawn on the server, are allowed; style elements without the nonce are not.
 */
export function proxy(request: NextRequest): NextResponse {
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
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'geolocation=(), microphone=()');
  return response;
}

// The simulated screens and the brand sheet have stricter policies of their own.
export const config = { matcher: ['/((?!_next/static|_next/image|icon.svg|screens/|api/brands/[^/]+/sheet).*)'] };
