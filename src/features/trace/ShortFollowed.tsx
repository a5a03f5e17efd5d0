import { formatQuantity } from '@/core/quantity';
import { chanceText, Key } from '@/ui';
import styles from './trace.module.css';
import { type TraceView } from './traceModel';

interface ShortProps {
  readonly short: NonNullable<TraceView['short']>;
}

/** What to lift next to find what pulls a place down, or what it is by now. */
export function LiftNext({ short }: ShortProps) {
  const { at, next, suspects } = short;
  const [first] = suspects;
  return (
    <div className={`task ${styles.next}`} role="status">
      {next ? (
        <>
          <small>
            {at} is followed · lift next · {chanceText(next.chance)} that the short goes with it
          </small>
          <b className="figure">{next.ref}</b>
          <span>
            {next.takesOff.some((ref) => ref !== next.ref) && `Takes off ${next.takesOff.join(', ')}. `}
            <Key>g</Key> <Key>⏎</Key> gone · <Key>s</Key> <Key>⏎</Key> still there · or type what you lifted:{' '}
            <span className="figure">lifted {next.ref} gone</span>
          </span>
        </>
      ) : first ? (
        <>
          <small>
            {at} · likeliest to pull it down · {chanceText(first.chance)}
          </small>
          <b className="figure">{first.ref}</b>
          <span>
            Measure it out of the board. <span className="figure">short off</span> ends the following.
          </span>
        </>
      ) : (
        <>
          <small>{at} is followed</small>
          <b>Nothing that is traced hangs on it</b>
          <span>Type the parts on it and beep them to it and to the ground.</span>
        </>
      )}
    </div>
  );
}

/** All that may pull a place down, in the order of their chances, with what lies between. */
export function ShortFollowed({ short }: ShortProps) {
  const { at, ohms, suspects, tooFar, lifts, explained } = short;
  return (
    <section aria-label="The short">
      <h2 className="label">
        {at} reads <span className="figure">{formatQuantity(ohms, 'Ω')}</span> to ground · {suspects.length} that may
        pull it down
      </h2>
      <table className={styles.nodes}>
        <tbody>
          {suspects.map(({ ref, through, ohms: between, chance }) => (
            <tr key={ref}>
              <th scope="row" className="figure">
                {ref}
              </th>
              <td>
                {through.length === 0
                  ? 'on it'
                  : `behind ${through.join(', ')}${between > 0 ? `, ${formatQuantity(between, 'Ω')}` : ''}`}
              </td>
              <td className="figure">{chanceText(chance)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {lifts.length > 0 && (
        <p>
          <b>Lifted:</b> {lifts.map(({ ref, gone }) => `${ref}, ${gone ? 'gone with it' : 'still there'}`).join(' · ')}
        </p>
      )}
      {!explained && (
        <p role="alert" className="bad">
          No one part explains all that was lifted: two are bad, or a lift was misread.
        </p>
      )}
      {tooFar.length > 0 && <p className="soft">Behind too many ohms to read so little: {tooFar.join(', ')}.</p>}
    </section>
  );
}
