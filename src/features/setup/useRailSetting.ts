'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type Case } from '@/core/diagnosis';
import { readEntry } from '@/core/entry';
import { attempt, formatQuantity, Refusal } from '@/core/quantity';
import { approachOf, railsWalk, railSteps } from '@/core/setup';
import { say, sound, spoken } from '@/ui';
import { type JobFile, type JobLog, type NewLine } from '@/workshop/job';
import { type MeterSource, simulatedSource, useMeter } from '@/workshop/meter';
import { askedWords, withTurn } from './setupModel';

/** What is known of a turn besides what its rail reads after it. */
interface Turned {
  readonly turn?: number | undefined;
  readonly end?: boolean;
}

/** The rails of a job as they are set: what is asked for, what was typed for it, and the meter that watches the pin meanwhile. */
export function useRailSetting(file: JobFile, log: JobLog, job: Case, simulated: boolean) {
  const { checks } = job.predictions;
  const steps = useMemo(() => railSteps(file.sheet, checks), [file.sheet, checks]);
  const walk = useMemo(() => railsWalk(steps, log.entries), [steps, log.entries]);
  const { asks } = walk;
  const asked = asks.do === 'done' ? undefined : asks.row;
  /** Where the next figure is read. */
  const point = asks.do === 'watch' ? asks.watched.check : asked?.check;
  const [typed, setTyped] = useState('');
  const [message, setMessage] = useState<string>();
  const [aloud, setAloud] = useState(false);

  /** Records what was read, at the rail that is asked for or another; the first was turned before, if that is what was asked. */
  const keep = (check: string, value: number, text: string, { turn, end = false }: Turned = {}) => {
    const answer = { kind: 'number', value, shape: 'settled' } as const;
    const reading: NewLine = { body: { kind: 'reading', check, answer, text } };
    // Another point that is named is a reading of that, and nothing was turned.
    const wasTurned = asks.do === 'turn' && check === asks.row.id;
    const made = log.record([
      ...(wasTurned
        ? [
            {
              body: { kind: 'turned', control: asks.row.control, end, ...(turn === undefined ? {} : { turn }) },
            } as const,
          ]
        : []),
      reading,
    ]);
    setTyped('');
    setMessage(undefined);
    if (aloud) say(spoken(askedWords(railsWalk(steps, [...log.entries, ...made]).asks)));
  };

  const [on, setOn] = useState(false);
  const [source, setSource] = useState<MeterSource | undefined>(simulated ? simulatedSource : undefined);
  useEffect(() => () => source?.close?.(), [source]);
  /** As it stands in the record where it came from. */
  const byMeter = source?.kind === 'simulated' ? 'simulated meter' : 'meter';
  const move = asks.do === 'turn' ? asks.move : undefined;
  const live = job.bench.context.power === 'live';
  // High voltage is read by a probe of its own, and typed.
  const listens = on && live && asked !== undefined && asks.do !== 'watch' && typed === '' && log.waiting.size === 0;
  const address = listens
    ? `/api/meter/${file.id}?rail=${encodeURIComponent(asked.id)}${move ? `&aim=${move.aim}` : ''}&after=${log.entries.length}`
    : undefined;
  const {
    view,
    takeNow: figure,
    trace,
  } = useMeter(on ? source : undefined, address, {
    patience: 0,
    unit: 'V',
    stays: move !== undefined,
    // While it is turned it is watched until it stands where it should.
    accepts: (value) => asks.do !== 'turn' || approachOf(asks, value).there,
    isOpen: () => false,
    onReading: (reading) => {
      if ('wave' in reading || reading.revises || !asked || !Number.isFinite(reading.value)) return;
      keep(asked.id, reading.value, byMeter);
      sound('within');
    },
  });
  const shows = on && !view?.onBefore ? view?.value : undefined;
  const approach = asks.do === 'turn' && shows !== undefined ? approachOf(asks, shows) : undefined;
  const past = approach?.past === true;
  useEffect(() => {
    if (past) sound('high');
  }, [past]);
  const toggle = useCallback(() => setOn((was) => !was), []);
  useHotkeys('alt+m', toggle, { enableOnFormTags: true, preventDefault: true });

  const enter = (end = false) => {
    if (!asked) return;
    const stands = typed.trim() === '' && asks.do !== 'watch' ? figure() : undefined;
    if (stands !== undefined) return keep(asked.id, stands, byMeter, { end });
    const read = attempt(() => {
      const { text, turn } = asks.do === 'turn' ? withTurn(typed) : { text: typed, turn: undefined };
      return { turn, entry: readEntry(text, { sheet: file.sheet, checks, focus: point }) };
    });
    if (read instanceof Refusal) return setMessage(read.message);
    const { entry, turn } = read;
    if (entry.kind !== 'reading' || entry.answer.kind !== 'number' || !Number.isFinite(entry.answer.value))
      return setMessage(
        asks.do === 'watch'
          ? `write the volts of ${asks.watched.title}, as ${formatQuantity(0.95 * asks.watched.limit, 'V', 3)}`
          : `write the volts at ${asked.step.title}, as ${formatQuantity(asked.target, 'V', 4)}`,
      );
    keep(entry.check.id, entry.answer.value, typed, { turn, end });
  };
  const input = useRef<HTMLInputElement>(null);
  useEffect(() => input.current?.focus(), [walk]);
  return {
    steps,
    walk,
    asked,
    input,
    typed,
    message,
    setMessage,
    aloud,
    setAloud,
    type: (text: string) => {
      setTyped(text);
      setMessage(undefined);
    },
    enter,
    /** What follows the rail cannot be read here: it is not asked for again. */
    passOver: () => {
      if (asks.do === 'watch') log.record([{ body: { kind: 'unreachable', check: asks.watched.check.id } }]);
    },
    point,
    meter: { on, toggle, source, setSource, view, trace, approach },
  };
}
