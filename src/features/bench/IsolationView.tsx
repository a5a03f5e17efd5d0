'use client';

import { type Predictions } from '@/core/behaviour';
import { type Isolation } from '@/core/diagnosis';
import { formatQuantity } from '@/core/quantity';
import { Bar, chanceText } from '@/ui';
import styles from './bench.module.css';

interface IsolationViewProps {
  readonly isolation: Isolation;
  readonly predictions: Predictions;
  onPick(probe: string): void;
}

/** A rail held down: the loads still on it, and the one to take off so that the rest halves. */
export function IsolationView({ isolation, predictions, onPick }: IsolationViewProps) {
  const { sheet } = predictions.model;
  const net = sheet.nets.get(isolation.net)!;
  const next = isolation.next === undefined ? undefined : sheet.connectors.get(isolation.next);
  const check = [...predictions.checks.values()].find(
    ({ point, measure }) => point?.net === net.id && measure === 'dc' && point.board === next?.from,
  );
  const codes = isolation.blinks;
  return (
    <section aria-label="Rail held down" data-net={net.id}>
      <h2 className="label">
        {net.title} held down · {chanceText(isolation.chance)} · what is still on it
      </h2>
      <ul className={styles.loads}>
        {isolation.loads.map((load) => (
          <li key={load.connector} data-pulled={load.pulled || undefined}>
            <b>{load.connector}</b>
            <span>
              {load.pulled ? 'off: ' : ''}
              {load.boards.map((board) => sheet.boards.get(board)!.title.toLowerCase()).join(', ')}
            </span>
            <span className="figure">{chanceText(load.share)}</span>
            <Bar share={load.pulled ? 0 : load.share} />
          </li>
        ))}
        {isolation.fixed > 0.005 && (
          <li>
            <b>fixed</b>
            <span>on the supply itself, nothing to unplug</span>
            <span className="figure">{chanceText(isolation.fixed)}</span>
            <Bar share={isolation.fixed} />
          </li>
        )}
      </ul>
      {next && check && (
        <p className={styles.halve}>
          <button type="button" onClick={() => onPick(`${check.id}@${next.id}`)}>
            Pull {next.id} next
          </button>{' '}
          If {net.title} then stands at <b className="figure">{formatQuantity(net.volts, 'V')}</b>
          {codes && `, ${codes.freed === 0 ? 'no blinks' : `${codes.freed} blinks`}`}, it was there; if it still falls
          {codes && `, ${codes.held === 0 ? 'no blinks' : `${codes.held} blinks`}`}, it is on the rest.
        </p>
      )}
    </section>
  );
}
