'use client';

import { type Interpreted, type SetStep } from '@/core/entry';
import { provenBelow, type TakenReading } from '@/core/log';
import { Button } from 'antd';
import { type RefObject } from 'react';
import { blinkConditions, type Check, type Predictions, type Context, isMetered } from '@/core/behaviour';
import { type ProbeAdvice } from '@/core/diagnosis';
import { dischargeTool, peakPower, timeToFall } from '@/core/safety';
import { measures } from '@/core/measure';
import { type Symptom } from '@/core/picture';
import { formatQuantity } from '@/core/quantity';
import { type Usual } from '@/core/reading';
import { type Ground } from '@/core/sheet';
import { clockText, dateText, Key, markColours, minutesText, VerdictMark } from '@/ui';
import { choicesFor, instruction, type SeenPicture, whyProbe } from './benchModel';
import { BlinkConditions } from './BlinkConditions';
import { BlinkTapper } from './BlinkTapper';
import { PicturePicker } from './PicturePicker';
import { type NextAction } from './nextAction';
import styles from './bench.module.css';

const groundWords: Readonly<Record<Ground, string>> = {
  hot: 'hot ground',
  chassis: 'chassis',
  floating: 'the floating ground',
  none: '',
};

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

function stepTitle(step: SetStep): string {
  return step.kind === 'do' ? step.title : `Prove ${step.store.id} dead`;
}

function stepHow(step: SetStep) {
  if (step.kind === 'do') return <>Press ⏎ when it is done. The change goes into the record.</>;
  const { store } = step;
  if (store.farads < 1e-7)
    return (
      <>
        {store.place}. Resistor probe clipped to the braid first, twice, a minute apart; then measure and type the
        volts.
      </>
    );
  const { ohms } = dischargeTool;
  const seconds = timeToFall({ farads: store.farads, volts: store.volts, ohms }, provenBelow);
  return (
    <>
      {store.place}. From <b className="figure">{store.volts} V</b> to {provenBelow} V in{' '}
      <b className="figure">{clockText(seconds)}</b> through 2.2 kΩ,{' '}
      <b className="figure">{Math.round(peakPower({ volts: store.volts, ohms }))} W</b> at first. Then measure across it
      and type the volts.
    </>
  );
}

function How({ check, predictions, context }: { check: Check; predictions: Predictions; context: Context }) {
  const { where, expected } = instruction(predictions, check, context);
  const numeric = isMetered(check);
  return (
    <>
      {capital(measures[check.measure].title)}
      {where === '' ? '' : numeric ? `, red on ${where}` : `: ${where}`}
      {check.ground !== 'none' && numeric && (
        <>
          , black on <b>{groundWords[check.ground]}</b>
        </>
      )}
      . A good set {numeric ? 'reads' : 'gives'} <b className="figure">{expected}</b>
      {check.point?.net !== undefined && sourceOf(predictions, check) !== '' && ` (${sourceOf(predictions, check)})`}.
    </>
  );
}

/** What the shop's own sets read there: what is normal, by those that work. */
function Own({ usual: { count, low, high, before }, check }: { usual: Usual; check: Check }) {
  const said = (value: number) => formatQuantity(value, check.unit, 3);
  return (
    <>
      {count > 0 && (
        <>
          {' '}
          {count === 1 ? 'One of your sets read' : `${count} of your sets read`}{' '}
          <b className="figure">{low === high ? said(low) : `${said(low)} to ${said(high)}`}</b> once cured.
        </>
      )}
      {before && (
        <>
          {' '}
          This one read <b className="figure">{said(before.value)}</b> on {dateText(before.at)}.
        </>
      )}
    </>
  );
}

function sourceOf(predictions: Predictions, check: Check): string {
  return check.point?.source ?? predictions.model.sheet.nets.get(check.point?.net ?? '')?.source ?? '';
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

function LiveVerdict({ interpreted }: { interpreted: Interpreted }) {
  if (interpreted.kind === 'sheet') return <span className={styles.verdict}>{interpreted.said}</span>;
  if (interpreted.kind !== 'line') return null;
  const { reading, said } = interpreted;
  if (!reading) return <span className={styles.verdict}>{said}</span>;
  const { verdict, check } = reading;
  return (
    <span className={styles.verdict} style={{ color: markColours[verdict.mark] }}>
      <span>
        <VerdictMark mark={verdict.mark} /> {verdict.words}
      </span>
      <small>
        {said} · {check.title}
      </small>
    </span>
  );
}
