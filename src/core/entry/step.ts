import { type Context } from '../behaviour';
import { type Case, transition } from '../diagnosis';
import { isLow, lineText, type LogBody } from '../log';
import { type Sheet, type Store } from '../sheet';

/** What must be done with the set before a probe can be made. */
export type SetStep =
  | { readonly kind: 'do'; readonly body: LogBody; readonly title: string; readonly done: string }
  | { readonly kind: 'prove'; readonly store: Store };

/** A step as it is asked for. */
export const stepTitle = (step: SetStep): string => (step.kind === 'do' ? step.title : `Prove ${step.store.id} dead`);

/** The first step from the bench's context to the one a probe needs; undefined when it is there. */
export function nextStep({ predictions, bench }: Case, wanted: Context): SetStep | undefined {
  const { sheet } = predictions.model;
  const low = new Set(bench.stores.filter(isLow).map(({ store }) => store));
  const steps = transition(sheet, bench.context, wanted, () => 0);
  // A discharge that was begun is finished before anything else takes the hands; but once a repair came after it, not for power alone.
  const repaired = bench.repairs.at(-1)?.entry.at ?? '';
  const isOver = wanted.power === 'live' && bench.stores.every(({ at }) => at <= repaired);
  const left =
    bench.context.power === 'unplugged' && low.size > 0 && !isOver
      ? [...sheet.stores.values()].find(({ id }) => !low.has(id))
      : undefined;
  if (left) return { kind: 'prove', store: left };
  const body = steps.find((one) => one.kind !== 'store' || !low.has(one.store));
  if (!body) return undefined;
  if (body.kind === 'store') return { kind: 'prove', store: sheet.stores.get(body.store)! };
  return { kind: 'do', body, ...stepWords(body, sheet) };
}

/** How a step is asked for, and how it is answered. */
function stepWords(body: LogBody, sheet: Sheet): { readonly title: string; readonly done: string } {
  switch (body.kind) {
    case 'power':
      return body.power === 'live'
        ? { title: 'Apply power', done: 'It is live' }
        : { title: 'Pull the plug', done: 'It is unplugged' };
    case 'connector': {
      const { title } = sheet.connectors.get(body.connector)!;
      return body.pulled
        ? { title: `Pull ${title}`, done: 'It is pulled' }
        : { title: `Put ${title} back`, done: 'It is back' };
    }
    case 'lamp':
      return { title: body.fitted ? 'Put the lamp in series' : 'Take the lamp out', done: 'Done' };
    case 'warmth':
      return body.warm
        ? { title: 'Let it run for ten minutes', done: 'It is warm' }
        : { title: 'Let it cool down', done: 'It is cold' };
    default:
      return { title: lineText(body), done: 'Done' };
  }
}
