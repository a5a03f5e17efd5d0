import { provenBelow } from '../../log';
import { formatQuantity, type Unit } from '../../quantity';
import { type ClassifiedTrace } from './trace';

/** Less sure than this, nothing is said. */
const sure = 0.6;
/** What climbs stands after about so many time constants. */
const stands = 3;

/** What a meter's figure is doing, and what to do about it, in the bench's words; undefined where it only settles. */
export function traceText({ shape, confidence }: ClassifiedTrace, unit: Unit): string | undefined {
  if (confidence < sure) return undefined;
  const said = (value: number) => formatQuantity(value, unit, 3);
  const seconds = (time: number) => formatQuantity(time, 's', 2);
  switch (shape.kind) {
    case 'climbing':
      return shape.tau === undefined
        ? 'climbing: something charges. Wait, or lift a leg'
        : `climbing: something charges, τ ${seconds(shape.tau)}. It stands in ${seconds(stands * shape.tau)}; or lift a leg`;
    case 'falling': {
      if (!Number.isFinite(shape.tau)) return undefined;
      const low = unit === 'V' && Math.abs(shape.value) > provenBelow;
      const until = low ? shape.tau * Math.log(Math.abs(shape.value) / provenBelow) : undefined;
      return `falling, τ ${seconds(shape.tau)}${until === undefined ? '' : `: below ${provenBelow} V in ${seconds(until)}`}`;
    }
    case 'brief':
      return `up for ${seconds(shape.width)} at ${said(shape.peak)}, then gone`;
    case 'swinging':
      return `swings between ${said(shape.mean - shape.amplitude)} and ${said(shape.mean + shape.amplitude)}`;
    case 'bouncing':
      return `the contact bounces at ${said(shape.value)}: press on, or clean the pin`;
    case 'settled':
    case 'open':
    case 'unclear':
      return undefined;
  }
}
