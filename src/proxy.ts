import { type NextRequest, NextResponse } from 'next/server';

const harmless = new Set(['GET', 'HEAD', 'OPTIONS']);

/**
 * Refuses requests that change something unless they come from a page of this very server.
 *
 * A page of another site can make a browser send a request here, but not with our own origin.
 */
export function proxy(request: NextRequest): NextResponse {
  if (harmless.has(request.method)) return NextResponse.next();
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  if (origin !== null && host !== null && URL.canParse(origin) && new URL(origin).host === host)
    return NextResponse.next();
  return NextResponse.json(
    { message: 'refused: this request did not come from a page of this server' },
    { status: 403 },
  );
}
