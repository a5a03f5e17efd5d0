import { type FedReading, type FedSweep } from '@/instruments';
import { useCallback, useEffect, useState } from 'react';
import { type Unit } from '@/core/quantity';
import { type MeterSource, useMeter } from '@/workshop/meter';

/**
 * A meter that goes from pin to pin: what settles fills the pin that is due.
 *
 * @param pin the pin that is due; each new one is a new touch
 * @param onValue with `anew` what was taken of the pin before has crept on
 */
export function useSweepMeter(pin: string, onValue: (value: number, unit: Unit, anew: boolean) => void) {
  const [on, setOn] = useState(false);
  const [source, setSource] = useState<MeterSource>();
  useEffect(() => () => source?.close?.(), [source]);
  const {
    view,
    takeNow: figure,
    trace,
  } = useMeter(on ? source : undefined, on ? pin : undefined, {
    patience: 0,
    onReading: (reading: FedReading | FedSweep) => {
      if ('wave' in reading) return;
      onValue(reading.value, view?.unit ?? '', reading.revises === true);
    },
  });
  /** Takes the figure as it stands: a pin that is open, or at nothing, reads as lifted probes do. */
  const takeNow = (): boolean => {
    const value = on ? figure() : undefined;
    if (value === undefined) return false;
    onValue(value, view?.unit ?? '', false);
    return true;
  };
  const toggle = useCallback(() => setOn((was) => !was), []);
  return { on, source, setSource, view, trace, takeNow, toggle };
}
