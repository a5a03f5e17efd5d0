'use client';

import { instrumentFor } from '@/core/measure';
import { type Case, mayBeBrief } from '@/core/diagnosis';
import { isMetered } from '@/core/behaviour';
import { type LogEntry } from '@/core/log';
import { useCallback, useEffect, useRef, useState } from 'react';
import { checksSwept, readsOpen, waveReading, waveText } from '@/core/reading';
import { type JobFile, type JobLog, type NewLine } from '@/workshop/job';
import { type MeterSource, meterWords, simulatedSource, type Swept, useMeter } from '@/workshop/meter';
import { type FedReading, type FedSweep } from '@/instruments';
import { sound } from '@/ui';
import { type LiveBriefing } from '@/workshop/advice';
import { type BenchControl } from './useBench';

/** How long a value must stand where some suspect would take it away again, in seconds. */
const patience = 2.2;

/**
 * The meter on the bench: what is asked is read from it, recorded when it settles, and sounded by its
 * verdict, so that no key is needed between one probe and the next.
 */
export function useBenchMeter(
  file: JobFile,
  log: JobLog,
  job: Case,
  { briefed, fresh }: Pick<LiveBriefing, 'briefed' | 'fresh'>,
  control: BenchControl,
  simulated: boolean,
) {
  const [on, setOn] = useState(false);
  const [source, setSource] = useState<MeterSource | undefined>(simulated ? simulatedSource : undefined);
  useEffect(() => () => source?.close?.(), [source]);
  const { check, step, correcting, text, choose, wanted, rows } = control;
  const numeric = check !== undefined && isMetered(check);
  const ready = on && fresh && !correcting && text === '' && log.waiting.size === 0;
  const listens = ready && numeric && !step;
  const store = ready && step?.kind === 'prove' ? step.store : undefined;
  const asked = store
    ? `store=${encodeURIComponent(store.id)}`
    : listens
      ? `check=${encodeURIComponent(check.id)}`
      : undefined;
  const address = asked === undefined ? undefined : `/api/meter/${file.id}?${asked}&after=${log.entries.length}`;
  /** What the meter recorded last, the newest version of it. */
  const taken = useRef<LogEntry>(undefined);
  /** A reading that crept on after it was recorded, unless it was corrected or taken back since. */
  const revise = (value: number) => {
    const before = taken.current;
    if (before?.body.kind !== 'reading' || !job.bench.readings.some(({ entry }) => entry.id === before.id)) return;
    const body = { ...before.body, answer: { kind: 'number', value, shape: 'settled' } } as const;
    [taken.current] = log.record([{ body, supersedes: before.id }]);
  };
  const [swept, setSwept] = useState<Swept>();
  /** Records all that one sweep reads at the place: what is asked, and what nobody has read there yet. */
  const takeSweep = (sweep: FedSweep) => {
    if (!check || step) return;
    const { readings, repairs } = job.bench;
    const known = new Set(readings.filter((one) => one.afterRepairs === repairs.length).map((one) => one.check));
    const read = checksSwept(job.predictions.checks, check).filter(({ id }) => id === check.id || !known.has(id));
    const text = waveText(sweep.wave);
    const lines = read.map(({ id, measure }): NewLine => {
      const answer = { kind: 'number', value: waveReading(sweep.wave, measure)!, shape: 'settled' } as const;
      return { body: { kind: 'reading', check: id, answer, text } };
    });
    // What was asked is recorded last, and stands on top.
    [taken.current] = log.record(lines.reverse()).slice(-1);
    setSwept({ check, sweep });
    choose(undefined);
  };
  /** Records what was read at the point that is asked for. */
  const take = (reading: FedReading | FedSweep) => {
    if ('wave' in reading) return takeSweep(reading);
    const { value, shape, revises } = reading;
    if (revises) return revise(value);
    setSwept(undefined);
    if (store) {
      // Whatever it reads is recorded; only a low reading proves it.
      if (Number.isFinite(value))
        [taken.current] = log.record([
          { body: { kind: 'store', store: store.id, volts: Number(value.toPrecision(3)) } },
        ]);
      return;
    }
    if (!check) return;
    const text = source?.kind === 'simulated' ? 'simulated meter' : 'meter';
    const answer = { kind: 'number', value, shape } as const;
    [taken.current] = log.record([{ body: { kind: 'reading', check: check.id, answer, text } }]);
    choose(undefined);
  };
  const {
    view,
    takeNow: figure,
    trace,
  } = useMeter(on ? source : undefined, address, {
    patience: listens && mayBeBrief(job.predictions, briefed, check, wanted) ? patience : 0,
    unit: store ? 'V' : check?.unit,
    isOpen: (range) => store === undefined && check !== undefined && readsOpen(job.predictions, check, wanted, range),
    onReading: take,
  });
  /** Takes the figure as it stands, settled or not; true where there is one to take. */
  const takeNow = (): boolean => {
    const value = listens || store ? figure() : undefined;
    if (value === undefined) return false;
    take({ value, shape: 'settled' });
    return true;
  };
  // A line taken back is not sounded again; one put right is.
  const heard = useRef({ count: rows.length, newest: rows[0]?.reading.entry.id });
  useEffect(() => {
    const newest = rows[0]?.reading.entry.id;
    if (on && rows.length >= heard.current.count && newest !== heard.current.newest) sound(rows[0]!.verdict.mark);
    heard.current = { count: rows.length, newest };
  }, [on, rows]);
  const toggle = useCallback(() => setOn((was) => !was), []);
  return {
    on,
    source,
    setSource,
    /** Is there a figure to show? */ reads: on && ((numeric && !step) || step?.kind === 'prove'),
    /** What sends the figure. */
    title:
      source?.kind === 'simulated' && check && !store
        ? `Simulated ${instrumentFor(check.measure)}`
        : (source?.title ?? ''),
    view,
    /** How it stands, while a figure is waited for. */
    words: on && source && address !== undefined ? meterWords(view, store ? 'V' : (check?.unit ?? '')) : undefined,
    swept: on ? swept : undefined,
    trace,
    takeNow,
    toggle,
  };
}
