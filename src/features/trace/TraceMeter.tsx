'use client';

import { useEffect, useState } from 'react';
import { beepOhms, type Spot } from '@/core/tracing';
import { LiveMeter, MeterChoice, type MeterSource, simulatedSource, useMeter } from '@/workshop/meter';
import { sound } from '@/ui';

interface TraceMeterProps {
  readonly job: string;
  readonly simulated: boolean;
  /** The two spots that the probes are on, or should be; nothing is heard without them. */
  readonly between: readonly [Spot, Spot] | undefined;
  /** How much was found before: the same two spots asked again are another touch. */
  readonly found: number;
  onOhms(between: readonly [Spot, Spot], ohms: number): void;
}

/** The meter on ohms: what it reads between the two spots asked for is taken; probes in the air read OL and say nothing. */
export function TraceMeter({ job, simulated, between, found, onOhms }: TraceMeterProps) {
  const [source, setSource] = useState<MeterSource | undefined>(simulated ? simulatedSource : undefined);
  useEffect(() => () => source?.close?.(), [source]);
  const address =
    between &&
    `/api/meter/${job}?between=${encodeURIComponent(between[0])}&and=${encodeURIComponent(between[1])}&after=${found}`;
  const { view, trace } = useMeter(source, address, {
    patience: 0,
    unit: 'Ω',
    isOpen: () => false,
    onReading: (reading) => {
      if ('wave' in reading || !between || !Number.isFinite(reading.value) || reading.revises) return;
      sound(reading.value < beepOhms ? 'within' : 'odd');
      onOhms(between, Number(reading.value.toPrecision(3)));
    },
  });
  return (
    <>
      <MeterChoice simulated={simulated} source={source} onSource={setSource} trace={trace} />
      {source && between && (
        <LiveMeter view={view} unit="Ω" title={`${source.title}, ${between.join(' to ')}`} trace={trace} />
      )}
    </>
  );
}
