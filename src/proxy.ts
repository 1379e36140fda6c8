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
  headers.set('x-path', request.nextUrl.pathname + request.nextUrl.search);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  response.headers.set('permissions-policy', 'geolocation=(), microphone=()');
  return response;
}

/** Pages alone: of whatever else passes through here, Next.js keeps a copy in memory, and no more of it than 10 MB. */
export const config = { matcher: ['/((?!_next/|icon.svg|api/|consumer/|deliver/|screens/|reader.js).*)'] };
