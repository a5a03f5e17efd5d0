import { type BurntZone } from './burnIn';

const third = (from: number, to: number, names: readonly [string, string, string]) => {
  if (to - from > 0.7) return undefined;
  const middle = (from + to) / 2;
  return middle < 0.36 ? names[0] : middle > 0.64 ? names[2] : names[1];
};
const percent = (share: number) => `${Math.round(100 * share)} %`;
/** Colours further apart than this in what they lose are told apart. */
const apart = 0.03;

/** Where a burnt zone lies: `top left`, `right across the top`. */
export function zonePlace({ left, right, top, bottom }: BurntZone): string {
  const across = third(left, right, ['left', 'middle', 'right']);
  const down = third(top, bottom, ['top', 'middle', 'bottom']);
  if (across === undefined && down === undefined) return 'nearly all of the screen';
  if (across === undefined) return `right across the ${down}`;
  if (down === undefined) return `all the way down, ${across}`;
  return across === 'middle' && down === 'middle'
    ? 'the middle'
    : [down, across].filter((one) => one !== 'middle').join(' ');
}

/** What a burnt zone lost, by colour where they differ. */
export function zoneLoss({ loss }: BurntZone): string {
  const colours = (['red', 'green', 'blue'] as const).map((colour) => ({ colour, of: loss[colour] }));
  const spread = Math.max(...colours.map(({ of }) => of)) - Math.min(...colours.map(({ of }) => of));
  const each = colours.map(({ colour, of }) => `${colour} ${percent(of)}`).join(', ');
  return spread > apart ? `${percent(loss.all)} darker: ${each}` : `${percent(loss.all)} darker`;
}
