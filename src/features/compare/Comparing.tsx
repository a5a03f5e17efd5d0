import { type ReactNode, useMemo, useState } from 'react';
import { type Compared } from '@/core/compare';
import { Refusal } from '@/core/quantity';
import { OpenFile, useDraft } from '@/ui';
import { comparedText, isSwept } from './compareModel';
import { NetworkFound } from './NetworkFound';
import { PinsFound } from './PinsFound';
import { Sweep } from './Sweep';
import styles from './compare.module.css';

const example = '\tbuf 1\tbuf 2\tbuf 3\tbuf 4\tbuf 5\nR1\t4k7\t4k69\t4k72\t2k1\t4k7\nR2\t10k\t10k1\t-\t9k9\t10k';

/** A table under comparison, and what puts another in its place. */
export interface TableAtHand {
  readonly text: string;
  readonly found: Compared;
  put(text: string): void;
}

interface ComparingProps {
  /** Under which name the table is kept in this browser while it is typed. */
  readonly draft: string;
  /** How it lies on its page. */
  readonly className?: string | undefined;
  /** What stands above what is found, once there is a table. */
  above?(table: TableAtHand): ReactNode;
  /** What stands where no table is yet, beside the usual words. */
  readonly before?: ReactNode;
  /** What stands below the table. */
  below?(put: (text: string) => void): ReactNode;
}

/** A table of repetitions as it is typed, pasted or swept, and what leaves its pattern beside it. */
export function Comparing({ draft: name, className, above, before, below }: ComparingProps) {
  const { draft, keep } = useDraft(name);
  const [typed, setTyped] = useState<string>();
  const [refused, setRefused] = useState<string>();
  const text = typed ?? draft ?? '';
  const read = useMemo(() => comparedText(text), [text]);
  const found = read instanceof Refusal ? undefined : read;
  const wrong = refused ?? (read instanceof Refusal ? read.message : undefined);
  const edit = (next: string) => {
    setTyped(next);
    setRefused(undefined);
    keep(next);
  };
  return (
    <div className={`${styles.screen} ${className ?? ''}`}>
      <section className={styles.entry} aria-label="The table">
        <h1>Compare</h1>
        <p className="soft">
          Rows are places, columns repetitions: rows of a buffer, channels, a good board beside a doubtful one. Gaps are{' '}
          <b className="figure">-</b>. Two columns are two sides of the same pins; three are channels, from the picture
          back, with what stands behind a row in brackets.
        </p>
        {isSwept(text) ? (
          <Sweep text={text} onText={edit} />
        ) : (
          <p className="soft">A sweep of two sides, pin after pin, begins with an empty table.</p>
        )}
        <OpenFile accept=".csv,.txt,.tsv" onText={edit} onRefused={setRefused} />
        <textarea
          className="figure source"
          value={text}
          placeholder={example}
          spellCheck={false}
          aria-label="Table of readings"
          onChange={(event) => edit(event.target.value)}
        />
        {wrong !== undefined && (
          <p role="alert" className="bad">
            {wrong}
          </p>
        )}
        {below?.(edit)}
      </section>
      <section className={styles.found} aria-label="What leaves the pattern">
        {found === undefined && (
          <>
            <p className="soft">Paste or type a table: what leaves its row is named here.</p>
            {before}
          </>
        )}
        {found !== undefined && above?.({ text, found, put: edit })}
        {found?.kind === 'pins' && <PinsFound {...found} />}
        {found?.kind === 'network' && <NetworkFound {...found} />}
      </section>
    </div>
  );
}
