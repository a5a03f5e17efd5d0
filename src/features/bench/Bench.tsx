'use client';

import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { memo, useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { compareSiblings } from '@/core/compare';
import { type Briefing } from '@/core/diagnosis';
import { type BenchState } from '@/core/log';
import { type Symptom } from '@/core/picture';
import { type Usual } from '@/core/reading';
import { familyOf } from '@/core/sheet';
import { Suspects, useBriefing } from '@/workshop/advice';
import { type JobFile, JobFrame, useJob } from '@/workshop/job';
import { type Line, LineMap } from '@/workshop/line';
import { BenchKeys } from './BenchKeys';
import { Decision } from './Decision';
import { largeOf, nextMetered } from './largeModel';
import { nextAction } from './nextAction';
import { OtherProbes } from './OtherProbes';
import { ProbeCard } from './ProbeCard';
import { Readings } from './Readings';
import { SetShown } from './SetShown';
import { useBench } from './useBench';
import { useBenchKeys } from './useBenchKeys';
import { useBenchMeter } from './useBenchMeter';
import { reordered, useDeeperLook } from './useDeeperLook';
import { useCautions, useSetShown } from './useSetShown';
import { useVoice } from './useVoice';
import { WhatIf } from './WhatIf';
import styles from './bench.module.css';

// What is not on the first view is fetched when it is asked for.
const InsideBlock = dynamic(() => import('./InsideBlock').then((loaded) => loaded.InsideBlock), { ssr: false });
const IsolationView = dynamic(() => import('./IsolationView').then((loaded) => loaded.IsolationView));
const SiblingTable = dynamic(() => import('./SiblingTable').then((loaded) => loaded.SiblingTable));
const LargeFigures = dynamic(() => import('./LargeFigures').then((loaded) => loaded.LargeFigures), { ssr: false });
const MeterView = dynamic(() => import('./MeterView').then((loaded) => loaded.MeterView), { ssr: false });
const SweepView = dynamic(() => import('@/workshop/meter').then((loaded) => loaded.SweepView), { ssr: false });

// Drawn again only where what they show has changed.
const Map = memo(LineMap);
const Found = memo(Suspects);
const Decided = memo(Decision);

const otherProbes = 3;

/** The latest plain number read at a point since the last repair, for comparing siblings. */
function numberAt(latest: BenchState['latest'], point: string): number | undefined {
  const answer = latest.get(point)?.answer;
  return answer?.kind === 'number' ? answer.value : undefined;
}

interface BenchProps {
  readonly file: JobFile;
  /** What is advised on the job as it is stored. */
  readonly briefing: Briefing;
  readonly line: Line;
  /** What the shop's own sets of the kind read, by check. */
  readonly usual: ReadonlyMap<string, Usual>;
  /** A check that another page wants read, in place of the best probe. */
  readonly asked: string | undefined;
  /** Is there a stand-in for a meter? */
  readonly simulatedMeter: boolean;
}

/** The bench: readings in, judgement out, next probe named. */
export function Bench({ file, briefing, line, usual, asked, simulatedMeter }: BenchProps) {
  const router = useRouter();
  const { log, job } = useJob(file);
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const live = useBriefing(file, log.entries, predictions, briefing);
  const [typing, setTyping] = useState(false);
  const ahead = useDeeperLook(file, log.entries, live, typing);
  const preferred = useMemo(() => reordered(live.briefed, ahead.look), [live.briefed, ahead.look]);
  const [{ of, shown: settled }, setSettled] = useState({ of: live.briefed, shown: preferred });
  const control = useBench(file, log, job, { briefed: settled, fresh: live.fresh }, asked);
  // A deeper look changes the order only while nothing was typed or chosen.
  if (of !== live.briefed || (settled !== preferred && control.untouched))
    setSettled({ of: live.briefed, shown: preferred });
  if (typing !== (control.text !== '')) setTyping(!typing);
  const { rows, focused, check, step, correcting, choose } = control;
  const input = useRef<HTMLInputElement>(null);
  const closed = file.closedAt !== null;

  const [large, setLarge] = useState(false);
  useEffect(() => {
    // After anything recorded the hands are back on the probes: the entry must be ready. A panel that is open
    // over the bench keeps the focus; it gives it back.
    if (!large && !document.activeElement?.closest('[role=dialog]')) input.current?.focus();
  }, [log.entries.length, check, correcting, large]);

  const meter = useBenchMeter(file, log, job, { briefed: settled, fresh: live.fresh }, control, simulatedMeter);
  const family = familyOf(sheet.technology);
  const shown = useSetShown(job);
  const cautions = useCautions(job, check, step, shown.symptoms, settled, focused);
  const comparisons = useMemo(
    () =>
      sheet.siblings
        .map((group) => compareSiblings(group, (point) => numberAt(bench.latest, point)))
        .filter((one) => one.rows.some((row) => row.values.filter((value) => value !== undefined).length > 0)),
    [sheet.siblings, bench.latest],
  );
  const others = useMemo(
    () => settled.probes.filter(({ probe }) => probe.id !== focused?.probe.id).slice(0, otherProbes),
    [settled.probes, focused],
  );
  const mostSaved = useMemo(() => Math.max(1, ...settled.probes.map(({ saves }) => saves)), [settled.probes]);
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
  });

  return (
    <JobFrame file={file} log={log} bench={bench} ground={check?.ground} className={styles.bench}>
      <div className={styles.lineRow}>
        <div className={styles.lineMap}>
          <Map
            line={line}
            job={job}
            rows={rows}
            suspects={settled.suspects}
            focusNet={check?.point?.net}
            onPick={pickNet}
          />
        </div>
        <SetShown family={family} {...shown} onAsk={askPicture} />
      </div>
      <div className={styles.columns} data-saved={log.savedAt ?? ''} data-ahead={ahead.state}>
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
          <OtherProbes probes={others} mostSaved={mostSaved} warm={bench.context.warm} onPick={choose} />
        </div>
        <div className={styles.column}>
          {meter.swept && <SweepView {...meter.swept} />}
          {settled.isolation && (
            <IsolationView isolation={settled.isolation} predictions={predictions} onPick={choose} />
          )}
          {comparisons.map((comparison) => (
            <SiblingTable key={comparison.title} comparison={comparison} predictions={predictions} onPick={choose} />
          ))}
          {settled.inside && <InsideBlock inside={settled.inside} job={file.id} />}
          <Readings rows={rows} waiting={log.waiting} bench={bench} onCorrect={control.correct} />
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
        waiting={log.waiting.size + (control.held?.length ?? 0)}
      />
    </JobFrame>
  );
}
