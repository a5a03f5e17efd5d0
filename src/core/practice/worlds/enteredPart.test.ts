import { describe, expect, it } from 'vitest';
import { shippedSheets, shippedTexts } from '@/sheets';
import { netlistOf } from '@/sheets/stages';
import { type Check, type Context, liveCold, predictionsOf } from '../../behaviour';
import { adviseOn, contextFor } from '../../diagnosis';
import { type LogBody, type LogEntry, replay } from '../../log';
import { editsOf, type Fault, openSheet, readSheet, type Sheet, withEdits } from '../../sheet';
import { faultsOfPart, type PartRole } from '../../sheet/ownPart';
import { seeded } from '../../statistics';
import { answerFrom } from '../answering';
import { simulatedSet, without } from './simulatedSet';

/** What a listed fault would be said to do of one net, by somebody who traced its part to that net. */
function toldOf({ sets, shorts }: Fault): { readonly role: PartRole; readonly net: string } | undefined {
  const [[net, ratio] = [shorts[0], 0]] = sets;
  if (net === undefined) return undefined;
  return { net, role: shorts.includes(net) ? 'shunts' : ratio < 0.9 ? 'feeds' : 'senses' };
}

/** The any-make sheet as it stands with a part entered at the bench, and with nothing listed of the part that is really bad. */
function sheetWith(sheet: Sheet, fault: Fault, { role, net }: NonNullable<ReturnType<typeof toldOf>>): Sheet {
  const { kind: is, value, block } = sheet.parts.get(fault.part)!;
  const change = { kind: 'part', part: 'X1', is, value, block, role, net } as const;
  const text = withEdits(
    `format: tovrik-sheet/1\nid: my-set\nextends: ${sheet.id}\ntitle: My set\npoints: {}\n`,
    editsOf(change, sheet),
  );
  const entered = readSheet(text, { textOf: (id) => shippedTexts().get(id), netlistOf });
  return [...entered.faults.values()]
    .filter(({ part }) => part === fault.part)
    .reduce((left, { id }) => without(left, id), entered);
}

/** Which part leads once the picture, the net and the part itself were read; undefined where nothing is read of such a part. */
function leaderOf(sheet: Sheet, fault: Fault): string | undefined {
  const told = toldOf(fault);
  const { kind } = sheet.parts.get(fault.part)!;
  if (!told || !(fault.mode in faultsOfPart(kind, told.role, told.net))) return undefined;
  const predictions = predictionsOf(openSheet(sheetWith(sheet, fault, told)));
  const own = [...predictions.checks.values()].find(({ point }) => point?.parts.join() === 'X1');
  const mode = predictions.model.sheet.faults.get(`X1.${fault.mode}`);
  if (!own || !mode) return undefined;
  const random = seeded(5);
  const set = simulatedSet(sheet, fault, { slips: 0 }, random);
  const cold: Context = { ...contextFor(liveCold, 'cold'), power: 'unplugged' };
  const bad = predictions.expectation(mode, own, cold);
  if (JSON.stringify(bad) === JSON.stringify(predictions.expectation(undefined, own, cold))) return undefined;
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `line-${log.length}`, at: '2026-11-01T10:00:00Z', body });
  const read = (check: Check | undefined) => {
    if (check) record({ kind: 'reading', check: check.id, answer: set.answer(check, liveCold, new Set()), text: '' });
  };
  const checks = [...predictionsOf(sheet).checks.values()];
  record({ kind: 'power', power: 'live' });
  read(checks.find(({ id }) => id === 'picture'));
  read(checks.find(({ measure, point }) => measure === 'dc' && point?.net === told.net));
  record({ kind: 'power', power: 'unplugged' });
  record({ kind: 'reading', check: own.id, answer: answerFrom(bad, 0.01, random), text: '' });
  const bench = replay(log, [...sheet.stores.keys()]);
  const job = { predictions, complaint: set.complaint, bench, closed: new Map(), hourlyRate: 20 };
  return adviseOn(job).posterior.suspects[0]!.fault.part;
}

describe('a part that no sheet lists, entered at the bench by its net and measured bad', () => {
  it.each(['generic-crt-colour', 'generic-plasma'])('leads the suspects of %s nine times in ten', (id) => {
    const sheet = shippedSheets().get(id)!;
    const leaders = [...sheet.faults.values()].flatMap((fault, at) =>
      at % 4 === 0 ? (leaderOf(sheet, fault) ?? []) : [],
    );
    expect(leaders.length).toBeGreaterThan(8);
    expect(leaders.filter((part) => part === 'X1').length / leaders.length).toBeGreaterThan(0.9);
  });
});
