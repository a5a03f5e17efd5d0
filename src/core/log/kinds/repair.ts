import * as yup from 'yup';
import { Refusal } from '../../quantity';
import { methodFor, repairActions, repairRefused, type RepairAction, type RepairMethod } from '../../repair';
import { type Sheet } from '../../sheet';
import { between, type LineKind, type LineOf, name, text } from '../line';

const fields = yup.object({
  action: name(120),
  title: name(200),
  cures: yup.array(text(120)).max(200).required(),
  money: between(0, 1e6),
  minutes: between(0, 1e5),
  note: text(2000),
});

/** What was done to put the set right. */
export type RepairLine = LineOf<'repair', typeof fields>;

export const repair: LineKind<RepairLine> = {
  work: 'repairing',
  fields,
  unknown({ cures }, { sheet }) {
    const fault = cures.find((id) => !sheet.faults.has(id));
    return fault === undefined ? undefined : `${sheet.title} has no fault "${fault}"`;
  },
  fold: (bench, body, stamp) => bench.repaired(stamp, body),
  said: ({ title, note }) => (note === '' ? title : `${title}: ${note}`),
  typed([verb = '', target], { sheet, context, typed: words }) {
    const methods = verbs.get(verb);
    if (!methods || target === undefined) return undefined;
    const fitted = fittedOf(words.slice(2));
    if (fitted === undefined)
      throw new Refusal(`one repair a line, with what was fitted, like "${verb} ${words[1]} with 2R2 1 W"`);
    const action = actionFor(sheet, target, methods);
    if (!action)
      throw new Refusal(
        `${sheet.title} has nothing "${words[1]}" that could be ${verb}; write a part, a fault or a board, like "replaced ${[...sheet.parts.keys()][0] ?? 'R1'}"`,
      );
    const refused = context && repairRefused(action, context.power === 'live');
    if (refused !== undefined) throw new Refusal(refused);
    const { id, title, listed, money, minutes } = action;
    return { kind: 'repair', action: id, title, cures: [...listed], money, minutes, note: fitted };
  },
};

/** What may be said to have been done, and the ways of repairing it may mean, the first that fits. */
const verbs: ReadonlyMap<string, readonly RepairMethod[]> = new Map(
  Object.entries({
    repaired: ['replace', 'resolder', 'reseat', 'clean', 'adjust', 'swap', 'recap'],
    replaced: ['replace', 'swap'],
    resoldered: ['resolder'],
    reseated: ['reseat'],
    cleaned: ['clean'],
    set: ['adjust'],
    swapped: ['swap', 'replace'],
    recapped: ['recap', 'replace'],
    traced: ['trace', 'follow'],
  } as const),
);

/** What was put in: `2R2 1W`, or `with BD-7`; undefined where the words are not that. */
function fittedOf(words: readonly string[]): string | undefined {
  const [first = '', ...rest] = words;
  if (/^with$/i.test(first) && rest.length > 0) return `with ${rest.join(' ')}`;
  if (first === '') return '';
  return /^\d/.test(first) ? `with ${words.join(' ')}` : undefined;
}

/** The repair of a part, of one of its faults or of a board, named in small letters. */
function actionFor(sheet: Sheet, target: string, methods: readonly RepairMethod[]): RepairAction | undefined {
  const fault = [...sheet.faults.values()].find(({ id }) => id.toLowerCase() === target);
  const wanted = fault ? [`${methodFor(fault.mode)}:${fault.part}`] : methods.map((method) => `${method}:${target}`);
  const actions = repairActions(sheet);
  for (const id of wanted) {
    const action = actions.find((one) => one.id.toLowerCase() === id.toLowerCase());
    if (action && methods.includes(action.method)) return action;
  }
  return undefined;
}
