'use client';

import { useMemo, useState } from 'react';
import { type Comparison } from '@/core/compare';
import { formatQuantity, Refusal } from '@/core/quantity';
import { OpenFile, useDraft, VerdictMark } from '@/ui';
import { ComparedTable } from './ComparedTable';
import { compared, type Compared, isSwept, leavesAt, ratioText } from './compareModel';
import { PinsFound } from './PinsFound';
import { Sweep } from './Sweep';
import styles from './compare.module.css';

const example = '\tbuf 1\tbuf 2\tbuf 3\tbuf 4\tbuf 5\nR1\t4k7\t4k69\t4k72\t2k1\t4k7\nR2\t10k\t10k1\t-\t9k9\t10k';
const most = 6;

/** Repeated networks side by side: the cell that leaves its row is named. */
export function CompareScreen() {
  const { draft, keep } = useDraft('compare-table');
  const [typed, setTyped] = useState<string>();
  const [refused, setRefused] = useState<string>();
  const text = typed ?? draft ?? '';
  const read = useMemo(() => compared(text), [text]);
  const found = read instanceof Refusal ? undefined : read;
  const wrong = refused ?? (read instanceof Refusal ? read.message : undefined);
  const edit = (next: string) => {
    setTyped(next);
    setRefused(undefined);
    keep(next);
  };
  return (
    <div className={styles.screen}>
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
      </section>
      <section className={styles.found} aria-label="What leaves the pattern">
        {found === undefined && <p className="soft">Paste or type a table: what leaves its row is named here.</p>}
        {found !== undefined && typeof found !== 'string' && found.kind === 'pins' && <PinsFound {...found} />}
        {found !== undefined && typeof found !== 'string' && found.kind === 'network' && <Found {...found} />}
      </section>
    </div>
  );
}

function Found({ network, comparison, channels }: Extract<Compared, { kind: 'network' }>) {
  const { rows, cells, unit } = network;
  const { odd } = comparison;
  const oddAt = new Set(odd.map(({ row, cell }) => `${row} ${cell}`));
  return (
    <>
      {channels && <Channel channels={channels} />}
      <ul className={styles.odd} data-testid="odd-cells">
        {odd.length === 0 && (
          <li>
            <VerdictMark mark="within" /> Every value keeps to its row.
          </li>
        )}
        {odd.slice(0, most).map(({ row, cell, value, usual, away }) => (
          <li key={`${row} ${cell}`}>
            <VerdictMark mark={value > usual ? 'high' : 'low'} />
            <span>
              <b>
                {rows[row]}, {cells[cell]}
              </b>{' '}
              reads <b className="figure">{formatQuantity(value, unit, 3)}</b>, its row{' '}
              <b className="figure">{formatQuantity(usual, unit, 3)}</b>
              {value > 0 && Number.isFinite(value) && ` (${ratioText(value / usual)})`}: {Math.round(away)} spreads away
            </span>
          </li>
        ))}
        {odd.length > most && <li className="soft">and {odd.length - most} more, marked below</li>}
      </ul>
      <ComparedTable network={network} isOdd={(row, cell) => oddAt.has(`${row} ${cell}`)} usual={comparison.usual} />
    </>
  );
}

/** Which of three channels leaves the others, and between which rows. */
function Channel({ channels }: { channels: Comparison }) {
  const { oddColumn, columns, between } = channels;
  const where = leavesAt(channels);
  if (oddColumn === undefined || !where) return null;
  return (
    <p className={styles.channel} data-testid="channel">
      <VerdictMark mark="odd" />{' '}
      <span>
        <b>{columns[oddColumn]}</b> leaves the others at <b>{where.odd}</b>
        {where.agrees !== undefined && (
          <>
            , and keeps to them at <b>{where.agrees}</b>
          </>
        )}
        .{' '}
        {between.length > 0 ? (
          <>
            Between stands <b>{between.join(', ')}</b>.
          </>
        ) : where.agrees === undefined ? (
          'Measure the next row towards the signal.'
        ) : (
          'Look at what stands between.'
        )}
      </span>
    </p>
  );
}
