/** What a photograph may be, by the first bytes of its file. */
const kinds: readonly { readonly type: string; readonly starts: readonly number[]; readonly then?: string }[] = [
  { type: 'image/jpeg', starts: [0xff, 0xd8, 0xff] },
  { type: 'image/png', starts: [0x89, 0x50, 0x4e, 0x47] },
  { type: 'image/webp', starts: [0x52, 0x49, 0x46, 0x46], then: 'WEBP' },
];

/** Largest photograph that is kept, in bytes. */
export const largestPhoto = 8 * 1024 * 1024;
/** Largest file that the browser is asked to make smaller. */
export const largestPicked = 40 * 1024 * 1024;

/** The type that the bytes themselves show; undefined where they are no photograph. */
export function photoType(bytes: Uint8Array): string | undefined {
  const found = kinds.find(({ starts }) => starts.every((byte, at) => bytes[at] === byte));
  if (found?.then === undefined) return found?.type;
  return String.fromCharCode(...bytes.subarray(8, 12)) === found.then ? found.type : undefined;
}
