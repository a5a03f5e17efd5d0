import { type Check, type Context, isMetered, type Predictions } from '@/core/behaviour';
import { type SetStep } from '@/core/entry';
import { provenBelow } from '@/core/log';
import { measures } from '@/core/measure';
import { formatQuantity } from '@/core/quantity';
import { type Usual } from '@/core/reading';
import { dischargeTool, peakPower, timeToFall } from '@/core/safety';
import { type Ground, isUnread } from '@/core/sheet';
import { dateText, waitText } from '@/ui';
import { instruction } from './benchModel';

/** Above so many volts no wire-wound resistor is a tool. */
const wireWoundUpTo = 1000;

const groundWords: Readonly<Record<Ground, string>> = {
  hot: 'hot ground',
  chassis: 'chassis',
  floating: 'the floating ground',
  none: '',
};

/** How a step is done. */
export function stepHow(step: SetStep) {
  if (step.kind === 'do') return <>Press ⏎ when it is done. The change goes into the record.</>;
  const { store } = step;
  if (store.volts > wireWoundUpTo && store.side === 'hot')
    return (
      <>{store.place}. Through a high-voltage resistor made for it, never a wire; then measure and type the volts.</>
    );
  if (store.volts > wireWoundUpTo)
    return (
      <>
        {store.place}. Resistor probe clipped to the braid first, twice, a minute apart; then measure and type the
        volts.
      </>
    );
  const { ohms } = dischargeTool;
  const seconds = timeToFall({ farads: store.farads, volts: store.volts, ohms }, provenBelow);
  return (
    <>
      {store.place}. From <b className="figure">{store.volts} V</b> to {provenBelow} V in{' '}
      <b className="figure">{waitText(seconds)}</b> through 2.2 kΩ,{' '}
      <b className="figure">{Math.round(peakPower({ volts: store.volts, ohms }))} W</b> at first. Then measure across it
      and type the volts.
    </>
  );
}

/** How a check is made and what a good set gives. */
export function How({ check, predictions, context }: { check: Check; predictions: Predictions; context: Context }) {
  const { where, expected } = instruction(predictions, check, context);
  const numeric = isMetered(check);
  const source = sourceOf(predictions, check);
  return (
    <>
      {capital(measures[check.measure].title)}
      {where === '' ? '' : numeric ? `, red on ${where}` : `: ${where}`}
      {check.ground !== 'none' && numeric && (
        <>
          , black on <b>{groundWords[check.ground]}</b>
        </>
      )}
      . A good set {numeric ? 'reads' : 'gives'} <b className="figure">{expected}</b>
      {source !== '' && ` (${source})`}.
    </>
  );
}

/** What the shop's own sets read there: what is normal, by those that work. */
export function Own({ usual: { count, low, high, before }, check }: { usual: Usual; check: Check }) {
  const said = (value: number) => formatQuantity(value, check.unit, 3);
  return (
    <>
      {count > 0 && (
        <>
          {' '}
          {count === 1 ? 'One of your sets read' : `${count} of your sets read`}{' '}
          <b className="figure">{low === high ? said(low) : `${said(low)} to ${said(high)}`}</b> once cured.
        </>
      )}
      {before && (
        <>
          {' '}
          This one read <b className="figure">{said(before.value)}</b> on {dateText(before.at)}.
        </>
      )}
    </>
  );
}

/** Where the nominal of a check on a net is from. */
function sourceOf(predictions: Predictions, { point }: Check): string {
  const net = predictions.model.sheet.nets.get(point?.net ?? '');
  if (!net || point?.source !== undefined) return point?.source ?? '';
  return isUnread(net) ? 'guess, its label not read' : net.source;
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
