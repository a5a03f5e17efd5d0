import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { depict } from '@/core/picture';
import { type Drill } from '@/core/practice';
import { Key, PictureView } from '@/ui';
import styles from './practice.module.css';

interface DrillCardProps {
  readonly drill: Drill;
  readonly title: string;
  onAnswer(right: boolean): void;
  onNext(): void;
}

/** One question with its answers by the keys 1 to 4; then what is right, and why. */
export function DrillCard({ drill, title, onAnswer, onNext }: DrillCardProps) {
  const [chosen, setChosen] = useState<number>();
  const { ask, bands, picture, options, right, why } = drill;
  const choose = (option: number) => {
    if (chosen !== undefined || option >= options.length) return;
    setChosen(option);
    onAnswer(option === right);
  };
  useHotkeys(['1', '2', '3', '4'], ({ key }) => choose(Number(key) - 1), [chosen]);
  useHotkeys('enter', () => chosen !== undefined && onNext(), { preventDefault: true }, [chosen, onNext]);
  return (
    <div className={styles.card}>
      <small>{title}</small>
      <h1>{ask}</h1>
      {bands && <Bands bands={bands} />}
      {picture && (
        <div className={styles.picture}>
          <PictureView picture={depict(picture.family, picture.symptoms)} />
        </div>
      )}
      <ol className={styles.options}>
        {options.map((option, index) => (
          <li key={option}>
            <button
              type="button"
              data-verdict={verdictOf(index, right, chosen)}
              disabled={chosen !== undefined}
              onClick={() => choose(index)}
            >
              <Key>{String(index + 1)}</Key> {option}
              {chosen !== undefined && index === right && <span> ● right</span>}
              {chosen === index && index !== right && <span> ◇ not this</span>}
            </button>
          </li>
        ))}
      </ol>
      <div role="status" className={styles.why}>
        {chosen !== undefined && (
          <>
            <p>
              <b>{chosen === right ? 'Right.' : `It is: ${options[right]}.`}</b> {why}
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

function verdictOf(index: number, right: number, chosen: number | undefined): string | undefined {
  if (chosen === undefined) return undefined;
  return index === right ? 'right' : index === chosen ? 'wrong' : 'other';
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
