import { type Format, list, optional, type Read, record, text, tolerance, written } from '../describe';
import { type ShapeError, shapeErrors } from '../words';

const controlled = Object.fromEntries(shapeErrors.map((error) => [error, optional(text())])) as Readonly<
  Record<ShapeError, Format<string> & { readonly optional: true }>
>;

const step = record({
  title: text(),
  point: optional(text()),
  target: text(''),
  /** How far above its target it must never be taken, not even while it is set: `1%`, `2V`. */
  limit: optional(tolerance()),
  /** A point whose volts follow this one, and are kept within their own tolerance while it is set: high voltage behind B+. */
  watch: optional(text()),
  how: text(''),
  /** What on this chassis moves which error of the picture’s shape: `{ width: L551, height: VR501 }`. */
  controls: optional(record(controlled)),
});

/** Something to adjust, in the maker's order. */
export type SetUpStep = Read<typeof step>;

export const setUp = list(step);

const line = record({ refs: list(text()), value: written(), note: text('') });

/** What is fitted in place of what, when a set is overhauled. */
export type KitLine = Read<typeof line>;

export const kit = list(line);

const quirk = record({ title: text(), note: text('') });

/** What misleads with sets of a kind: marking errors, bulletins. */
export type Quirk = Read<typeof quirk>;

export const quirks = list(quirk);
