import * as yup from 'yup';
import { type Intervention, leadOf, withIntervention } from '../../behaviour';
import { Refusal } from '../../quantity';
import { type Sheet } from '../../sheet';
import { type LineKind, type LineOf, name } from '../line';

interface Change {
  /** The words that make it and undo it. */
  readonly words: readonly [make: string, undo: string];
  said(target: string): readonly [made: string, undone: string];
  /** What it is made to: `part`. */
  readonly what: string;
  /** What it can be made to on a sheet. */
  targets(sheet: Sheet): readonly string[];
  /** What typed words name, in small letters, where that is more than the name of a target. */
  named?(words: readonly string[], sheet: Sheet): string | undefined;
  /** Are its targets few enough to be told where none is named? */
  readonly few?: true;
}

const spoken = (lead: string) => lead.replace('/', ' ');
const partsOf = ({ parts }: Sheet) => [...parts.keys()];

/** Every change made for a try. */
const changes = {
  cut: {
    words: ['cut', 'rejoin'],
    said: (lead) => [`Cut ${spoken(lead)}`, `Join ${spoken(lead)} again`],
    what: 'lead',
    targets: ({ connectors }) =>
      [...connectors.values()].flatMap(({ id, carries }) => carries.map((net) => leadOf(id, net))),
    named: leadNamed,
  },
  strapped: {
    words: ['strap', 'unstrap'],
    said: (net) => [`Strap ${net}, as if it were given`, `Take the strap off ${net}`],
    what: 'command',
    targets: ({ nets }) => [...nets.values()].filter(({ signal }) => signal === 'control').map(({ id }) => id),
    few: true,
  },
  lifted: {
    words: ['lift', 'refit'],
    said: (part) => [`Lift a leg of ${part}`, `Solder ${part} back`],
    what: 'part',
    targets: partsOf,
  },
  bridged: {
    words: ['bridge', 'unbridge'],
    said: (part) => [`Bridge ${part}`, `Take the bridge off ${part}`],
    what: 'part',
    targets: partsOf,
  },
  donors: {
    words: ['donor', 'own'],
    said: (board) => [`Try a donor’s ${board} board`, `Put the set’s own ${board} board back`],
    what: 'board',
    targets: ({ boards }) => [...boards.keys()],
    few: true,
  },
} as const satisfies Record<Exclude<Intervention, 'unplugged'>, Change>;
const kinds = Object.keys(changes) as (keyof typeof changes)[];
const changeOf = (kind: keyof typeof changes): Change => changes[kind];

/** Is a place, in any letters, told in words that say where a point is? `CN801 pin 1` is not `CN801 pin 11`. */
function isAt(where: string, place: string): boolean {
  const start = where.toLowerCase().indexOf(place.toLowerCase());
  return start >= 0 && !/\w/.test(where.charAt(start + place.length));
}

/**
 * The lead of a connector by what it carries, `cn801 on`, or by the pin that a point is measured at, `cn801 pin 7`.
 *
 * @throws Refusal where the connector is there, and no such lead of it
 */
function leadNamed([typed, ...rest]: readonly string[], { connectors, points }: Sheet): string | undefined {
  const connector = [...connectors.values()].find(({ id }) => id.toLowerCase() === typed);
  if (!connector || rest.length === 0) return undefined;
  const { id, carries } = connector;
  const words = rest.join(' ');
  const net =
    carries.find((one) => one.toLowerCase() === words) ??
    [...points.values()].find(
      (point) => point.net && carries.includes(point.net) && isAt(point.where, `${id} ${words}`),
    )?.net;
  if (net === undefined)
    throw new Refusal(
      `no point of the sheet says what ${words} of ${id} carries: name it by that, like "cut ${id} ${carries[0]}"; it carries ${carries.join(', ')}`,
    );
  return leadOf(id, net);
}

const fields = yup.object({
  change: yup.string().oneOf(kinds).required(),
  /** The part, board, lead or command. */
  target: name(),
  on: yup.boolean().required(),
});

/** A leg lifted, a part bridged, a lead cut, a command strapped or a board lent for a try, or that undone. */
export type InterventionLine = LineOf<'intervention', typeof fields>;

export const intervention: LineKind<InterventionLine> = {
  work: 'measuring',
  fields,
  unknown({ change, target }, { sheet }) {
    const { targets, what } = changeOf(change);
    return targets(sheet).includes(target) ? undefined : `${sheet.title} has no ${what} "${target}"`;
  },
  fold(bench, { change, target, on }) {
    bench.context = withIntervention(bench.context, change, target, on);
  },
  said: ({ change, target, on }) => changeOf(change).said(target)[on ? 0 : 1],
  typed([verb, ...names], { sheet, context, typed: words }) {
    const kind = kinds.find((one) => changeOf(one).words.some((word) => word === verb));
    if (!kind || names.length === 0) return undefined;
    const change = changeOf(kind);
    const targets = change.targets(sheet);
    const target = change.named
      ? change.named(names, sheet)
      : names.length > 1
        ? undefined
        : targets.find((id) => id.toLowerCase() === names[0]);
    if (target === undefined) {
      if (names.length > 1 && !change.named) return undefined;
      const there = change.few ? `; it has ${targets.join(', ')}` : '';
      throw new Refusal(`${sheet.title} has no ${change.what} "${words.slice(1).join(' ')}"${there}`);
    }
    if (context && context.power !== 'proven')
      throw new Refusal('legs, leads and boards are only moved with the plug out and the stores proven');
    return { kind: 'intervention', change: kind, target, on: verb === change.words[0] };
  },
};
