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

/**
 * Where another device reaches this server: under the name it was asked by, or where that is this machine’s own name
 * for itself under the first address it is known by beyond it.
 *
 * @param host the Host header
 * @param served as for `isServed`
 * @returns like `http://192.168.1.20:4870`; undefined where only this machine reaches it
 */
export function reachedAt(host: string, served: string | undefined): string | undefined {
  const [, name = '', port = ''] = /^(.*?)(:\d{1,5})?$/.exec(host) ?? [];
  if (!own.includes(name.toLowerCase())) return `http://${host}`;
  const beyond = (served ?? '').split(',').filter((one) => /^\d+\.\d+\.\d+\.\d+$/.test(one));
  const first = beyond.find((one) => !one.startsWith('127.') && one !== '0.0.0.0');
  return first === undefined ? undefined : `http://${first}${port}`;
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
