'use client';

import { Decision, Suspects } from '@/workshop/suspects';
import { type Line, LineMap } from '@/workshop/line';
import { type BenchState } from '@/core/log';
import { type Usual } from '@/core/reading';
import { familyOf } from '@/core/sheet';
import { Button } from 'antd';
import dynamic from 'next/dynamic';
import { useRouter } from 'next/navigation';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { compareSiblings } from '@/core/compare';
import { isolationOf, likeliestInside } from '@/core/diagnosis';
import { depict, symptomTitles } from '@/core/picture';
import { cautionsFor, pictureCaution, powerCaution } from '@/core/safety';
import { type JobFile, StateBand, useLog, usePowerKeys } from '@/workshop/job';
import { LiveMeter, MeterChoice, SweepView } from '@/workshop/meter';
import { chanceText, PictureView, timeText } from '@/ui';
import { BenchKeys } from './BenchKeys';
import { LargeFigures } from './LargeFigures';
import { largeOf, nextMetered } from './largeModel';
import { IsolationView } from './IsolationView';
import { OtherProbes } from './OtherProbes';
import { ProbeCard } from './ProbeCard';
import { Readings } from './Readings';
import { SiblingTable } from './SiblingTable';
import { WhatIf } from './WhatIf';
import styles from './bench.module.css';
import { useBench } from './useBench';
import { useBenchMeter } from './useBenchMeter';
import { useVoice } from './useVoice';

// The solver is fetched only for sets with a netlist inside.
const InsideBlock = dynamic(() => import('@/features/bench/InsideBlock').then(({ InsideBlock: loaded }) => loaded), {
  ssr: false,
});

const otherProbes = 3;

/** The latest plain number read at a point since the last repair, for comparing siblings. */
function numberAt(latest: BenchState['latest'], point: string): number | undefined {
  const answer = latest.get(point)?.answer;
  return answer?.kind === 'number' ? answer.value : undefined;
}

interface BenchProps {
  readonly file: JobFile;
  readonly line: Line;
  /** What the shop's own sets of the kind read, by check. */
  readonly usual: ReadonlyMap<string, Usual>;
  /** A check that another page wants read, in place of the best probe. */
  readonly asked: string | undefined;
  /** Is there a stand-in for a meter? */
  readonly simulatedMeter: boolean;
}

