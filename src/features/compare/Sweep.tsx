import { Button } from 'antd';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { parseQuantity, QuantityError } from '@/core/quantity';
import { Key, LineEntry } from '@/ui';
import { nextPin, type Side, swept } from './compareModel';
import styles from './compare.module.css';

const sides = ['good', 'suspect'] as const;

/** Pin after pin: a value and Enter, and the next pin is due. */
export function Sweep({ text, onText }: { text: string; onText(text: string): void }) {
  const [side, setSide] = useState<Side>(0);
  const [value, setValue] = useState('');
  const [message, setMessage] = useState<string>();
  const turn = () => setSide(side === 0 ? 1 : 0);
  useHotkeys('alt+o', turn, { enableOnFormTags: true, preventDefault: true });
  const take = () => {
    try {
      if (value.trim() !== '-') parseQuantity(value);
      onText(swept(text, side, value.trim()));
      setValue('');
      setMessage(undefined);
    } catch (error) {
      if (!(error instanceof QuantityError)) throw error;
      setMessage(error.message);
    }
  };
  return (
    <div className={styles.sweep}>
      <label>
        <span className="label">
          Sweep: {sides[side]} side, {nextPin(text, side)}
        </span>
        <LineEntry
          label="Next pin"
          value={value}
          placeholder="4k7 ⏎"
          maxLength={20}
          onType={(text) => {
            setValue(text);
            setMessage(undefined);
          }}
          onEnter={take}
        />
      </label>
      <Button onClick={turn}>
        Other side <Key>Alt O</Key>
      </Button>
      {message !== undefined && (
        <p role="alert" className="bad">
          {message}
        </p>
      )}
    </div>
  );
}
