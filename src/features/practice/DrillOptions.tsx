import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '@/ui';
import styles from './practice.module.css';

interface DrillOptionsProps {
  readonly options: readonly string[];
  readonly right: number;
  onAnswer(right: boolean): void;
}

/** The answers to choose from, by the keys 1 to 4. */
export function DrillOptions({ options, right, onAnswer }: DrillOptionsProps) {
  const [chosen, setChosen] = useState<number>();
  const choose = (option: number) => {
    if (chosen !== undefined || option >= options.length) return;
    setChosen(option);
    onAnswer(option === right);
  };
  useHotkeys(['1', '2', '3', '4'], ({ key }) => choose(Number(key) - 1), [chosen]);
  return (
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
  );
}

function verdictOf(index: number, right: number, chosen: number | undefined): string | undefined {
  if (chosen === undefined) return undefined;
  return index === right ? 'right' : index === chosen ? 'wrong' : 'other';
}