/** The bench: readings in, judgement out, next probe named. */
export function Bench({ file, line, usual, asked, simulatedMeter }: BenchProps) {
  const router = useRouter();
  const log = useLog(file);
  const desk = useBench(file, log, asked);
  const { job, advice, rows, focused, check, step, correcting } = desk;
  const { predictions, bench } = job;
  const { sheet } = predictions.model;
  const input = useRef<HTMLInputElement>(null);
  const closed = file.closedAt !== null;

  // After anything recorded the hands are back on the probes: the entry must be ready.
  const [large, setLarge] = useState(false);
  useEffect(() => {
    // A panel that is open over the bench keeps the focus; it gives it back.
    if (!large && !document.activeElement?.closest('[role=dialog]')) input.current?.focus();
  }, [log.entries.length, check, correcting, large]);

  const meter = useBenchMeter(file, log, desk, simulatedMeter);
  const family = familyOf(sheet.technology);
  const seen = useMemo(() => {
    const { picture } = bench;
    return {
      symptoms: picture?.symptoms ?? job.complaint.symptoms,
      by: picture ? `seen ${timeText(picture.entry.at)}` : 'as the owner told it',
    };
  }, [bench, job.complaint]);
  const comparisons = useMemo(
    () =>
      sheet.siblings
        .map((group) => compareSiblings(group, (point) => numberAt(bench.latest, point)))
        .filter((one) => one.rows.some((row) => row.values.filter((value) => value !== undefined).length > 0)),
    [sheet.siblings, bench.latest],
  );
  const inside = useMemo(
    () => likeliestInside(sheet, advice.posterior, predictions.checks, bench),
    [advice.posterior, sheet, predictions, bench],
  );
  const isolation = useMemo(() => isolationOf(job, advice.posterior), [job, advice.posterior]);
  const cautions = useMemo(() => {
    const power = step?.kind === 'do' && step.body.kind === 'power' ? [powerCaution(step.body.power)] : [];
    const forStep = step?.kind === 'do' ? power : check ? cautionsFor(sheet, check, bench.context) : [];
    const burning = bench.context.power === 'live' ? pictureCaution(seen.symptoms) : undefined;
    return [...(burning === undefined ? [] : [burning]), ...forStep].slice(0, 2);
  }, [sheet, check, step, bench.context, seen.symptoms]);
  const others = advice.probes.filter(({ probe }) => probe.id !== focused?.probe.id).slice(0, otherProbes);
  const mostSaved = Math.max(1, ...advice.probes.map(({ saves }) => saves));

  const toRepair = () => router.push(`/job/${file.id}/repair`);
  const [repair] = advice.repairs;
  const act =
    advice.next === 'verify'
      ? {
          label: 'After the repair',
          title: 'Measure again what was wrong',
          how: 'Each reading that was wrong is asked for once more and stands beside what it was.',
          button: 'Verify',
        }
      : repair && {
          label: `Act now · cures it with ${chanceText(repair.chance)}`,
          title: repair.action.title,
          how: 'No probe left is worth its minutes. Other readings can still be typed by name.',
          button: 'Plan the repair',
        };

  const next = check?.title ?? act?.title ?? 'nothing more to ask';
  const voice = useVoice(rows[0], next, meter.words);

  const keys = { enableOnFormTags: true, preventDefault: true } as const;
  useHotkeys('alt+g', () => setLarge((was) => !was), keys);
  useHotkeys('alt+a', voice.toggle, keys);
  useHotkeys(
    'alt+2,alt+3,alt+4',
    (_event, { keys: pressed }) => desk.choose(others[Number(pressed?.[0]) - 2]?.probe.id),
    keys,
  );
  useHotkeys('alt+1', () => desk.choose(undefined), keys);
  useHotkeys('alt+x', desk.unreachable, keys);
  useHotkeys('alt+v', () => desk.choose('picture'), keys);
  useHotkeys('alt+m', meter.toggle, keys);
  useHotkeys('alt+z', desk.takeBack, keys);
  useHotkeys('alt+w', () => log.record([{ body: { kind: 'warmth', warm: !bench.context.warm } }]), keys);
  usePowerKeys(log, bench, closed);
  useHotkeys('alt+r', toRepair, keys);
  useHotkeys('alt+s', voice.aloud, keys);

  return (
    <div
      className={styles.bench}
      data-waiting={log.waiting.size}
      data-saved={log.savedAt ?? ''}
      data-ahead={desk.ahead.state}
    >
      <StateBand job={file} sheet={sheet} bench={bench} ground={check?.ground} closed={closed} />
      <div className={styles.lineRow}>
        <div className={styles.lineMap}>
          <LineMap
            line={line}
            job={job}
            rows={rows}
            suspects={advice.posterior.suspects}
            focusNet={check?.point?.net}
            onPick={(net) =>
              desk.choose(
                [...predictions.checks.values()].find((one) => one.point?.net === net && one.measure !== 'ohms')?.id,
              )
            }
          />
        </div>
        <button
          type="button"
          className={styles.screen}
          onClick={() => desk.choose('picture')}
          title="Say what it shows now (Alt V)"
        >
          <span className="soft">
            What it shows · <span suppressHydrationWarning>{seen.by}</span>
          </span>
          <PictureView picture={depict(family, seen.symptoms)} />
          <b>{seen.symptoms.map((symptom) => symptomTitles[symptom]).join(', ') || 'Nobody has said'}</b>
        </button>
      </div>
      {log.trouble && (
        <div className={styles.trouble} role="alert">
          <span>{log.trouble.message}</span>
          {log.trouble.stale && <Button onClick={() => void log.catchUp()}>Load what is new</Button>}
        </div>
      )}
      <div className={styles.columns}>
        <div className={styles.column}>
          <ProbeCard
            predictions={predictions}
            advice={correcting ? undefined : focused}
            act={act}
            check={check}
            usual={check && usual.get(check.id)}
            context={correcting?.context ?? desk.wanted}
            step={step}
            cautions={cautions}
            correcting={correcting}
            text={desk.text}
            interpreted={desk.interpreted}
            pictures={desk.pictures}
            input={input}
            onText={(text) => {
              desk.setText(text);
              input.current?.focus();
            }}
            onRecord={() => {
              if (desk.text === '' && !check) toRepair();
              else if (desk.text !== '' || !meter.takeNow()) desk.record();
            }}
            onUnreachable={desk.unreachable}
            onCancel={desk.cancel}
            onPicture={(symptoms) => {
              log.record([
                {
                  body: {
                    kind: 'reading',
                    check: 'picture',
                    answer: { kind: 'picture', symptoms },
                    text: symptoms.join(' '),
                  },
                },
              ]);
              desk.choose(undefined);
            }}
          />
          {meter.on && (
            <MeterChoice
              simulated={simulatedMeter}
              source={meter.source}
              onSource={meter.setSource}
              trace={meter.trace}
            />
          )}
          {meter.reads && meter.source && check && (
            <LiveMeter
              view={meter.view}
              unit={step?.kind === 'prove' ? 'V' : check.unit}
              title={meter.title}
              trace={meter.trace}
            />
          )}
          {focused && !correcting && !step && !meter.on && <WhatIf advice={focused} sheet={sheet} />}
          <OtherProbes probes={others} mostSaved={mostSaved} warm={bench.context.warm} onPick={desk.choose} />
        </div>
        <div className={styles.column}>
          {meter.swept && <SweepView {...meter.swept} />}
          {isolation && <IsolationView isolation={isolation} predictions={predictions} onPick={desk.choose} />}
          {comparisons.map((comparison) => (
            <SiblingTable
              key={comparison.title}
              comparison={comparison}
              predictions={predictions}
              onPick={desk.choose}
            />
          ))}
          {inside && <InsideBlock inside={inside} job={file.id} />}
          <Readings
            rows={rows}
            waiting={log.waiting}
            superseded={bench.superseded.length}
            repairs={bench.repairs.length}
            notes={bench.notes}
            onCorrect={(row) => {
              desk.choose(undefined);
              desk.setCorrecting(row.reading);
            }}
          />
        </div>
        <div className={styles.column}>
          <Suspects posterior={advice.posterior} predictions={predictions} closed={file.closed} />
          {!closed && <Decision advice={advice} file={file} sheet={sheet} spent={bench.spent} />}
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
            if (step?.kind === 'do' || !meter.takeNow()) desk.record();
          }}
          onNext={() => desk.choose(nextMetered(advice.probes, focused?.probe.id))}
          onRedo={desk.takeBack}
          onLeave={() => setLarge(false)}
        />
      )}
      <BenchKeys
        live={bench.context.power === 'live'}
        warm={bench.context.warm}
        metered={meter.on}
        speaks={voice.speaks}
        log={log}
      />
    </div>
  );
}
