import { describe, expect, it } from 'vitest';
import { photoType } from './photoTypes';

const bytes = (...parts: readonly (number | string)[]) =>
  Uint8Array.from(
    parts.flatMap((part) => (typeof part === 'number' ? [part] : [...part].map((one) => one.charCodeAt(0)))),
  );

describe('what is taken for a photograph', () => {
  it.each([
    [bytes(0xff, 0xd8, 0xff, 0xe0), 'image/jpeg'],
    [bytes(0x89, 'PNG', 0x0d), 'image/png'],
    [bytes('RIFF', 0, 0, 0, 0, 'WEBPVP8 '), 'image/webp'],
    [bytes('RIFF', 0, 0, 0, 0, 'WAVEfmt '), undefined],
    [bytes('<svg onload="x"/>'), undefined],
    [bytes(), undefined],
  ])('is told by its first bytes (%#)', (first, type) => expect(photoType(first)).toBe(type));
});
