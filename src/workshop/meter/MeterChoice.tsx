'use client';

import { Refusal, attempt } from '@/core/quantity';
import { Button, Select } from 'antd';
import { useState } from 'react';
import { type MeterReading, usualPattern, writeLog } from '@/instruments';
import { OpenFile, useDraft, WriteFile } from '@/ui';
import { type MeterSource, openRecorded, type SerialPort, serialSource, simulatedSource } from './sources';
import styles from './meter.module.css';

interface MeterChoiceProps {
  readonly simulated: boolean;
  readonly source: MeterSource | undefined;
  onSource(source: MeterSource | undefined): void;
  /** What was read at the last touch. */
  trace?(): readonly MeterReading[];
}

interface SerialBrowser {
  readonly serial?: { requestPort(): Promise<SerialPort> };
}

const speeds = [2400, 4800, 9600, 19_200, 38_400, 115_200];

/** Which meter is listened to: one on a serial port, a recorded log, or the demo's stand-in. */
export function MeterChoice({ simulated, source, onSource, trace }: MeterChoiceProps) {
  const [kind, setKind] = useState<MeterSource['kind']>(source?.kind ?? (simulated ? 'simulated' : 'serial'));
  const [refused, setRefused] = useState<string>();
  const { draft, keep } = useDraft('meter-pattern');
  const [typed, setTyped] = useState<string>();
  const [speed, setSpeed] = useState(9600);
  const pattern = typed ?? draft ?? usualPattern;
  const choose = (next: MeterSource['kind']) => {
    setKind(next);
    setRefused(undefined);
    onSource(next === 'simulated' ? simulatedSource : undefined);
  };
  const connect = async () => {
    const { serial } = navigator as SerialBrowser;
    if (!serial)
      return setRefused('This browser has no serial ports for pages: take one with Web Serial, or a recorded log.');
    try {
      const port = await serial.requestPort();
      await port.open({ baudRate: speed });
      onSource(serialSource(port, pattern));
      setRefused(undefined);
    } catch (error) {
      if (error instanceof Refusal) return setRefused(error.message);
      setRefused(`The port could not be opened: ${error instanceof Error ? error.message : 'it is in use'}`);
    }
  };
  return (
    <section className={styles.choice} aria-label="Which meter">
      <Select
        size="small"
        aria-label="Meter"
        value={kind}
        options={[
          ...(simulated ? [{ value: 'simulated' as const, label: 'Simulated meter' }] : []),
          { value: 'serial' as const, label: 'Meter on a serial port' },
          { value: 'recorded' as const, label: 'Recorded log' },
        ]}
        onChange={choose}
      />
      {kind === 'serial' && (
        <>
          <Select
            size="small"
            aria-label="Speed"
            value={speed}
            options={speeds.map((value) => ({ value, label: `${value} Bd` }))}
            onChange={setSpeed}
          />
          <input
            className="field figure"
            aria-label="Pattern of its lines"
            title="{value} once; {unit}, {range}, {seconds} of its own clock and {skip} where they stand"
            value={pattern}
            maxLength={80}
            onChange={(event) => {
              setTyped(event.target.value);
              keep(event.target.value);
            }}
          />
          <Button size="small" onClick={() => void connect()}>
            {source?.kind === 'serial' ? 'Connected' : 'Connect'}
          </Button>
        </>
      )}
      {kind === 'recorded' && (
        <OpenFile
          accept=".csv,.txt,.tsv"
          onText={(text) => {
            const opened = attempt(() => openRecorded(text));
            setRefused(opened instanceof Refusal ? opened.message : undefined);
            if (!(opened instanceof Refusal)) onSource(opened);
          }}
          onRefused={setRefused}
        />
      )}
      {trace && (
        <WriteFile name="trace.csv" type="text/csv" text={() => writeLog(trace())} title="Write the last trace" />
      )}
      {refused !== undefined && (
        <p role="alert" className="bad">
          {refused}
        </p>
      )}
    </section>
  );
}
