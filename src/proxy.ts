import { NextResponse, type NextRequest } from 'next/server';

/** Pages only: the content policy with its nonce, the other safety headers, and the check of the host. Routes under /api check themselves. */
export function proxy(request: NextRequest): NextResponse {
  const hosts = (process.env['LOCHSIDE_HOSTS'] ?? '').split(',').filter(Boolean);
  const host = request.headers.get('host');
  if (hosts.length > 0 && (host === null || !hosts.includes(host)))
    return new NextResponse('This name is not one that this server answers to.', { status: 400 });
  const nonce = btoa(String.fromCharCode(...crypto.getRandomValues(new Uint8Array(16))));
  const policy = [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${process.env.NODE_ENV === 'development' ? " 'unsafe-eval'" : ''}`,
    `style-src-elem 'self' 'nonce-${nonce}'`,
    "style-src-attr 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self'",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
  const headers = new Headers(request.headers);
  headers.set('x-nonce', nonce);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('referrer-policy', 'no-referrer');
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('permissions-policy', 'camera=(), microphone=(), geolocation=()');
  response.headers.set('cross-origin-opener-policy', 'same-origin');
  if (process.env['PUBLIC_URL']?.startsWith('https:')) response.headers.set('strict-transport-security', 'max-age=31536000');
  return response;
}

export const config = { matcher: ['/((?!api/|_next/static|_next/image|icon.svg|favicon.ico).*)'] };
