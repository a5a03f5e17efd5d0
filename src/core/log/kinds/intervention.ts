import * as yup from 'yup';
import { type Intervention, withIntervention } from '../../behaviour';
import { Refusal } from '../../quantity';
import { type LineKind, type LineOf, name } from '../line';

/** A change made for a try, in the words that make and undo it, and how it is said. */
const changes = {
  lifted: {
    words: ['lift', 'refit'],
    said: (target: string) => [`Lift a leg of ${target}`, `Solder ${target} back`],
  },
  bridged: {
    words: ['bridge', 'unbridge'],
    said: (target: string) => [`Bridge ${target}`, `Take the bridge off ${target}`],
  },
  donors: {
    words: ['donor', 'own'],
    said: (target: string) => [`Try a donor’s ${target} board`, `Put the set’s own ${target} board back`],
  },
} as const satisfies Record<Exclude<Intervention, 'unplugged'>, unknown>;
type Change = keyof typeof changes;
const kinds = Object.keys(changes) as Change[];

const fields = yup.object({
  change: yup.string().oneOf(kinds).required(),
  /** The part or board. */
  target: name(),
  on: yup.boolean().required(),
});

/** A leg lifted, a part bridged or a board lent for a try, or that undone. */
export type InterventionLine = LineOf<'intervention', typeof fields>;

const said = ({ change, target, on }: InterventionLine) => changes[change].said(target)[on ? 0 : 1]!;

export const intervention: LineKind<InterventionLine> = {
  work: 'measuring',
  fields,
  unknown({ change, target }, { sheet }) {
    const board = change === 'donors';
    if ((board ? sheet.boards : sheet.parts).has(target)) return undefined;
    return `${sheet.title} has no ${board ? 'board' : 'part'} "${target}"`;
  },
  fold(bench, { change, target, on }) {
    bench.context = withIntervention(bench.context, change, target, on);
  },
  said,
  typed([verb, typed, ...more], { sheet, context, typed: words }) {
    const change = kinds.find((kind) => (changes[kind].words as readonly (string | undefined)[]).includes(verb));
    if (!change || typed === undefined || more.length > 0) return undefined;
    const ids = [...(change === 'donors' ? sheet.boards : sheet.parts).keys()];
    const target = ids.find((id) => id.toLowerCase() === typed);
    if (target === undefined)
      throw new Refusal(
        change === 'donors'
          ? `${sheet.title} has no board "${words[1]}"; it has ${ids.join(', ')}`
          : `${sheet.title} has no part "${words[1]}"`,
      );
    if (context && context.power !== 'proven')
      throw new Refusal('legs and boards are only moved with the plug out and the stores proven');
    return { kind: 'intervention', change, target, on: verb === changes[change].words[0] };
  },
};
