import Papa from 'papaparse';
import { attempt, Refusal } from '@/core/quantity';
import { type NeedState, readPart, substitute, type SubstituteVerdict, supplyKinds, writePart } from '@/core/supply';
import { type Need, type OpenOrder, type SupplierRow } from '@/store';
import { dateText } from '@/ui';

/** What on the shelf would do best for a need. */
export interface FromShelf {
  readonly part: string;
  readonly typed: string;
  readonly drawer: string;
  readonly count: number;
  readonly verdict: SubstituteVerdict;
  readonly reason: string;
}

/** A need with what there is for it. */
export interface NeedRow extends Need {
  readonly shelf: FromShelf | undefined;
  /** Days past the date it should have been here; undefined where it is not late. */
  readonly overdue: number | undefined;
}

/** Groups in the order of what wants doing first. */
export const groups: readonly { readonly state: NeedState; readonly title: string }[] = [
  { state: 'here', title: 'Here, to be fitted' },
  { state: 'wanted', title: 'Wanted' },
  { state: 'wrong', title: 'Came wrong' },
  { state: 'returned', title: 'Sent back' },
  { state: 'ordered', title: 'On order' },
  { state: 'fitted', title: 'Fitted' },
  { state: 'dropped', title: 'Dropped' },
];

/** What a step is called on its button. */
export const stepWord = (from: NeedState, to: NeedState): string =>
  to === 'wanted' && from === 'here' ? 'Put back' : to === 'wanted' && from === 'ordered' ? 'Cancel' : stepWords[to];

const stepWords: Readonly<Record<NeedState, string>> = {
  wanted: 'Want it again',
  ordered: 'Order',
  here: 'It is here',
  wrong: 'Came wrong',
  returned: 'Send back',
  fitted: 'Fitted',
  dropped: 'Drop',
};

const day = 86_400_000;

/** Whole days from a date to an instant; undefined where the date is not past, or not known. */
export function daysLate(due: string, now: number): number | undefined {
  const late = Math.floor((now - Date.parse(`${due}T23:59:59Z`)) / day) + 1;
  return due !== '' && late > 0 ? late : undefined;
}

/** What is wanted of all jobs as one would buy it: the same part once, with its number and for whom. */
export function toBuy(
  needs: readonly Pick<Need, 'typed' | 'count' | 'state' | 'set'>[],
): { readonly typed: string; readonly count: number; readonly sets: readonly string[] }[] {
  const lines = new Map<string, { typed: string; count: number; sets: string[] }>();
  for (const { typed, count, state, set } of needs) {
    if (state !== 'wanted') continue;
    const line = lines.get(typed) ?? { typed, count: 0, sets: [] };
    line.count += count;
    if (!line.sets.includes(set)) line.sets.push(set);
    lines.set(typed, line);
  }
  return [...lines.values()].sort((a, b) => a.typed.localeCompare(b.typed));
}

/** The order sheet as CSV: number, part, for whom. */
export const orderSheet = (needs: Parameters<typeof toBuy>[0]): string =>
  Papa.unparse({
    fields: ['count', 'part', 'for'],
    data: toBuy(needs).map(({ typed, count, sets }) => [count, typed, sets.join('; ')]),
  });

/** What kind of part a typed line begins, for a word beside the entry. */
export function kindOf(typed: string): string | undefined {
  const read = attempt(() => readPart(typed));
  return read instanceof Refusal ? undefined : supplyKinds[read.kind].title;
}

/** A supplier with how much is known of what he has. */
export interface SupplierView extends SupplierRow {
  readonly items: number;
}

/** A line of an order as it was last told. */
interface OrderLineView {
  readonly need: string;
  readonly set: string;
  readonly typed: string;
  readonly count: number;
  readonly words: string;
  /** What was sent in its place and does not do for it; undefined while nothing is known to be wrong. */
  readonly mistaken: string | undefined;
}

export interface OrderView extends Pick<OpenOrder, 'id' | 'title' | 'reference' | 'at'> {
  readonly linked: boolean;
  readonly lines: readonly OrderLineView[];
}

/** What stands of a line of an order: what its seller said of it, or the date that was promised. */
export function orderWords({ said, due }: OpenOrder['lines'][number]): string {
  const by = (date: string) => (date === '' ? '' : ` ${dateText(date)}`);
  if (!said) return due === '' ? 'no date' : `due${by(due)}`;
  return `${said.state}, due${by(said.due || due)}`;
}

/** What a delivery note says that does not do for what was ordered. */
export function mistakenOf({ said, typed }: OpenOrder['lines'][number]): string | undefined {
  if (!said || said.sent === '' || said.sent === typed) return undefined;
  const was = readPart(typed);
  const is = attempt(() => readPart(said.sent));
  if (is instanceof Refusal || was.kind !== is.kind) return `the note says ${said.sent}`;
  const { verdict, fields } = substitute(was, is);
  return verdict === 'no' || verdict === 'watch'
    ? `the note says ${writePart(is)} · ${fields[0]!.title}: ${fields[0]!.reason}`
    : undefined;
}
