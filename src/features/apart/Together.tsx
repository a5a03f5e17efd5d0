import { useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { apartText } from '@/core/log';
import { outBeforePower, screwsLeft, stillOut, type TeardownStep } from '@/core/teardown';
import { Key, say } from '@/ui';
import { type JobLog } from '@/workshop/job';
import styles from './apart.module.css';
import { MarkedPhoto } from './MarkedPhoto';

interface TogetherProps {
  readonly job: string;
  readonly steps: readonly TeardownStep[];
  readonly log: JobLog;
}

/** How each kind goes back so that it holds. */
const minding: Readonly<Record<TeardownStep['what'], string>> = {
  screw: 'The right length in the right hole; count them.',
  cable: 'To its full depth; nothing pinched.',
  latch: 'To its full depth, straight, and the latch closed.',
  ground: 'Bare metal, tight: it is an electrical connection.',
  pad: 'Pad or compound as it was, the insulation whole.',
  snag: 'Mind it.',
};

/** The way back, one step at a time, by one key. */
export function Together({ job, steps, log }: TogetherProps) {
  const [later, setLater] = useState<readonly string[]>([]);
  const [aloud, setAloud] = useState(false);
  const left = stillOut(steps);
  // What was put off comes when all else is back.
  const next = left.find(({ id }) => !later.includes(id)) ?? left[0];
  const done = () => next && log.record([{ body: { kind: 'back', step: next.id } }]);
  const putOff = () => next && setLater((now) => [...now.filter((id) => id !== next.id), next.id]);
  useHotkeys('space, enter', () => void done(), { preventDefault: true }, [next?.id]);
  useHotkeys('l', () => void putOff(), [next?.id]);
  const words = next && apartText(next);
  useEffect(() => {
    if (aloud && words !== undefined) say(words);
  }, [aloud, words]);
  if (!next)
    return (
      <div className={styles.done} role="status">
        <p>● All of it is back.</p>
        <p className="soft">
          Screws left on the bench? Then a step was not written down: look before the cover goes on.
        </p>
      </div>
    );
  const power = outBeforePower(steps).length;
  const screws = screwsLeft(steps);
  return (
    <>
      <div className={`task ${styles.next}`} role="status">
        <small>
          {steps.indexOf(next) + 1} of {steps.length}
        </small>
        <b>{words}</b>
        <span>{minding[next.what]}</span>
      </div>
      <div className={styles.keys}>
        <button type="button" className="press main" onClick={done}>
          It is back <Key>Space</Key>
        </button>
        <button type="button" className="press" onClick={putOff}>
          Later <Key>L</Key>
        </button>
        <label>
          <input type="checkbox" checked={aloud} onChange={(event) => setAloud(event.target.checked)} /> Read aloud
        </label>
      </div>
      <p className={power > 0 ? 'caution' : 'soft'}>
        {power > 0
          ? `${power} of them before power: grounds, cables, latches, pads.`
          : 'What power needs is back; the rest before the cover.'}
        {screws > 0 && ` ${screws} screws are out.`}
      </p>
      {next.photo !== undefined && <MarkedPhoto job={job} photo={next.photo} steps={steps} next={next.id} />}
    </>
  );
}
