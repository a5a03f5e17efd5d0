'use client';

import { interpret, nextStep } from '@/core/entry';
import { type LogBody } from '@/core/log';
import { Button } from 'antd';
import { useRef, useState } from 'react';
import { type Case, contextFor, secondsToProve, type Verification } from '@/core/diagnosis';
import { depict, type Symptom, symptomTitles } from '@/core/picture';
import { answerText } from '@/core/reading';
import { cautionsFor } from '@/core/safety';
import { familyOf } from '@/core/sheet';
import { clockText, PictureView, VerdictMark } from '@/ui';
import styles from './repair.module.css';

interface RemeasureProps {
  readonly open: Verification | undefined;
  readonly job: Case;
  record(body: LogBody): void;
}

/** Pictures to choose from after a repair: right, as it was, or with one of several troubles left. */
function picturesAfter(before: readonly Symptom[]): (readonly Symptom[])[] {
  const left = before.length > 1 ? before.map((symptom) => [symptom]) : [];
  return [['normal'], before, ...left];
}

/** The one reading to take again now, with the step that its state needs. */
export function Remeasure({ open, job, record }: RemeasureProps) {
  const input = useRef<HTMLInputElement>(null);
  const [text, setText] = useState('');
  if (!open) return null;
  const { predictions, bench } = job;
  const check = predictions.checks.get(open.check)!;
  const wanted = {
    ...contextFor(bench.context, check.state),
    unplugged: open.before.context.unplugged,
    warm: bench.context.warm,
  };
  const step = nextStep(job, wanted);
  const interpreted = interpret(text, { job, focus: check, step, correcting: undefined, pictures: [] });
  const go = () => {
    if (interpreted.kind === 'line') record(interpreted.body);
    else if (interpreted.kind === 'nothing' && step?.kind === 'do') record(step.body);
  };
  const picture = check.measure === 'picture' && step === undefined;
  const family = familyOf(predictions.model.sheet.technology);
  const lasting = secondsToProve(open.before.answer);
  const before = open.before.answer.kind === 'picture' ? open.before.answer.symptoms : [];
  return (
    <div className={styles.again} data-check={check.id} data-step={step?.kind ?? ''}>
      <p className="label">{step ? `First, for ${check.title}` : 'Measure again'}</p>
      <h2 className={styles.title}>
        {step ? (step.kind === 'do' ? step.title : `Prove ${step.store.id} dead`) : check.title}
      </h2>
      {!step && (
        <p className="soft">
          {check.where}. It was {answerText(check, open.before.answer)}.
          {lasting > 0 &&
            ` It went off by itself: a right picture counts once the set has run for ${clockText(lasting)}.`}
        </p>
      )}
      {step?.kind === 'prove' && (
        <p className="soft">{step.store.place}. Discharge it, measure across it, type the volts.</p>
      )}
      {cautionsFor(predictions.model.sheet, check, bench)
        .slice(0, 1)
        .map((caution) => (
          <p key={caution} className="caution">
            {caution}
          </p>
        ))}
      {picture && (
        <div className={styles.pictures}>
          {picturesAfter(before).map((symptoms) => (
            <button
              key={symptoms.join()}
              type="button"
              onClick={() =>
                record({
                  kind: 'reading',
                  check: 'picture',
                  answer: { kind: 'picture', symptoms },
                  text: symptoms.join(' '),
                })
              }
            >
              <PictureView picture={depict(family, symptoms)} />
              <span>{symptoms.map((symptom) => symptomTitles[symptom]).join(', ')}</span>
            </button>
          ))}
        </div>
      )}
      <div className={styles.entry}>
        <input
          ref={input}
          className="figure"
          autoFocus
          autoComplete="off"
          value={text}
          maxLength={200}
          aria-label="Reading after the repair"
          placeholder={step?.kind === 'do' ? '⏎ when done' : picture ? 'or another' : ''}
          onChange={(event) => setText(event.target.value)}
          onKeyDown={(event) => {
            if (event.key !== 'Enter' || event.ctrlKey || event.metaKey) return;
            event.preventDefault();
            go();
          }}
        />
        {interpreted.kind === 'line' && interpreted.reading && (
          <span>
            <VerdictMark mark={interpreted.reading.verdict.mark} size={20} /> {interpreted.reading.verdict.words}
          </span>
        )}
        <Button type="primary" onClick={go}>
          {step?.kind === 'do' && text === '' ? step.done : 'Record'} ⏎
        </Button>
      </div>
      {interpreted.kind === 'wrong' && (
        <p className="bad" role="alert">
          {interpreted.message}
        </p>
      )}
    </div>
  );
}
