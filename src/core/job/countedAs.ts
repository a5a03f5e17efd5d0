import { type Fault, isListed, partName, type Sheet } from '../sheet';

/** Letters and digits alone: how something is written does not matter. */
const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, ' ')
    .trim();

/**
 * The fault of the sheet that a cause names, as it was written down: by its title or its id, or by the part and
 * the way it failed; undefined where it names none, or more than one.
 */
export function countedAs(cause: string, { faults, parts }: Sheet): Fault | undefined {
  const written = ` ${plain(cause)} `;
  if (written.trim() === '') return undefined;
  const named = (text: string) => text !== '' && written.includes(` ${plain(text)} `);
  const all = [...faults.values()].filter(isListed);
  const whole = all.filter(({ id, title }) => named(title) || named(id));
  if (whole.length > 0) return longest(whole);
  const ofPart = all.filter(({ part }) => named(part) || named(partName(parts.get(part)!)));
  const byMode = ofPart.filter(({ mode }) => named(mode));
  const [only, ...others] = byMode.length > 0 ? byMode : ofPart;
  return others.length === 0 ? only : undefined;
}

/** Of titles that lie within one another the longest says most. */
const longest = (faults: readonly Fault[]): Fault =>
  faults.reduce((best, one) => (one.title.length > best.title.length ? one : best));
