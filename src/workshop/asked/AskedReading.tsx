import { Button } from 'antd';
import { type ReactNode, type RefObject, useState } from 'react';
import { type Check, choicesFor, type Context } from '@/core/behaviour';
import { type Case } from '@/core/diagnosis';
import { interpret, nextStep, type SetStep, stepTitle } from '@/core/entry';
import { type LogBody } from '@/core/log';
import { depict, type Symptom, symptomTitles } from '@/core/picture';
import { cautionsFor, powerCaution } from '@/core/safety';
import { familyOf } from '@/core/sheet';
import { PictureView, useTypedEarly, VerdictMark } from '@/ui';
import styles from './asked.module.css';

interface AskedReadingProps {
  readonly job: Case;
  readonly check: Check;
  /** How the set must stand for it. */
  readonly wanted: Context;
  /** What is asked for, where the set stands right. */
  readonly label: string;
  /** How it is made, and what it should give. */
  readonly how: ReactNode;
  /** What the entry is called to who cannot see it. */
  readonly entry: string;
  /** Pictures on offer where the picture is asked for. */
  readonly pictures: readonly (readonly Symptom[])[];
  readonly input: RefObject<HTMLInputElement | null>;
  /** @param lines the reading, with what the same words say besides; or the step that was due */
  onRecord(lines: readonly LogBody[]): void;
  /** Buttons beside that which records. */
  readonly children?: ReactNode;
}

const cautionFor = (job: Case, check: Check, wanted: Context, step: SetStep | undefined): string | undefined => {
  if (step?.kind === 'do') return step.body.kind === 'power' ? powerCaution(step.body.power) : undefined;
  const { context, isolated, stores } = job.bench;
  return cautionsFor(job.predictions.model.sheet, check, { context, isolated, stores, wanted })[0];
};

/** The one reading to take now, with the step that its state needs first. */
export function AskedReading(props: AskedReadingProps) {
  const { job, check, wanted, label, how, entry, pictures, input, onRecord, children } = props;
  const [text, setText] = useState('');
  useTypedEarly(input, text, setText);
  const step = nextStep(job, wanted);
  const offered = pictures.map((symptoms) => ({ symptoms }));
  const interpreted = interpret(text, { job, focus: check, step, correcting: undefined, pictures: offered });
  const picture = check.measure === 'picture' && step === undefined;
  const choices = step || picture ? [] : choicesFor(check);
  const caution = cautionFor(job, check, wanted, step);
  const family = familyOf(job.predictions.model.sheet.technology);
  const go = () => {
    if (interpreted.kind === 'line') onRecord([interpreted.body, ...interpreted.more]);
    else if (interpreted.kind === 'nothing' && step?.kind === 'do') onRecord([step.body]);
    else return;
    setText('');
  };
  const see = (symptoms: readonly Symptom[]) =>
    onRecord([{ kind: 'reading', check: 'picture', answer: { kind: 'picture', symptoms }, text: symptoms.join(' ') }]);
  return (
    <div className={styles.asked} data-check={check.id} data-step={step?.kind ?? ''}>
      <p className="label">{step ? `First, for ${check.title}` : label}</p>
      <h2 className={styles.title}>{step ? stepTitle(step) : check.title}</h2>
      {step?.kind === 'prove' && (
        <p className="soft">{step.store.place}. Discharge it, measure across it, type the volts.</p>
      )}
      {!step && <p className="soft">{how}</p>}
      {caution !== undefined && <p className="caution">{caution}</p>}
      {picture && (
        <div className={styles.pictures}>
          {pictures.map((symptoms) => (
            <button key={symptoms.join()} type="button" onClick={() => see(symptoms)}>
              <PictureView picture={depict(family, symptoms)} />
              <span>{symptoms.map((symptom) => symptomTitles[symptom]).join(', ')}</span>
            </button>
          ))}
        </div>
      )}
      {choices.length > 0 && (
        <div className={styles.choices}>
          {choices.map((choice) => (
            <button
              key={choice}
              type="button"
              className="press"
              aria-pressed={text === choice}
              onClick={() => {
                setText(choice);
                input.current?.focus();
              }}
            >
              {choice}
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
          spellCheck={false}
          value={text}
          maxLength={200}
          aria-label={entry}
          placeholder={step?.kind === 'do' ? '⏎ when done' : picture ? 'or another' : (choices[0] ?? '')}
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
        {children}
      </div>
      {interpreted.kind === 'wrong' && (
        <p className="bad" role="alert">
          {interpreted.message}
        </p>
      )}
      {interpreted.kind === 'sheet' && <p className="soft">The sheet is changed at the bench: type it there.</p>}
    </div>
  );
}
