import { cellText } from '@/core/compare';
import { Refusal, parseQuantity, attempt } from '@/core/quantity';
import { Button } from 'antd';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { LiveMeter, MeterChoice } from '@/workshop/meter';
import { Key, LineEntry, sound } from '@/ui';
import { markOfPin, nextPin, type Side, swept, sweptAnew } from './compareModel';
import { useSweepMeter } from './useSweepMeter';
import styles from './compare.module.css';

const sides = ['good', 'suspect'] as const;

/** Pin after pin: a value and Enter, or a meter that takes it, and the next pin is due. */
export function Sweep({ text, onText }: { text: string; onText(text: string): void }) {
  const [side, setSide] = useState<Side>(0);
  const [value, setValue] = useState('');
  const [message, setMessage] = useState<string>();
  const pin = nextPin(text, side);
  const turn = () => setSide(side === 0 ? 1 : 0);
  const fill = (typed: string, anew = false) => {
    const next = anew ? sweptAnew(text, side, typed) : swept(text, side, typed);
    sound(markOfPin(next, anew ? undefined : pin));
    onText(next);
  };
  const meter = useSweepMeter(`${side} ${pin}`, (read, unit, anew) => fill(cellText(read, unit), anew));
  useHotkeys('alt+o', turn, { enableOnFormTags: true, preventDefault: true });
  useHotkeys('alt+m', meter.toggle, { enableOnFormTags: true, preventDefault: true });
  const take = () => {
    if (value.trim() === '' && meter.takeNow()) return;
    const read = value.trim() === '-' ? undefined : attempt(() => parseQuantity(value));
    if (read instanceof Refusal) return setMessage(read.message);
    fill(value.trim());
    setValue('');
    setMessage(undefined);
  };
  return (
    <div className={styles.sweep}>
      <label>
        <span className="label">
          Sweep: {sides[side]} side, {pin}
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
      <Button onClick={meter.toggle} aria-pressed={meter.on}>
        Meter <Key>Alt M</Key>
      </Button>
      {meter.on && (
        <MeterChoice simulated={false} source={meter.source} onSource={meter.setSource} trace={meter.trace} />
      )}
      {meter.on && meter.source && (
        <LiveMeter view={meter.view} unit={meter.view?.unit ?? 'Ω'} title={meter.source.title} trace={meter.trace} />
      )}
      {message !== undefined && (
        <p role="alert" className="bad">
          {message}
        </p>
      )}
    </div>
  );
}
