import { type Tolerance, type Volts } from '../../quantity';
import {
  defaultTolerance,
  flag,
  type Format,
  oneOf,
  optional,
  type Read,
  record,
  sectionOf,
  text,
  tolerance,
  written,
} from '../describe';
import { type Place } from '../place';
import { netKinds, type NetKind, signalClasses, type SignalClass, type Source, sources } from '../words';
import { type LabelField } from './label';

const net = record({
  title: text(''),
  kind: optional(oneOf(netKinds)),
  signal: optional(oneOf(signalClasses)),
  /** Volts, or `label.FIELD` for what stands on each set's own label. */
  volts: written('1'),
  tolerance: optional(tolerance()),
  source: optional(oneOf(sources)),
  /** It feeds a part of what needs it, and nobody has written down which: without it all of it may go on, or none, or some. */
  partial: flag(false),
});

/** A rail or a signal, from where it is made to where it is needed. */
export interface Net {
  readonly id: string;
  readonly title: string;
  readonly kind: NetKind;
  readonly signal?: SignalClass;
  /** Nominal volts; 1 for a signal that has none. */
  readonly volts: Volts;
  readonly tolerance: Tolerance;
  /** The label field that gives the volts of a particular set. */
  readonly label?: string;
  readonly source: Source;
  readonly partial: boolean;
  readonly place: Place;
}

/** Nets, those that follow the label at its nominal values. */
export const nets = (label: ReadonlyMap<string, LabelField>): Format<ReadonlyMap<string, Net>> =>
  sectionOf<Read<typeof net>, Net>(
    net,
    (entry, { title, kind, signal, volts, tolerance: allowed, source, partial }) => {
      const name = volts.startsWith('label.') ? volts.slice('label.'.length) : undefined;
      const field = name === undefined ? undefined : label.get(name);
      if (name !== undefined && !field)
        entry.get('volts').fail(`the label has no field "${name}"; it has ${[...label.keys()].join(', ')}`);
      return {
        id: entry.name,
        title: title === '' ? entry.name : title,
        kind: kind ?? (signal === undefined ? 'rail' : 'signal'),
        volts: name === undefined ? entry.get('volts').quantity('V', 1) : (field?.nominal ?? 1),
        tolerance: allowed ?? field?.tolerance ?? defaultTolerance,
        source: source ?? (field ? 'label' : 'manual'),
        partial,
        place: entry.place,
        ...(signal === undefined ? {} : { signal }),
        ...(field ? { label: field.id } : {}),
      };
    },
  );
