'use client';

import { type Interpreted, type SetStep, stepTitle } from '@/core/entry';
import { type TakenReading } from '@/core/log';
import { Button } from 'antd';
import Link from 'next/link';
import { type RefObject } from 'react';
import { blinkConditions, choicesFor, type Check, type Predictions, type Context } from '@/core/behaviour';
import { type ProbeAdvice } from '@/core/diagnosis';
import { type Symptom } from '@/core/picture';
import { type Usual } from '@/core/reading';
import { Key, minutesText, useTypedEarly } from '@/ui';
import { type SeenPicture, whyProbe } from './benchModel';
import { BlinkConditions } from './BlinkConditions';
import { BlinkTapper } from './BlinkTapper';
import { LiveVerdict } from './LiveVerdict';
import { PicturePicker } from './PicturePicker';
import { How, Own, stepHow } from './ProbeWords';
import { type NextAction } from './nextAction';
import styles from './bench.module.css';

/** Everything about the one thing to do next: what is asked, what is typed for it, and what can be done with it. */
export interface ProbeCardView {
  readonly predictions: Predictions;
  readonly advice: ProbeAdvice | undefined;
  /** What to do where no probe is asked for. */
  readonly act: NextAction | undefined;
  readonly check: Check | undefined;
  /** What the shop's own sets read there. */
  readonly usual: Usual | undefined;
  readonly context: Context;
  readonly step: SetStep | undefined;
  readonly cautions: readonly string[];
  readonly correcting: TakenReading | undefined;
  readonly text: string;
  readonly interpreted: Interpreted;
  /** Lines that wait for a change of the sheet; undefined where none is on its way. */
  readonly held: readonly string[] | undefined;
  readonly pictures: readonly SeenPicture[];
  readonly input: RefObject<HTMLInputElement | null>;
  type(text: string): void;
  record(): void;
  unreachable(): void;
  cancel(): void;
  sayPicture(symptoms: readonly Symptom[]): void;
}

/** The one thing to do next, and the place where its answer goes. */
export function ProbeCard({ card }: { readonly card: ProbeCardView }) {
  const { predictions, act, check, context, step, cautions, correcting, text, interpreted, input } = card;
  useTypedEarly(input, text, card.type);
  const doing = step !== undefined && correcting === undefined;
  const choices = doing || !check ? [] : choicesFor(check);
  return (
    <section
      className={styles.probe}
      aria-label="Probe next"
      data-check={check?.id ?? ''}
      data-step={doing ? step.kind : ''}
    >
      <p className="label">{labelOf(card)}</p>
      <h1 className={styles.title}>
        {doing ? stepTitle(step) : (check?.title ?? act?.title ?? 'Nothing more to ask')}
      </h1>
      <p className={styles.how}>
        {doing ? (
          stepHow(step)
        ) : check ? (
          <>
            <How check={check} predictions={predictions} context={context} />
            {card.usual && <Own usual={card.usual} check={check} />}
          </>
        ) : (
          (act?.how ?? 'Type any reading, or decide.')
        )}
      </p>
      {cautions.map((caution) => (
        <p key={caution} className={styles.caution}>
          {caution}
        </p>
      ))}
      {check?.measure === 'emission' && !doing && (
        <p>
          <Link href="tube">Each gun at the tube bench</Link>: what it emits is worked out there.
        </p>
      )}
      {check?.measure === 'picture' && !doing && <PicturePicker pictures={card.pictures} onPick={card.sayPicture} />}
      {check?.measure === 'blinks' && !doing && (
        <>
          <BlinkTapper input={input} onCount={(count) => card.type(String(count))} />
          <BlinkConditions conditions={blinkConditions(predictions.model.sheet, Number(text || NaN))} />
        </>
      )}
      <label className={styles.entry} data-wrong={interpreted.kind === 'wrong' || undefined}>
        <span className="unseen">Reading</span>
        <input
          ref={input}
          className="figure"
          data-long={text.length > 14 || undefined}
          value={text}
          autoFocus
          autoComplete="off"
          spellCheck={false}
          maxLength={200}
          placeholder={
            doing
              ? step.kind === 'prove'
                ? 'volts'
                : '⏎ when done'
              : check?.measure === 'picture'
                ? 'its number'
                : check
                  ? (choices[0] ?? '')
                  : '⏎'
          }
          onChange={(event) => card.type(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter' && !event.ctrlKey && !event.metaKey) {
              event.preventDefault();
              card.record();
            }
            if (event.key === 'Escape') card.cancel();
          }}
        />
        <LiveVerdict interpreted={interpreted} />
      </label>
      <p className={styles.message} role={interpreted.kind === 'wrong' ? 'alert' : undefined}>
        {interpreted.kind === 'wrong' ? interpreted.message : ''}
      </p>
      {card.held && (
        <p role="status" className={styles.held}>
          The sheet is being changed{card.held.length > 0 && <>; waits for it: {card.held.join(' · ')}</>}
        </p>
      )}
      {choices.length > 0 && (
        <div className={styles.choices}>
          {choices.map((choice) => (
            <button key={choice} type="button" onClick={() => card.type(choice)} aria-pressed={text === choice}>
              {choice}
            </button>
          ))}
        </div>
      )}
      <div className={styles.buttons}>
        <Button type="primary" onClick={card.record}>
          {text !== ''
            ? 'Record'
            : doing && step.kind === 'do'
              ? step.done
              : check
                ? 'Record'
                : (act?.button ?? 'Record')}{' '}
          ⏎
        </Button>
        {correcting ? (
          <Button onClick={card.cancel}>Leave it</Button>
        ) : (
          check && (
            <Button onClick={card.unreachable}>
              Can’t reach it <Key>Alt X</Key>
            </Button>
          )
        )}
      </div>
    </section>
  );
}

function labelOf({ correcting, step, check, advice, act }: ProbeCardView): string {
  if (correcting) return 'Correcting a reading';
  if (step) return `First, for ${check?.title ?? 'the next probe'}`;
  if (advice) return `Probe next · ${minutesText(advice.minutes)} · ${whyProbe(advice)}`;
  return check ? 'Any reading' : (act?.label ?? 'Any reading');
}
