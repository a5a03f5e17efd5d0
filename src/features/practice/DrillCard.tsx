import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { depict } from '@/core/picture';
import { type Drill, rightAnswer } from '@/core/practice';
import { Key, PictureView } from '@/ui';
import { Blinks } from './Blinks';
import { DrillOptions } from './DrillOptions';
import { DrillTyped } from './DrillTyped';
import styles from './practice.module.css';

interface DrillCardProps {
  readonly drill: Drill;
  readonly title: string;
  onAnswer(right: boolean): void;
  onNext(): void;
}

/** One question, answered by a key or a typed value; then what is right, and why. */
export function DrillCard({ drill, title, onAnswer, onNext }: DrillCardProps) {
  const [right, setRight] = useState<boolean>();
  const { ask, bands, picture, after, blinks, why } = drill;
  const answered = right !== undefined;
  const answer = (isRight: boolean) => {
    setRight(isRight);
    onAnswer(isRight);
  };
  useHotkeys('enter', () => answered && onNext(), { preventDefault: true }, [answered, onNext]);
  return (
    <div className={styles.card}>
      <small>{title}</small>
      <h1>{ask}</h1>
      {bands && <Bands bands={bands} />}
      {blinks && <Blinks {...blinks} />}
      {picture && (
        <div className={styles.pictures}>
          {[picture, ...(after ? [after] : [])].map((one, index) => (
            <figure key={index}>
              <PictureView picture={depict(one.family, one.symptoms)} />
              {after && <figcaption>{index === 0 ? 'before' : 'after'}</figcaption>}
            </figure>
          ))}
        </div>
      )}
      {'options' in drill ? (
        <DrillOptions options={drill.options} right={drill.right} onAnswer={answer} />
      ) : (
        <DrillTyped drill={drill} onAnswer={answer} />
      )}
      <div role="status" className={styles.why}>
        {answered && (
          <>
            <p>
              <b>{right ? 'Right.' : `It is: ${rightAnswer(drill)}.`}</b> {why}
            </p>
            <button type="button" className="press main" onClick={onNext}>
              Next <Key>⏎</Key>
            </button>
          </>
        )}
      </div>
    </div>
  );
}

/** A resistor’s bands, each with its name: no colour stands alone. */
function Bands({ bands }: { readonly bands: readonly string[] }) {
  return (
    <ul className={styles.bands} aria-label={`Bands: ${bands.join(', ')}`}>
      {bands.map((band, index) => (
        <li key={`${band} ${index}`}>
          <i data-band={band} aria-hidden />
          <span>{band}</span>
        </li>
      ))}
    </ul>
  );
}
