import 'server-only';
import { instrumentFor } from '@/core/measure';
import { loadJob } from '@/workshop/job/server';
import { replay, standing } from '@/core/log';
import { type Check } from '@/core/behaviour';
import { seeded } from '@/core/statistics';
import { answerFrom, hiddenFault } from '@/core/practice';
import { railSteps, trimmersAsTurned } from '@/core/setup';
import { caseOf, type JobFile } from '@/workshop/job';
import { areJoined } from './beepedBoard';
import { simulatedMeterOffered } from './offered';
import {
  beepReadings,
  dischargeReadings,
  type MeterReading,
  meterLine,
  multimeterReadings,
  soakReadings,
  standInRate,
  standInReadings,
  turningReadings,
} from '@/instruments';

/** A number that stays the same for a text. */
const seedOf = (text: string): number => [...text].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7);

/**
 * A stand-in for a meter on a check or a store of a job's set, or between two pins of a board that is traced, as server-sent events: `data` is a line of the
 * meter, `end` closes.
 */
export async function standIn(job: string, asked: URLSearchParams): Promise<Response> {
  if (!simulatedMeterOffered())
    return new Response('no meter is simulated here: these sets are real ones', { status: 404 });
  const file = await loadJob(job);
  if (!file) return new Response('there is no such job', { status: 404 });
  const { predictions } = caseOf(file, []);
  const store = file.sheet.stores.get(asked.get('store') ?? '');
  if (store) return stream(dischargeReadings(store.volts, seeded(seedOf(`${job} ${store.id}`))));
  const [a, b] = [asked.get('between'), asked.get('and')];
  if (a !== null && b !== null) {
    const lines = standing(file.entries, 'traced').map(({ body }) => body.text);
    return stream(beepReadings(areJoined(lines, a, b), seeded(seedOf(`${job} ${a} ${b}`))));
  }
  const rail = asked.get('rail');
  if (rail !== null) return railReadings(file, predictions.checks, rail, asked.get('aim'));
  const checkId = asked.get('check') ?? '';
  const check = predictions.checks.get(checkId);
  if (!check) return new Response(`${file.sheet.title} has no point "${checkId}"`, { status: 400 });
  const bench = replay(file.entries, [...file.sheet.stores.keys()]);
  // Drawn by what its owner told, the same whenever a set of this name is asked.
  const hidden = hiddenFault(caseOf(file, []), seeded(seedOf(file.title)));
  const cured = bench.repairs.some(({ repair }) => repair.cures.includes(hidden.id));
  const random = seeded(seedOf(`${job} ${checkId} ${bench.readings.length}`));
  if (asked.has('watch')) {
    const sound = answerFrom(predictions.expectation(undefined, check, bench.context), 0, random);
    return stream(soakReadings(sound.kind === 'number' ? sound.value : 1, !cured, random));
  }
  const expectation = (of: Check) => predictions.expectation(cured ? undefined : hidden, of, bench.context);
  // What stands at the point of a sweep, by the check that reads it in DC volts there or elsewhere on the net.
  const below = [...predictions.checks.values()].find(
    ({ measure, point }) => measure === 'dc' && point?.net !== undefined && point.net === check.point?.net,
  );
  const standsAt = below && answerFrom(expectation(below), 0, random);
  return stream(
    standInReadings(check, expectation(check), random, standsAt?.kind === 'number' ? standsAt.value : 0),
    instrumentFor(check.measure) === 'sampler' ? sweepPerTick : 1,
  );
}

/** What a rail reads while its set is set up, or while its trimmer is turned to an aim. */
function railReadings(
  { id, title, sheet, entries }: JobFile,
  checks: ReadonlyMap<string, Check>,
  rail: string,
  aim: string | null,
): Response {
  const steps = railSteps(sheet, checks);
  const step = steps.find((one) => one.id === rail);
  if (!step) return new Response(`${sheet.title} sets no rail "${rail}"`, { status: 400 });
  const now = trimmersAsTurned(steps, entries, seeded(seedOf(title))).volts(rail);
  const random = seeded(seedOf(`${id} ${rail} ${entries.length}`));
  if (aim === null) return stream(multimeterReadings(step.check, { value: now, shape: 'settled' }, random));
  const to = Number(aim);
  if (!Number.isFinite(to)) return new Response(`"${aim}" is no aim in volts`, { status: 400 });
  return stream(turningReadings(now, to, random));
}

/** Lines of a sweep sent at once, so that it takes about a second. */
const sweepPerTick = 40;

const stream = (readings: readonly MeterReading[], perTick = 1) =>
  new Response(streamed(readings.map(meterLine), perTick), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });

function streamed(lines: readonly string[], perTick: number): ReadableStream<Uint8Array> {
  const text = new TextEncoder();
  let timer: ReturnType<typeof setInterval>;
  let next = 0;
  return new ReadableStream({
    start(controller) {
      timer = setInterval(() => {
        const due = lines.slice(next, next + perTick);
        next += perTick;
        if (due.length > 0) return controller.enqueue(text.encode(due.map((line) => `data: ${line}\n\n`).join('')));
        clearInterval(timer);
        controller.enqueue(text.encode('event: end\ndata: \n\n'));
        controller.close();
      }, 1000 / standInRate);
    },
    cancel() {
      clearInterval(timer);
    },
  });
}
