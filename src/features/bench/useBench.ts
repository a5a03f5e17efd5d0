'use client';

import { readingRows } from '@/core/job';
import { interpret, nextStep } from '@/core/entry';
import { type TakenReading, lastStanding } from '@/core/log';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useState, useTransition } from 'react';
import { type Check } from '@/core/behaviour';
import { familyOf } from '@/core/sheet';
import { adviseOn, contextFor, type ProbeAdvice, tilesOf } from '@/core/diagnosis';
import { caseOf, type JobFile, type JobLog } from '@/workshop/job';
import { refineSheet } from '@/workshop/library';
import { depict, symptomTitles } from '@/core/picture';
import { useDeeperLook } from './useDeeperLook';
import { type SeenPicture } from './benchModel';

/** Pictures offered beside the right one: two rows. */
const offeredPictures = 7;

/**
 * The state of the bench: what is asked next, what is typed, what it comes to.
 *
 * The focus is the best probe unless another was chosen; choosing lasts until it is recorded.
 *
 * @param asked a check chosen from the start; one the sheet does not know is passed over
 */
export function useBench(file: JobFile, log: JobLog, asked?: string) {
  const job = useMemo(() => caseOf(file, log.entries), [file, log.entries]);
  const atOnce = useMemo(() => adviseOn(job), [job]);
  const rows = useMemo(() => readingRows(job), [job]);
  const [chosen, setChosen] = useState(() =>
    asked !== undefined && job.predictions.checks.has(asked) ? asked : undefined,
  );
  const [text, setText] = useState('');
  const [correcting, setCorrecting] = useState<TakenReading>();
  const { predictions, bench } = job;
  const untouched = text === '' && chosen === undefined && !correcting;
  const ahead = useDeeperLook(file, log.entries, atOnce, untouched);
  const { advice } = ahead;

  const probing = advice.next === 'probe';
  const focused: ProbeAdvice | undefined =
    chosen === undefined
      ? probing
        ? advice.probes[0]
        : undefined
      : advice.probes.find(({ probe }) => probe.id === chosen);
  const check: Check | undefined = correcting
    ? predictions.checks.get(correcting.check)
    : (focused?.probe.check ?? (chosen === undefined ? undefined : predictions.checks.get(chosen)));
  const pictures = useMemo((): SeenPicture[] => {
    if (check?.measure !== 'picture') return [];
    const { predictions: known } = job;
    const weights = new Map(advice.posterior.suspects.map(({ fault, probability }) => [fault.id, probability]));
    const family = familyOf(known.model.sheet.technology);
    return [
      { id: 'normal', title: symptomTitles.normal, symptoms: ['normal'], picture: depict(family, []) },
      ...tilesOf(known, weights).slice(0, offeredPictures),
    ];
  }, [job, advice, check]);
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
  const [, startRefining] = useTransition();
  const router = useRouter();
  const type = useCallback((next: string) => {
    setRefused(undefined);
    setText(next);
  }, []);

  const choose = useCallback((id: string | undefined) => {
    setChosen(id);
    setCorrecting(undefined);
    setText('');
  }, []);
  const cancel = useCallback(() => choose(undefined), [choose]);

  /** Records what is typed; with nothing typed, the step that is due. */
  const record = () => {
    if (interpreted.kind === 'line') {
      log.record([{ body: interpreted.body, ...(correcting ? { supersedes: correcting.entry.id } : {}) }]);
      setText('');
      setCorrecting(undefined);
      if (interpreted.body.kind === 'reading') setChosen(undefined);
      return interpreted;
    }
    if (interpreted.kind === 'sheet') {
      startRefining(async () => {
        const saved = await refineSheet(file.id, interpreted.change);
        if ('refused' in saved) return setRefused(saved.refused);
        setText('');
        router.refresh();
      });
      return undefined;
    }
    if (interpreted.kind === 'nothing' && step?.kind === 'do') log.record([{ body: step.body }]);
    return undefined;
  };
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
    job,
    advice,
    ahead,
    rows,
    pictures,
    focused,
    check,
    wanted,
    step,
    text,
    setText: type,
    interpreted: refused === undefined ? interpreted : ({ kind: 'wrong', message: refused } as const),
    correcting,
    setCorrecting,
    choose,
    cancel,
    record,
    unreachable,
    takeBack,
  };
}
