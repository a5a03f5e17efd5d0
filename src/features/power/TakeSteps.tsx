import { Button } from 'antd';
import { useState } from 'react';
import { attempt, formatQuantity, quantityIn, Refusal } from '@/core/quantity';
import { type PowerStep } from '@/core/safety';
import { LineEntry, timeText } from '@/ui';
import { type AgreedPlan } from './powerModel';
import { PowerSteps } from './PowerSteps';
import styles from './power.module.css';

interface TakeStepsProps {
  readonly agreed: AgreedPlan;
  readonly live: boolean;
  onStep(step: PowerStep, volts: number): void;
  onAnew(): void;
}

/** Takes the steps that were agreed on one by one, each judged before the next. */
export function TakeSteps({ agreed, live, onStep, onAnew }: TakeStepsProps) {
  const { plan, at, steps, next } = agreed;
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const stop = steps.find(({ verdict }) => verdict?.go === false)?.verdict;
  const record = () => {
    if (!next) return;
    const right = `${next.reads} is read in volts, like ${Math.round(next.expected.healthy)}`;
    const value = attempt(() => quantityIn('V', line, right));
    if (value instanceof Refusal) return setMessage(value.message);
    if (Math.abs(value) > 1000) return setMessage(right);
    onStep(next, value);
    setLine('');
    setMessage(undefined);
  };
  return (
    <>
      <p className={styles.agreed} suppressHydrationWarning>
        Agreed at {timeText(at)}: {plan.lamp.watts} W lamp,{' '}
        {plan.rail
          ? `in ${plan.rail.title} of ${plan.rail.volts} V, which feeds ${plan.rail.watts} W.`
          : `${plan.mains} V, the set drawing ${plan.loadWatts} W.`}
        <Button size="small" onClick={onAnew}>
          Agree anew
        </Button>
      </p>
      {next && (
        <div className={styles.next}>
          <span className="label">Now</span>
          <b>{next.title}</b>
          <span>
            {next.reads} <b className="figure">{formatQuantity(next.expected.healthy, 'V', 3)}</b>
            {next.lamp && (
              <>
                , lamp {lightWords(next.light.healthy)}; shorted: 0 V, lamp {lightWords(next.light.shorted)}
              </>
            )}
          </span>
          <LineEntry
            label={`${next.reads} volts, ${next.title}`}
            value={line}
            placeholder="volts"
            maxLength={20}
            autoFocus
            message={message}
            onType={(text) => {
              setLine(text);
              setMessage(undefined);
            }}
            onEnter={record}
          />
          {!live && <small>By its record the set is unplugged: Alt P when it is on.</small>}
        </div>
      )}
      {stop && (
        <p className={styles.stop} role="alert">
          <b>STOP</b> {stop.words}
        </p>
      )}
      {!next && !stop && <p className={styles.through}>All steps went as agreed.</p>}
      <PowerSteps steps={steps} />
    </>
  );
}

const lightWords = (share: number) =>
  share < 0.01 ? 'dark' : share < 0.15 ? 'a glimmer' : share < 0.7 ? 'half bright' : 'full';
