'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { memo, useCallback, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { type Briefing } from '@/core/diagnosis';
import { type Symptom } from '@/core/picture';
import { type ClosedCase, type Usual } from '@/core/reading';
import { ownAndDonor } from '@/core/job';
import { familyOf } from '@/core/sheet';
import { Suspects } from '@/workshop/advice';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { type Line, LineMap } from '@/workshop/line';
import { useVoice } from '@/workshop/voice';
import { BenchKeys } from './BenchKeys';
import { Decision } from './Decision';
import { largeOf, nextMetered } from './largeModel';
import { nextAction } from './nextAction';
import { besides, OtherProbes } from './OtherProbes';
import { ProbeCard } from './ProbeCard';
import { Readings } from './Readings';
import { SeenBefore } from './SeenBefore';
import { SetShown } from './SetShown';
import { Siblings } from './Siblings';
import { useBench } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import { useBenchMeter } from './useBenchMeter';
import { useRefinedFile } from './useRefinedFile';
import { useCautions, useSetShown } from './useSetShown';
import { useShownAdvice } from './useShownAdvice';

import { WhatIf } from './WhatIf';
import styles from './bench.module.css';

// What is not on the first view is fetched when it is asked for.
const InsideBlock = dynamic(() => import('./InsideBlock').then((loaded) => loaded.InsideBlock), { ssr: false });
const IsolationView = dynamic(() => import('./IsolationView').then((loaded) => loaded.IsolationView));
const LargeFigures = dynamic(() => import('./LargeFigures').then((loaded) => loaded.LargeFigures), { ssr: false });
const OwnAndDonor = dynamic(() => import('./OwnAndDonor').then((loaded) => loaded.OwnAndDonor));
const MeterView = dynamic(() => import('./MeterView').then((loaded) => loaded.MeterView), { ssr: false });
const SweepView = dynamic(() => import('@/workshop/meter').then((loaded) => loaded.SweepView), { ssr: false });

// Drawn again only where what they show has changed.
const Map = memo(LineMap);
const Found = memo(Suspects);
const Decided = memo(Decision);
const Before = memo(SeenBefore);

interface BenchProps {
  readonly file: JobFile;
  /** What is advised on the job as it is stored. */
  readonly briefing: Briefing;
  readonly line: Line;
  /** What the shop's own sets of the kind read, by check. */
  readonly usual: ReadonlyMap<string, Usual>;
  /** How the shop's closed sets of the kind stood before their repair. */
  readonly cases: readonly ClosedCase[];
  /** A check that another page wants read, in place of the best probe. */
  readonly asked: string | undefined;
  /** Are the large figures shown at once? */
  readonly startsLarge: boolean;
  /** Is there a stand-in for a meter? */
  readonly simulatedMeter: boolean;
}

