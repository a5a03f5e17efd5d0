import { readEntry } from '@/core/entry';
import { type LogBody, type LogEntry, replay } from '@/core/log';
import { placed, Refusal } from '@/core/quantity';
import { answerText } from '@/core/reading';
import {
  compileSheet,
  type Context,
  expect,
  liveCold,
  Predictions,
  simulate as run,
  withConnector,
} from '@/core/behaviour';
import { adviseOn, contextFor, evidenceFor, indistinguishable, reasonsFrom, transition } from '@/core/diagnosis';
import { symptomsOf } from '@/core/picture';
import { lintSheet } from '@/core/sheet';
import { backupInto, database } from '@/store';
import { fromHere, readText, sheetFrom, sheetOptions } from './files';
import { readArguments } from './usage';

/** `sheet check FILE`: counts, warnings, and the groups of faults no test tells apart. */
export function checkSheet(argv: readonly string[]): object {
  const { words, options } = readArguments(argv, sheetOptions);
  const sheet = sheetFrom(words[0], options);
  const groups = [...indistinguishable(new Predictions(compileSheet(sheet))).values()]
    .filter(({ size }) => size > 1)
    .map((group) => [...group].sort());
  const distinct = [...new Map(groups.map((group) => [group.join(), group])).values()];
  return {
    sheet: sheet.id,
    title: sheet.title,
    counts: {
      blocks: sheet.blocks.size,
      nets: sheet.nets.size,
      parts: sheet.parts.size,
      faults: sheet.faults.size,
      points: sheet.points.size,
      signs: sheet.signs.size,
    },
    warnings: lintSheet(sheet),
    indistinguishable: distinct,
  };
}

/** `simulate FILE --fault ID`: nets, points, signs, picture and code of the set with that fault. */
export function simulate(argv: readonly string[]): object {
  const { words, options } = readArguments(argv, ['fault', 'unplug', 'state', 'warm', ...sheetOptions]);
  const sheet = sheetFrom(words[0], options);
  const id = options.get('fault');
  const fault = id === undefined || id === 'none' ? undefined : sheet.faults.get(id);
  if (id === undefined) throw new Refusal('name a fault with --fault, or --fault none for a good set');
  if (id !== 'none' && !fault) {
    const near = [...sheet.faults.keys()]
      .filter((one) => one.toLowerCase().startsWith(id.toLowerCase().split('.')[0]!))
      .slice(0, 6);
    throw new Refusal(`${sheet.title} has no fault "${id}"${near.length > 0 ? `; near it: ${near.join(', ')}` : ''}`);
  }
  const state = options.get('state') ?? 'live';
  if (state !== 'live' && state !== 'unplugged') throw new Refusal(`--state is live or unplugged, not "${state}"`);
  let context: Context = { ...liveCold, power: state, warm: options.has('warm') };
  for (const connector of (options.get('unplug') ?? '').split(',').filter(Boolean)) {
    if (!sheet.connectors.has(connector))
      throw new Refusal(
        `${sheet.title} has no connector "${connector}"; it has ${[...sheet.connectors.keys()].join(', ')}`,
      );
    context = withConnector(context, connector, true);
  }
  const model = compileSheet(sheet);
  const behaviour = run(model, fault ? [fault] : [], context);
  const nets = [...sheet.nets.values()].map((net, index) => {
    const { ratio, peak, brief, rippled, shorted } = behaviour.nets[index]!;
    return [
      net.id,
      {
        volts: net.volts * ratio,
        ratio,
        ...(brief ? { brief, peak: net.volts * peak } : {}),
        ...(rippled ? { rippled } : {}),
        ...(shorted ? { shorted } : {}),
      },
    ];
  });
  const { checks } = new Predictions(model);
  const points = [...checks.values()]
    .filter(({ point }) => point)
    .map((check) => {
      const expected = expect(behaviour, check);
      const likeliest =
        expected.kind === 'number'
          ? expected.components.reduce((best, one) => (one.chance > best.chance ? one : best))
          : undefined;
      const told =
        expected.kind === 'choice'
          ? Object.fromEntries([...expected.chances].map(([choice, chance]) => [choice, Number(chance.toFixed(4))]))
          : likeliest && answerText(check, { kind: 'number', value: likeliest.value, shape: likeliest.shape });
      return [check.id, told];
    });
  return {
    fault: id,
    nets: Object.fromEntries(nets),
    points: Object.fromEntries(points),
    signs: Object.fromEntries(behaviour.signs),
    picture: [...symptomsOf(behaviour.picture)],
    code: behaviour.blinks,
    tripped: behaviour.tripped.map((guard) => guard.id),
  };
}

const mostSuspects = 10;

/** `suspects FILE --observe FILE`: what the observations point at, and what to probe next. */
export function suspects(argv: readonly string[]): object {
  const { words, options } = readArguments(argv, ['observe', ...sheetOptions]);
  const sheet = sheetFrom(words[0], options);
  const file = options.get('observe');
  if (file === undefined) throw new Refusal('name the file of observations with --observe');
  const predictions = new Predictions(compileSheet(sheet));
  const stores = [...sheet.stores.keys()];
  const log: LogEntry[] = [];
  const record = (body: LogBody) => log.push({ id: `line-${log.length}`, at: '1970-01-01T00:00:00Z', body });
  record({ kind: 'power', power: 'live' });
  readText(file)
    .split(/\r?\n/)
    .forEach((text, index) => {
      const line = text.replace(/#.*/, '').trim();
      if (line === '') return;
      placed(`${file}, line ${index + 1}`, () => {
        const entry = readEntry(line, { sheet, checks: predictions.checks });
        // A list of observations leaves out the switching on and off that a bench would show.
        const here = replay(log, stores).context;
        if (entry.kind === 'reading') {
          for (const step of transition(sheet, here, contextFor(here, entry.check.state), () => 0)) record(step);
          record({ kind: 'reading', check: entry.check.id, answer: entry.answer, text: line });
        } else record(entry.body);
      });
    });
  const advice = adviseOn({
    predictions,
    complaint: { symptoms: [], signs: {} },
    bench: replay(log, stores),
    closed: new Map(),
    hourlyRate: 20,
  });
  return {
    suspects: advice.posterior.suspects.slice(0, mostSuspects).map(({ fault, probability }) => ({
      fault: fault.id,
      title: fault.title,
      probability,
      reasons: reasonsFrom(predictions, evidenceFor(advice.posterior, fault.id)).map(({ raises, text, factor }) => ({
        raises,
        text,
        factor,
      })),
    })),
    next: advice.probes.slice(0, 5).map(({ probe, minutes, saves, bits, outcomes }) => ({
      probe: probe.id,
      title: probe.check.title,
      where: probe.check.where,
      minutes,
      saves,
      bits,
      outcomes,
    })),
    decision: advice.next,
    repair: advice.repairs[0] && {
      title: advice.repairs[0].action.title,
      chance: advice.repairs[0].chance,
      minutes: advice.repairs[0].minutes,
    },
  };
}

/** `backup FOLDER`: a consistent copy of the user's data, also while the server runs. */
export async function backup(argv: readonly string[]): Promise<object> {
  const { words } = readArguments(argv, []);
  const [folder] = words;
  if (folder === undefined) throw new Refusal('name the folder for the copy');
  const db = await database();
  try {
    return { copy: await backupInto(db, fromHere(folder), new Date()) };
  } finally {
    await db.destroy();
  }
}
