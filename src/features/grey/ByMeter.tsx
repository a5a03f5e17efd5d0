import { useMemo, useRef, useState } from 'react';
import { type LogBody } from '@/core/log';
import { bars, type GreyControl, greyByMeterOf } from '@/core/setup';
import { LineEntry } from '@/ui';
import { type GreyWay } from './ByEye';
import styles from './grey.module.css';

const example = '0.31 0.33 4.2';

/** `0.31 0.33 4.2`: x, y and the luminance; undefined where it is not that. */
function readColour(line: string): { readonly x: number; readonly y: number; readonly luminance: number } | undefined {
  const [x = NaN, y = NaN, luminance = NaN, ...more] = line
    .trim()
    .split(/[\s;]+/)
    .map((word) => Number(word.replace(',', '.')));
  const right = x > 0 && y > 0 && x + y < 1 && luminance > 0 && luminance <= 100_000 && more.length === 0;
  return right ? { x, y, luminance } : undefined;
}

/** Grey by a colour meter: both bars read, then a control turned until the meter is where it should be. */
export function ByMeter({ log, words, say }: GreyWay) {
  const walk = useMemo(() => greyByMeterOf(log.entries), [log.entries]);
  const [typed, setTyped] = useState('');
  const [message, setMessage] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const { read, advice, aim, off } = walk;
  const next = advice?.next;
  const bar = read ?? aim?.bar;

  const enter = () => {
    const colour = readColour(typed);
    if (!colour || !bar) return setMessage(`write x, y and the luminance, as ${example}`);
    const turned: LogBody[] = next ? [{ kind: 'turned', control: next.control, end: false }] : [];
    const made = log.record([...turned, { kind: 'grey', bar, ...colour } as const].map((body) => ({ body })));
    setTyped('');
    setMessage(undefined);
    say(() => {
      const after = greyByMeterOf([...log.entries, ...made]);
      return after.read
        ? `the ${after.read} bar`
        : after.advice?.next
          ? words.control(after.advice.next.control as GreyControl)
          : 'grey at both ends';
    });
    input.current?.focus();
  };

  return (
    <div className={styles.two}>
      <section className={`task ${styles.card}`} aria-label="Grey next" data-asks={read ?? (next ? 'turn' : 'done')}>
        <h1>
          {read ? `Measure the ${read} bar` : next ? words.control(next.control as GreyControl) : 'Grey at both ends'}
        </h1>
        {aim && next && (
          <p className={styles.aim}>
            on the {aim.bar} bar, until it reads <b className="figure">x {aim.x.toFixed(3)}</b>{' '}
            <b className="figure">y {aim.y.toFixed(3)}</b>
          </p>
        )}
        {bar && (
          <LineEntry
            ref={input}
            label={next ? 'What it reads when you let go: x, y, luminance' : 'x, y, luminance'}
            placeholder={example}
            value={typed}
            maxLength={40}
            autoFocus
            message={message}
            onType={(text) => {
              setTyped(text);
              setMessage(undefined);
            }}
            onEnter={enter}
          />
        )}
        {advice?.trouble.map(({ control, words }) => (
          <p key={control} className="bad">
            ▲ {words}
          </p>
        ))}
      </section>
      <section aria-label="How far from grey" className={styles.far}>
        <h2 className="label">From grey, in just noticeable differences</h2>
        <ul>
          {bars.map((one) => (
            <li key={one}>
              <b>{one}</b>
              <span className="figure">
                {off[one] ? `${off[one].first.toFixed(1)} → ${off[one].now.toFixed(1)}` : 'not read'}
              </span>
            </li>
          ))}
        </ul>
        <p className="soft">
          {walk.turns} {walk.turns === 1 ? 'change' : 'changes'} so far. White is daylight, x 0.313, y 0.329.
        </p>
      </section>
    </div>
  );
}
