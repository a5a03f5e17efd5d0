'use client';

import { useVerdict } from '@/workshop/stage';
import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useMemo } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Bar, chanceText, Key } from '@/ui';
import { driftText, partSuspects, Stage } from '@/core/circuit';
import { type BlockInside } from '@/core/inside';
import { attempt, Refusal } from '@/core/quantity';
import styles from './bench.module.css';

const most = 2;
/** With fewer nodes read a netlist tells little. */
const fewest = 2;

/** Under the suspects of the bench: what the netlist of the leading block makes of the same readings. */
export function InsideBlock({ inside, job }: { inside: BlockInside; job: string }) {
  const router = useRouter();
  const { text, readings, parts, title, block } = inside;
  const model = useMemo(() => attempt(() => Stage.open(text)), [text]);
  const solvable = !(model instanceof Refusal) && readings.length >= fewest;
  const { verdict } = useVerdict(solvable ? text : undefined, readings);
  const open = () => router.push(`/stage?job=${job}&block=${encodeURIComponent(block)}`);
  useHotkeys('alt+d', open, { enableOnFormTags: true, preventDefault: true });
  const suspects =
    verdict && !(model instanceof Refusal)
      ? partSuspects(verdict.suspects, verdict.nothing, model.circuit).filter(({ probability }) => probability > 0.03)
      : [];
  return (
    <section aria-label={`Inside: ${title}`}>
      <header className={styles.insideHead}>
        <h2 className="label">Inside: {title}</h2>
        <Button size="small" onClick={open}>
          Go inside <Key>Alt D</Key>
        </Button>
      </header>
      {suspects.length > 0 && (
        <ul className={styles.insideList} data-testid="inside-suspects">
          {suspects.slice(0, most).map(({ words, drift, probability, leading }) => (
            <li key={words} data-ref={leading.fault.ref}>
              <span>
                {parts[leading.fault.ref] ?? leading.fault.ref}: {words.replace(`${leading.fault.ref} `, '')}
                {drift && <em className="soft"> {driftText(drift)}</em>}
              </span>
              <span className="figure">{chanceText(probability)}</span>
              <Bar share={probability} />
            </li>
          ))}
        </ul>
      )}
      {verdict && suspects.length === 0 && (
        <p className="soft">
          {verdict.unexplained
            ? 'No single part of its netlist explains these readings.'
            : 'By its netlist every part is within tolerance.'}
        </p>
      )}
    </section>
  );
}
