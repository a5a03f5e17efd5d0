import { type ApartLine } from '../log';
import { type Sheet } from '../sheet';
import { type TeardownStep } from './teardown';

/** A step that is offered before it is typed. */
export type OfferedStep = Pick<ApartLine, 'what' | 'title' | 'count'>;

const same = (a: string, b: string) => a.trim().toLowerCase() === b.trim().toLowerCase();

/**
 * What comes next when a set of this kind is taken apart: what the last of its kind took, in its order, then the
 * connectors and ground screws of its sheet; what was done already is left out.
 *
 * @param last steps of the last set of its kind
 */
export function likelyNext(
  done: readonly TeardownStep[],
  last: readonly OfferedStep[],
  { connectors, parts }: Pick<Sheet, 'connectors' | 'parts'>,
): OfferedStep[] {
  const ofSheet: OfferedStep[] = [
    ...[...connectors.values()].map(({ id, title }) => ({
      what: 'cable' as const,
      title: same(id, title) || title.includes(id) ? title : `${id}, ${title}`,
      count: 1,
    })),
    ...[...parts.values()]
      .filter(({ kind }) => kind === 'screw')
      .map(({ title }) => ({ what: 'ground' as const, title, count: 1 })),
  ];
  const all = [...last, ...ofSheet.filter((one) => !last.some(({ title }) => same(title, one.title)))];
  return all.filter((one) => !done.some(({ title, what }) => what === one.what && same(title, one.title)));
}
