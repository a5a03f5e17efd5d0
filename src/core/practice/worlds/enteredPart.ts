import { type Check, type Context, liveCold, predictionsOf } from '../../behaviour';
import { adviseOn, contextFor } from '../../diagnosis';
import { type LogBody, type LogEntry, replay } from '../../log';
import { editsOf, type Fault, openSheet, type PartRole, type Sheet, withEdits } from '../../sheet';
import { seeded } from '../../statistics';
import { answerFrom } from '../answering';
import { simulatedSet, without } from './simulatedSet';

/** What a part that was entered at the bench is called; no sheet has one of that name. */
const entered = 'X1';

const noise = 0.01;

/** What a listed fault would be said to do of one net, by somebody who traced its part to that net. */
function toldOf({ sets, shorts }: Fault): { readonly role: PartRole; readonly net: string } | undefined {
  const [[net, ratio] = [shorts[0], 0]] = sets;
  if (net === undefined) return undefined;
  return { net, role: shorts.includes(net) ? 'shunts' : ratio < 0.9 ? 'feeds' : 'senses' };
}

/**
 * Does a part lead that no sheet lists, once it was entered at the bench by one net and its role there, and the picture,
 * the net and the part itself were read? The set has a listed fault of an any-make sheet, of whose part the sheet at the
 * bench lists nothing.
 *
 * @param read a sheet from its text, with what it is laid over
 * @returns undefined where nothing is read of such a part by itself that tells it
 */
export function entryLeads(sheet: Sheet, fault: Fault, read: (text: string) => Sheet): boolean | undefined {
  const told = toldOf(fault);
  if (!told) return undefined;
  const { kind: is, value, block } = sheet.parts.get(fault.part)!;
  const change = { kind: 'part', part: entered, is, value, block, ...told } as const;
  const text = `format: tovrik-sheet/1\nid: my-set\nextends: ${sheet.id}\ntitle: My set\npoints: {}\n`;
  const whole = read(withEdits(text, editsOf(change, sheet)));
  const ofCulprit = [...whole.faults.values()].filter(({ part }) => part === fault.part);
  const predictions = predictionsOf(openSheet(ofCulprit.reduce((left, { id }) => without(left, id), whole)));
  const own = [...predictions.checks.values()].find(({ point }) => point?.parts.join() === entered);
  const mode = predictions.model.sheet.faults.get(`${entered}.${fault.mode}`);
  if (!own || !mode) return undefined;
  const cold: Context = { ...contextFor(liveCold, 'cold'), power: 'unplugged' };
  const bad = predictions.expectation(mode, own, cold);
  if (JSON.stringify(bad) === JSON.stringify(predictions.expectation(undefined, own, cold))) return undefined;
  const random = seeded(5);
  const set = simulatedSet(sheet, fault, { slips: 0 }, random);
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `line-${log.length}`, at: '2026-11-01T10:00:00Z', body });
  const take = (check: Check | undefined) => {
    if (check) record({ kind: 'reading', check: check.id, answer: set.answer(check, liveCold, new Set()), text: '' });
  };
  const checks = [...predictionsOf(sheet).checks.values()];
  record({ kind: 'power', power: 'live' });
  take(checks.find(({ id }) => id === 'picture'));
  take(checks.find(({ measure, point }) => measure === 'dc' && point?.net === told.net));
  record({ kind: 'power', power: 'unplugged' });
  record({ kind: 'reading', check: own.id, answer: answerFrom(bad, noise, random), text: '' });
  const bench = replay(log, [...sheet.stores.keys()]);
  const job = { predictions, complaint: set.complaint, bench, closed: new Map(), hourlyRate: 20 };
  return adviseOn(job).posterior.suspects[0]!.fault.part === entered;
}
