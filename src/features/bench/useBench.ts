'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import { type Check } from '@/core/behaviour';
import { type Briefed, type Case, contextFor, type ProbeAdvice, tilesOf, weightsOf } from '@/core/diagnosis';
import { interpret, nextStep } from '@/core/entry';
import { partsAlone, readingRows } from '@/core/job';
import { lastStanding, type TakenReading } from '@/core/log';
import { depict, symptomTitles } from '@/core/picture';
import { familyOf } from '@/core/sheet';
import { type JobFile, type JobLog } from '@/workshop/job';
import { type Refined } from '@/workshop/library';
import { type SeenPicture } from './benchModel';
import { useRefining } from './useRefining';

/** Pictures offered beside the right one: two rows. */
const offeredPictures = 7;

/** The pictures on offer where the picture is asked for: the right one, then what the suspects would show. */
function picturesOf({ predictions }: Case, briefed: Briefed): SeenPicture[] {
  const family = familyOf(predictions.model.sheet.technology);
  return [
    { id: 'normal', title: symptomTitles.normal, symptoms: ['normal'], picture: depict(family, []) },
    ...tilesOf(predictions, weightsOf(briefed)).slice(0, offeredPictures),
  ];
}

/** The probe in front: of a briefing that is older than the last reading, the best that was not read since. */
function foremost({ next, probes }: Briefed, fresh: boolean, { bench }: Case): ProbeAdvice | undefined {
  if (next !== 'probe') return undefined;
  return fresh ? probes[0] : (probes.find(({ probe }) => !bench.latest.has(probe.check.id)) ?? probes[0]);
}

/**
 * The state of the bench: what is asked next, what is typed, what it comes to.
 *
 * The focus is the best probe unless another was chosen; choosing lasts until it is recorded, and whoever begins
 * to type an answer keeps the probe it is for.
 *
 * @param asked a check chosen from the start; one the sheet does not know is passed over
 */
export function useBench(
  file: JobFile,
  log: JobLog,
  job: Case,
  { briefed, fresh }: { readonly briefed: Briefed; readonly fresh: boolean },
  asked: string | undefined,
  onRefined: (refined: Refined) => void,
) {
  const { predictions, bench } = job;
  const rows = useMemo(() => readingRows(job), [job]);
  const parts = useMemo(() => partsAlone(log.entries, job), [log.entries, job]);
  const [chosen, setChosen] = useState(() =>
    asked !== undefined && predictions.checks.has(asked) ? asked : undefined,
  );
  /** The probe in front when an answer was begun. */
  const [begun, setBegun] = useState<string>();
  const [text, setText] = useState('');
  const [correcting, setCorrecting] = useState<TakenReading>();

  const held = chosen ?? begun;
  const focused =
    held === undefined ? foremost(briefed, fresh, job) : briefed.probes.find(({ probe }) => probe.id === held);
  const check: Check | undefined = correcting
    ? predictions.checks.get(correcting.check)
    : (focused?.probe.check ?? (held === undefined ? undefined : predictions.checks.get(held)));
  const pictures = useMemo(() => (check?.measure === 'picture' ? picturesOf(job, briefed) : []), [job, briefed, check]);
  const wanted = useMemo(
    () => focused?.probe.context ?? (check ? contextFor(bench.context, check.state) : bench.context),
    [focused, check, bench.context],
  );
  const step = useMemo(
    () => (check && !correcting ? nextStep(job, wanted) : undefined),
    [job, wanted, check, correcting],
  );
  const interpreted = useMemo(
    () => interpret(text, { job, focus: check, step, correcting, pictures }),
    [text, job, check, step, correcting, pictures],
  );

  const [refused, setRefused] = useState<string>();
  const refining = useRefining(file, onRefined);
  const front = focused?.probe.id;
  const type = useCallback(
    (next: string) => {
      setRefused(undefined);
      setText(next);
      setBegun((now) => (next === '' ? undefined : (now ?? front)));
    },
    [front],
  );
  const choose = useCallback((id: string | undefined) => {
    setChosen(id);
    setBegun(undefined);
    setCorrecting(undefined);
    setText('');
  }, []);
  const cancel = useCallback(() => choose(undefined), [choose]);
  const correct = useCallback(
    (reading: TakenReading) => {
      choose(undefined);
      setCorrecting(reading);
    },
    [choose],
  );

  /** Takes a line back into the entry with what is wrong with it, unless another was begun. */
  const giveBack = useCallback((line: string, message: string) => {
    setRefused(message);
    setText((now) => (now === '' ? line : now));
  }, []);
  /** Records what is typed; with nothing typed, the step that is due. What is typed while the sheet changes waits for it. */
  const record = () => {
    if (text !== '' && refining.wait(text)) {
      setText('');
      setBegun(undefined);
    } else if (interpreted.kind === 'line') {
      log.record([
        { body: interpreted.body, ...(correcting ? { supersedes: correcting.entry.id } : {}) },
        ...interpreted.more.map((body) => ({ body })),
      ]);
      setText('');
      setBegun(undefined);
      setCorrecting(undefined);
      if (interpreted.body.kind === 'reading') setChosen(undefined);
    } else if (interpreted.kind === 'sheet') {
      setText('');
      setBegun(undefined);
      const { change, then } = interpreted;
      refining.start({ line: { text }, change, then, onRefused: (message) => giveBack(text, message) });
    } else if (interpreted.kind === 'nothing' && step?.kind === 'do') log.record([{ body: step.body }]);
  };
  const { due, take, start } = refining;
  useEffect(() => {
    // What is begun in the entry is finished first: a line that is refused is given back there.
    if (due === undefined || text !== '') return;
    const soon = setTimeout(() => {
      if (!take(due)) return;
      // What has waited is read by the sheet as it is now.
      const line = interpret(due.text, { job, focus: check, step, correcting: undefined, pictures });
      if (line.kind === 'line') log.record([line.body, ...line.more].map((body) => ({ body })));
      else if (line.kind === 'sheet') {
        const { change, then } = line;
        start({ line: due, change, then, onRefused: (message) => giveBack(due.text, message) });
      } else if (due.sent !== true)
        giveBack(due.text, line.kind === 'wrong' ? line.message : `“${due.text}” is nothing that can be recorded now`);
    });
    return () => clearTimeout(soon);
  }, [due, text, take, start, job, check, step, pictures, log, giveBack]);
  const unreachable = () => {
    if (!check || correcting) return;
    log.record([{ body: { kind: 'unreachable', check: check.id } }]);
    choose(undefined);
  };
  const takeBack = () => {
    const last = lastStanding(log.entries);
    if (last) log.takeBack(last.id);
  };

  return {
    rows,
    parts,
    pictures,
    focused,
    check,
    wanted,
    step,
    text,
    setText: type,
    /** Nothing was typed, chosen or begun: another probe may come first. */
    untouched: text === '' && chosen === undefined && !correcting,
    /** What waits for the sheet; undefined where none is being changed. */
    /** Changes of the sheet and lines that the server does not have yet. */
    unsent: (refining.busy ? 1 : 0) + refining.waiting.length,
    held: refining.busy || refining.waiting.length > 0 ? refining.waiting.map((line) => line.text) : undefined,
    interpreted: refused === undefined ? interpreted : ({ kind: 'wrong', message: refused } as const),
    correcting,
    correct,
    choose,
    cancel,
    record,
    unreachable,
    takeBack,
  };
}

export type BenchControl = ReturnType<typeof useBench>;
