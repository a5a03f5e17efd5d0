import dynamic from 'next/dynamic';
import { type ReactNode, useState } from 'react';
import { chanceText } from '@/ui';
import { ByLiveVolts } from './ByLiveVolts';
import { PathFollowed } from './PathFollowed';
import { ShortFollowed } from './ShortFollowed';
import styles from './trace.module.css';
import { type TraceView } from './traceModel';

const TraceDrawing = dynamic(() => import('./TraceDrawing').then((loaded) => loaded.TraceDrawing), { ssr: false });

interface TraceFoundProps {
  readonly view: TraceView;
  /** What the plugs of the set are called, by their references. */
  readonly plugs: ReadonlyMap<string, string>;
  readonly children: ReactNode;
}

/** What the trace has come to: the stage it is, its nodes with their volts, and what is missing. */
export function TraceFound({ view, plugs, children }: TraceFoundProps) {
  const [drawn, setDrawn] = useState(false);
  const { stage, roles, rows, single, guessed, left, live, unsolved } = view;
  return (
    <section className={styles.found} aria-label="What it is">
      {view.short && <ShortFollowed short={view.short} />}
      {view.path && <PathFollowed path={view.path} plugs={plugs} />}
      {stage && (
        <div className={styles.stage}>
          <small>{stage.title === 'No stage that is known' ? 'It looks like' : 'It is likely'}</small>
          <b>{stage.title}</b> <span className="figure">{chanceText(stage.chance)}</span>
          {roles.length > 0 && (
            <p className="soft">
              {stage.like && `As in “${stage.like}”: `}
              {roles
                .slice(0, 12)
                .map(({ ref, role }) => `${ref} is its ${role}`)
                .join(' · ')}
            </p>
          )}
        </div>
      )}
      {rows.length > 0 && (
        <details className={styles.onto} onToggle={(event) => setDrawn(event.currentTarget.open)}>
          <summary>Draw it</summary>
          {drawn && <TraceDrawing net={view.net} />}
        </details>
      )}
      {live && <ByLiveVolts live={live} />}
      {rows.length > 0 && (
        <>
          <h2 className="label">Nodes · {rows.length}</h2>
          <table className={styles.nodes} data-testid="nodes">
            <tbody>
              {rows.map(({ name, spots, volts, read }) => (
                <tr key={name}>
                  <th scope="row" className="figure">
                    {name}
                  </th>
                  <td>{spots.join('  ')}</td>
                  <td className="figure">{volts ?? ''}</td>
                  {live && <td className="figure">{read === undefined ? '' : `reads ${read}`}</td>}
                </tr>
              ))}
            </tbody>
          </table>
          <p className="soft">
            {unsolved !== undefined
              ? `No volts yet: ${unsolved}`
              : left.length > 0
                ? 'Volts as far as it is traced: what is not in the circuit yet moves them.'
                : 'Volts as the traced circuit should stand, from rails, values and roles.'}
          </p>
        </>
      )}
      {guessed.length > 0 && <p className="soft">Values not read, guessed: {guessed.join(', ')}.</p>}
      {left.length > 0 && <p className="soft">Not in the circuit yet: {left.join(', ')}.</p>}
      {single.length > 0 && (
        <p>
          <b>Without a place:</b> <span className={`figure ${styles.pins}`}>{single.slice(0, 24).join('  ')}</span>
          {single.length > 24 && ` and ${single.length - 24} more`}
        </p>
      )}
      <div>{children}</div>
    </section>
  );
}