/** The bench: readings in, judgement out, next probe named. */
export const Bench = ofSentJob(function Bench({
  file: sent,
  briefing,
  line,
  usual,
  cases,
  asked,
  startsLarge,
  simulatedMeter,
}: BenchProps) {
  const router = useRouter();
  const { file, take } = useRefinedFile(sent);
  const { log, job } = useJob(file);
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const advice = useShownAdvice(file, log, job, briefing);
  const settled = advice.briefed;
  const control = useBench(file, log, job, advice, asked, take);
  advice.follow(control);
  const { rows, focused, check, step, correcting, choose } = control;
  // The line map follows a moment after the verdict.
  const mapped = useDeferredValue(useMemo(() => ({ job, rows }), [job, rows]));
  const input = useRef<HTMLInputElement>(null);
  const closed = file.closedAt !== null;

  const [large, setLarge] = useState(startsLarge);
  useEffect(() => {
    // After anything recorded the hands are back on the probes: the entry must be ready. A panel or a list that is
    // open over the bench keeps the focus; it gives it back.
    const isOver = document.activeElement?.closest('[role=dialog], [role=combobox][aria-expanded=true]');
    if (!large && !isOver) input.current?.focus();
  }, [log.entries.length, check, correcting, large]);

  const meter = useBenchMeter(file, log, job, advice, control, simulatedMeter);
  const family = familyOf(sheet.technology);
  const shown = useSetShown(job);
  const { harmNow, found } = settled;
  const cautions = useCautions(job, { check, step, symptoms: shown.symptoms, harmNow, found, probe: focused });
  const others = besides(settled.probes, focused?.probe.id);
  const tried = useMemo(() => ownAndDonor(job), [job]);
  const act = useMemo(() => nextAction(settled), [settled]);
  const toRepair = () => router.push(`/job/${file.id}/repair`);
  const voice = useVoice(rows[0], check?.title ?? act?.title ?? 'nothing more to ask', meter.words);
  const pickNet = useCallback(
    (net: string) =>
      choose([...predictions.checks.values()].find((one) => one.point?.net === net && one.measure !== 'ohms')?.id),
    [choose, predictions],
  );
  const askPicture = useCallback(() => choose('picture'), [choose]);
  const sayPicture = (symptoms: readonly Symptom[]) => {
    const answer = { kind: 'picture', symptoms } as const;
    log.record([{ body: { kind: 'reading', check: 'picture', answer, text: symptoms.join(' ') } }]);
    choose(undefined);
  };
  useBenchKeys({
    control,
    others,
    toggleLarge: () => setLarge((was) => !was),
    toggleVoice: voice.toggle,
    toggleMeter: meter.toggle,
    toggleWarm: () => log.record([{ body: { kind: 'warmth', warm: !bench.context.warm } }]),
    say: voice.aloud,
    toRepair,
    toTrace: () => router.push(`/job/${file.id}/trace`),
  });

  return (
    <JobFrame
      file={file}
      log={log}
      bench={bench}
      ground={check?.ground}
      unsent={control.unsent}
      className={styles.bench}
    >
      <div className={styles.lineRow}>
        <div className={styles.lineMap}>
          <Map line={line} {...mapped} suspects={settled.suspects} focusNet={check?.point?.net} onPick={pickNet} />
        </div>
        <SetShown family={family} {...shown} onAsk={askPicture} />
      </div>
      <div className={styles.columns} data-saved={log.savedAt ?? ''} data-ahead={advice.ahead}>
        <div className={styles.column}>
          <ProbeCard
            card={{
              predictions,
              advice: correcting ? undefined : focused,
              act,
              check,
              usual: check && usual.get(check.id),
              context: correcting?.context ?? control.wanted,
              step,
              cautions,
              correcting,
              text: control.text,
              interpreted: control.interpreted,
              held: control.held,
              pictures: control.pictures,
              input,
              type: (text) => {
                control.setText(text);
                input.current?.focus();
              },
              record: () => {
                if (control.text === '' && !check) toRepair();
                else if (control.text !== '' || !meter.takeNow()) control.record();
              },
              unreachable: control.unreachable,
              cancel: control.cancel,
              sayPicture,
            }}
          />
          {meter.on && (
            <MeterView meter={meter} simulated={simulatedMeter} proving={step?.kind === 'prove'} check={check} />
          )}
          {focused && !correcting && !step && !meter.on && <WhatIf advice={focused} sheet={sheet} />}
          <OtherProbes probes={settled.probes} front={focused?.probe.id} warm={bench.context.warm} onPick={choose} />
        </div>
        <div className={styles.column}>
          {meter.swept && <SweepView {...meter.swept} />}
          {settled.isolation && (
            <IsolationView isolation={settled.isolation} predictions={predictions} onPick={choose} />
          )}
          {tried.length > 0 && <OwnAndDonor tried={tried} onPick={choose} />}
          <Siblings predictions={predictions} latest={bench.latest} onPick={choose} />
          {settled.inside && <InsideBlock inside={settled.inside} job={file.id} />}
          <Readings rows={rows} parts={control.parts} waiting={log.waiting} bench={bench} onCorrect={control.correct} />
          <Before job={job} id={file.id} cases={cases} />
        </div>
        <div className={styles.column}>
          <Found briefed={settled} closed={file.closed} />
          {!closed && <Decided briefed={settled} file={file} sheet={sheet} spent={bench.spent} />}
        </div>
      </div>
      {large && (
        <LargeFigures
          large={largeOf(step, check, act?.title ?? 'Nothing more to ask')}
          power={bench.context.power}
          value={meter.reads ? meter.view?.value : undefined}
          words={meter.words}
          last={rows[0]}
          onRecord={() => {
            if (step?.kind === 'do' || !meter.takeNow()) control.record();
          }}
          onNext={() => choose(nextMetered(settled.probes, focused?.probe.id))}
          onRedo={control.takeBack}
          onLeave={() => setLarge(false)}
        />
      )}
      <BenchKeys
        live={bench.context.power === 'live'}
        warm={bench.context.warm}
        metered={meter.on}
        speaks={voice.speaks}
        savedAt={log.savedAt}
        waiting={log.waiting.size + control.unsent}
      />
    </JobFrame>
  );
});
