import { Button, Select } from 'antd';
import { memo, useMemo } from 'react';
import { formatQuantity } from '@/core/quantity';
import { Key, WriteFile } from '@/ui';
import { type Turned } from '@/core/circuit';
import { isTurned, type Knob, nothingTurned } from './stageModel';
import styles from './stage.module.css';

/** A value is turned from a twentieth to twenty times, in even ratios; this is its power of ten. */
const reach = 1.3;

interface WhatIfProps {
  readonly knobs: readonly Knob[];
  readonly parameters: ReadonlyMap<string, number>;
  readonly chosen: string | undefined;
  readonly turned: Turned;
  onChoose(name: string | undefined): void;
  onTurn(turned: Turned): void;
  /** The netlist so turned. */
  written(): string;
}

/** Turns a part's value or a trimmer of the netlist; the ladder follows. */
export function WhatIf({ knobs, parameters, chosen, turned, onChoose, onTurn, written }: WhatIfProps) {
  const knob = knobs.find(({ name }) => name === chosen);
  const factor = knob ? (turned.factors.get(knob.name) ?? 1) : 1;
  return (
    <section className={styles.whatIf} aria-label="What if">
      <span className="label">
        What if <Key>Alt W</Key>
      </span>
      <PartChoice knobs={knobs} chosen={knob?.name} onChoose={onChoose} />
      {knob && (
        <>
          <input
            type="range"
            min={-reach}
            max={reach}
            step={0.01}
            value={Math.log10(factor)}
            aria-label={`${knob.label}, times`}
            onChange={({ target }) =>
              onTurn({ ...turned, factors: new Map(turned.factors).set(knob.name, 10 ** target.valueAsNumber) })
            }
          />
          <b className={`figure ${styles.turnedTo}`}>{formatQuantity(knob.value * factor, knob.unit, 3)}</b>
        </>
      )}
      {[...parameters].map(([name, value]) => (
        <label key={name} className={styles.trimmer}>
          <span>{name}</span>
          <input
            type="range"
            min={value > 0 && value <= 1 ? 0 : Math.min(0, 2 * value)}
            max={value > 0 && value <= 1 ? 1 : Math.max(0, 2 * value)}
            step={Math.abs(value || 1) / 100}
            value={turned.parameters.get(name) ?? value}
            aria-label={name}
            onChange={({ target }) =>
              onTurn({ ...turned, parameters: new Map(turned.parameters).set(name, target.valueAsNumber) })
            }
          />
          <b className="figure">{Number((turned.parameters.get(name) ?? value).toPrecision(3))}</b>
        </label>
      ))}
      {isTurned(turned) && (
        <>
          <Button onClick={() => onTurn(nothingTurned)}>As drawn</Button>
          <WriteFile name="stage.cir" type="text/plain" text={written} />
        </>
      )}
    </section>
  );
}

/** Kept from being drawn again with every step of a slider. */
const PartChoice = memo(function PartChoice({
  knobs,
  chosen,
  onChoose,
}: Pick<WhatIfProps, 'knobs' | 'chosen' | 'onChoose'>) {
  const options = useMemo(
    () =>
      knobs.map(({ name, label, value, unit }) => ({
        value: name,
        label: `${label} ${formatQuantity(value, unit, 3)}`,
      })),
    [knobs],
  );
  return (
    <Select
      id="what-if-part"
      showSearch
      allowClear
      aria-label="Part to turn"
      placeholder="a part …"
      value={chosen ?? null}
      options={options}
      optionFilterProp="label"
      onChange={(name: string | undefined) => onChoose(name)}
    />
  );
});
