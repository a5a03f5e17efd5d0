import { type SignState } from '@/core/measure';
import { type Complaint, type Tile } from '@/core/diagnosis';
import { type Manner } from '@/core/picture';
import { type Sign } from '@/core/sheet';

/** The complaint that picked tiles and answered signs make together. */
export function complaintFrom(
  tiles: readonly Tile[],
  picked: ReadonlySet<string>,
  signs: Readonly<Record<string, SignState>>,
  manner?: Manner,
): Complaint {
  const symptoms = [...new Set(tiles.filter((tile) => picked.has(tile.id)).flatMap((tile) => tile.symptoms))];
  return { symptoms, signs, ...(manner === undefined ? {} : { manner }) };
}

/** One click on a sign goes on to its next answer; after the last it is unanswered again. */
export function nextSignState(state: SignState | undefined): SignState | undefined {
  const order: readonly (SignState | undefined)[] = [undefined, 'no', 'brief', 'weak', 'yes'];
  return order[(order.indexOf(state) + 1) % order.length];
}

const signWords: Readonly<Record<SignState, string>> = { no: 'none', brief: 'then gone', weak: 'weak', yes: 'there' };

/** `Relay click` or, answered, `Relay click: none`. */
export function signText(sign: Sign, state: SignState | undefined): string {
  return state === undefined ? sign.title : `${sign.title}: ${signWords[state]}`;
}
