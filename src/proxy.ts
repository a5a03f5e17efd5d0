import { type NextRequest, NextResponse } from 'next/server';
import { admission, contentPolicy, isServed, passCookie } from '@/workshop/door/server';

const harmless = new Set(['GET', 'HEAD', 'OPTIONS']);
/** Where a browser that was not let in yet may go. */
const beforeTheDoor = /^\/(?:enter$|_next\/static\/|icon\.svg$)/;

const refused = (status: number, message: string) => NextResponse.json({ message: `refused: ${message}` }, { status });

/** A page of another site can make a browser send a request here, but not with our own origin. */
function isOwnPage(request: NextRequest): boolean {
  const origin = request.headers.get('origin');
  const host = request.headers.get('host');
  return origin !== null && host !== null && URL.canParse(origin) && new URL(origin).host === host;
}

/**
 * What every request passes: it is meant for this server, changes something only from one of its own pages, and
 * comes from a browser that was let in where the server listens beyond this machine. Answers carry what a page
 * may load and run.
 */
export function proxy(request: NextRequest): NextResponse {
  if (!isServed(request.headers.get('host'), process.env.TOVRIK_HOSTS))
    return refused(421, 'this server is not known by that name');
  if (!harmless.has(request.method) && !isOwnPage(request))
    return refused(403, 'this request did not come from a page of this server');
  const door = admission();
  const path = request.nextUrl.pathname;
  if (door && !beforeTheDoor.test(path) && !door.admits(request.cookies.get(passCookie)?.value, path)) {
    if (request.method !== 'GET' || path.startsWith('/api/'))
      return refused(401, 'open /enter and give the code first');
    const to = new URL(`http://${request.headers.get('host')}/enter`);
    // The address that a class was told carries its code.
    const room = path === '/practice/hunt' ? request.nextUrl.searchParams.get('room') : null;
    if (room !== null) to.searchParams.set('room', room);
    return NextResponse.redirect(to, 303);
  }
  const policy = contentPolicy(Buffer.from(crypto.randomUUID()).toString('base64'));
  const headers = new Headers(request.headers);
  headers.set('content-security-policy', policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set('content-security-policy', policy);
  response.headers.set('x-content-type-options', 'nosniff');
  response.headers.set('referrer-policy', 'same-origin');
  response.headers.set('x-frame-options', 'DENY');
  return response;
}
