import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { type LogBody, standing } from '@/core/log';
import { type Bar, bars, greyByEyeOf, type Look, tints } from '@/core/setup';
import { Key } from '@/ui';
import { type JobLog } from '@/workshop/job';
import { type GreyWords } from './greyWords';
import { HuePlane } from './HuePlane';
import styles from './grey.module.css';

export interface GreyWay {
  readonly log: JobLog;
  readonly words: GreyWords;
  readonly say: (words: () => string) => void;
}

const looks: readonly Look[] = [...tints, 'grey'];
const question = (bar: Bar) => `The ${bar} bar looks`;

/** Grey with no instrument: what each bar looks like, and how far to turn what. */
export function ByEye({ log, words, say }: GreyWay) {
  const advice = useMemo(() => greyByEyeOf(log.entries), [log.entries]);
  const { look, next, thought, done } = advice;
  const looked = useMemo(() => new Set(standing(log.entries, 'grey').map(({ body }) => body.bar)), [log.entries]);
  const record = (body: LogBody) => {
    const made = log.record([{ body }]);
    // Weighing it all again takes a moment: only where somebody listens.
    say(() => {
      const after = greyByEyeOf([...log.entries, ...made]);
      if (after.next) return `${words.control(after.next.control)}, ${words.amount(after.next.turn)}`;
      return after.look ? question(after.look) : 'grey at both ends';
    });
  };
  const seen = (one: Look | undefined) => look && one && record({ kind: 'grey', bar: look, looks: one });
  const turned = () =>
    next && record({ kind: 'turned', control: next.control, end: false, turn: words.settable(next.turn) });
  useHotkeys('1,2,3,4,5,6,7', ({ key }) => seen(looks[Number(key) - 1]), { enabled: look !== undefined });
  useHotkeys('enter', turned, {
    enabled: next !== undefined,
    ignoreEventWhen: ({ target }) => target instanceof HTMLButtonElement,
  });
  return (
    <div className={styles.two}>
      <section
        className={`task ${styles.card}`}
        aria-label="Grey next"
        data-asks={look ?? (next ? 'turn' : 'done')}
        data-control={next?.control ?? ''}
        data-turn={next?.turn ?? ''}
      >
        {look && (
          <>
            <h1>{question(look)}</h1>
            <ul className={styles.looks}>
              {looks.map((one, index) => (
                <li key={one}>
                  <button type="button" data-look={one} onClick={() => seen(one)}>
                    <i aria-hidden />
                    {one} <Key>{String(index + 1)}</Key>
                  </button>
                </li>
              ))}
            </ul>
            <p className="soft">Beside a lamp of daylight or a sheet of white paper in it; the room dim.</p>
          </>
        )}
        {next && (
          <>
            <h1>{words.control(next.control)}</h1>
            <p className={styles.turn}>{words.amount(next.turn)}</p>
            <p>
              <button type="button" className="press main" onClick={turned}>
                {words.done} <Key>⏎</Key>
              </button>
            </p>
            <p className="soft">{words.contrary}</p>
          </>
        )}
        {done && (
          <>
            <h1>Grey at both ends</h1>
            <p>As far as an eye can tell. Look once more when the set has been warm for half an hour.</p>
          </>
        )}
      </section>
      <HuePlane
        points={bars.filter((bar) => looked.has(bar)).map((bar) => ({ bar, tint: thought[bar].tint }))}
        words={
          looked.size === 0
            ? 'Nothing was looked at yet.'
            : `The dark bar is grey with ${Math.round(100 * thought.dark.grey)} %, the bright one with ${Math.round(100 * thought.bright.grey)} %.`
        }
      />
    </div>
  );
}
