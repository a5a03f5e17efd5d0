import { Refusal } from '@/core/quantity';
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
import {
  adviseOn,
  evidenceIn,
  foundParts,
  indistinguishable,
  reasonsFrom,
  stepsTo,
  told,
  toldChance,
} from '@/core/diagnosis';
import { symptomsOf } from '@/core/picture';
import { lintSheet } from '@/core/sheet';
import { command, type Given } from './command';
import { readText, sheetFrom, sheetOptions, sourceFrom } from './files';
import { observedJob } from './observed';

export const checkSheet = command({
  name: 'sheet check',
  takes: 'FILE',
  about: 'Counts, warnings, and the groups of faults that no test tells apart.',
  options: sheetOptions,
  answer: checked,
});

function checked(given: Given): object {
  const sheet = sheetFrom(given);
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

export const simulate = command({
  name: 'simulate',
  takes: 'FILE --fault ID',
  about: 'Nets, points, signs, picture and code of the set with a fault.',
  options: {
    fault: { takes: 'ID', about: 'the fault, or none for a good set' },
    unplug: { takes: 'CONNECTOR,...', about: 'connectors that are out' },
    state: { takes: 'live|unplugged', about: 'live unless told otherwise' },
    warm: { about: 'after the set has warmed up' },
    ...sheetOptions,
  },
  answer: simulated,
});

function simulated(given: Given): object {
  const sheet = sheetFrom(given);
  const id = given.option('fault');
  const fault = id === undefined || id === 'none' ? undefined : sheet.faults.get(id);
  if (id === undefined) throw new Refusal('name a fault with --fault, or --fault none for a good set');
  if (id !== 'none' && !fault) {
    const near = [...sheet.faults.keys()]
      .filter((one) => one.toLowerCase().startsWith(id.toLowerCase().split('.')[0]!))
      .slice(0, 6);
    throw new Refusal(`${sheet.title} has no fault "${id}"${near.length > 0 ? `; near it: ${near.join(', ')}` : ''}`);
  }
  const state = given.option('state') ?? 'live';
  if (state !== 'live' && state !== 'unplugged') throw new Refusal(`--state is live or unplugged, not "${state}"`);
  let context: Context = { ...liveCold, power: state, warm: given.has('warm') };
  for (const connector of (given.option('unplug') ?? '').split(',').filter(Boolean)) {
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

/** How the set stands for a probe: `dead` is unplugged with its stores measured low. */
const stateOf = ({ power }: Context) => (power === 'proven' ? 'dead' : power);

const mostSuspects = 10;

export const suspects = command({
  name: 'suspects',
  takes: 'FILE --observe FILE',
  about: 'What the observations point at, and what to probe next.',
  options: {
    observe: {
      takes: 'FILE',
      about:
        'the observations, one a line as at the bench: readings, C9 100u 35V 17u, part R118 22R feeds v12, replaced C547, no change, mains 117, shows comes and goes',
    },
    ...sheetOptions,
  },
  answer: suspected,
});

function suspected(given: Given): object {
  const file = given.option('observe');
  if (file === undefined) throw new Refusal('name the file of observations with --observe');
  const job = observedJob(sourceFrom(given), file, readText(file));
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const here = bench.context;
  const advice = adviseOn(job);
  const evidenceOf = evidenceIn(advice.posterior);
  const suspects = told(advice.posterior);
  const [repair] = advice.repairs;
  return {
    suspects: suspects.slice(0, mostSuspects).map(({ fault, probability }) => ({
      fault: fault.id,
      title: fault.title,
      probability,
      reasons: reasonsFrom(predictions, evidenceOf(fault.id)).map(({ raises, text, factor }) => ({
        raises,
        text,
        factor,
      })),
    })),
    next: advice.probes.slice(0, 5).map(({ probe, minutes, saves, bits, harm, outcomes }) => ({
      probe: probe.id,
      title: probe.check.title,
      where: probe.check.where,
      state: stateOf(probe.context),
      first: stepsTo(sheet, here, probe.context, harm),
      harm: { minutes: harm?.minutes ?? 0, ...(harm ? { chance: harm.chance, reason: harm.reason } : {}) },
      minutes,
      saves,
      bits,
      outcomes,
    })),
    found: foundParts(job).map(({ part, said, action, putIn }) => ({ part, said, action, ...(putIn && { putIn }) })),
    badDonors: Object.fromEntries(advice.posterior.badDonors),
    decision: advice.next,
    repair: repair && {
      title: repair.action.title,
      chance: toldChance(suspects, repair.action.cures, repair.chance),
      minutes: repair.minutes,
    },
  };
}
