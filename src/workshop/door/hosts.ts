/** Names by which this machine is always reached from itself. */
const own = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Is a request meant for this server? A page of another site can have its own name lead here (DNS rebinding);
 * it then carries that name as its host.
 *
 * @param host the Host header
 * @param served further names and addresses the server was told to listen on, with commas between
 */
export function isServed(host: string | null, served: string | undefined): boolean {
  const found = /^(\[[0-9a-f:.]+\]|[^:[\]]+)(?::\d{1,5})?$/i.exec(host ?? '');
  if (!found) return false;
  const name = found[1]!.toLowerCase();
  return [...own, ...(served ?? '').toLowerCase().split(',').filter(Boolean)].includes(name);
}

/** What a page may load and run: what this server sends, and scripts only with the nonce of this answer. */
export const contentPolicy = (nonce: string): string =>
  [
    "default-src 'self'",
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'`,
    // Ant Design and React write styles into the page.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "font-src 'self' data:",
    "connect-src 'self'",
    "worker-src 'self' blob:",
    "object-src 'none'",
    "base-uri 'self'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join('; ');
