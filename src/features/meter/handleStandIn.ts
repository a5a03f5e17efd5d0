import 'server-only';
import { seeded } from '@/core/chance';
import { adviseOn } from '@/core/diagnosis';
import { replay } from '@/core/reading';
import { type Fault } from '@/core/sheet';
import { caseOf, type JobFile } from '@/features/job';
import { loadJob } from '@/features/job/load';
import { simulatedMeterOffered } from './offered';
import { dischargeReadings, type MeterReading, meterLine, standInRate, standInReadings } from '@/instruments';

/** A number that stays the same for a text. */
const seedOf = (text: string): number => [...text].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) >>> 0, 7);

/** The fault a job's simulated set hides: drawn once by what its owner told, the same whenever it is asked. */
function hiddenFault(file: JobFile): Fault {
  const { suspects } = adviseOn(caseOf(file, [])).posterior;
  let left = seeded(seedOf(file.id))();
  return (suspects.find(({ probability }) => (left -= probability) <= 0) ?? suspects[0]!).fault;
}

/**
 * A stand-in for a meter on a check or a store of a job's set, as server-sent events: `data` is a line of the
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
  const checkId = asked.get('check') ?? '';
  const check = predictions.checks.get(checkId);
  if (!check) return new Response(`${file.sheet.title} has no point "${checkId}"`, { status: 400 });
  const bench = replay(file.entries, [...file.sheet.stores.keys()]);
  const hidden = hiddenFault(file);
  const cured = bench.repairs.some(({ repair }) => repair.cures.includes(hidden.id));
  const random = seeded(seedOf(`${job} ${checkId} ${bench.readings.length}`));
  const readings = standInReadings(
    check,
    predictions.expectation(cured ? undefined : hidden, check, bench.context),
    random,
  );
  return stream(readings);
}

const stream = (readings: readonly MeterReading[]) =>
  new Response(streamed(readings.map(meterLine)), {
    headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' },
  });

function streamed(lines: readonly string[]): ReadableStream<Uint8Array> {
  const text = new TextEncoder();
  let timer: ReturnType<typeof setInterval>;
  let next = 0;
  return new ReadableStream({
    start(controller) {
      timer = setInterval(() => {
        if (next < lines.length) return controller.enqueue(text.encode(`data: ${lines[next++]!}\n\n`));
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
