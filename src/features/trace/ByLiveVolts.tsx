import { formatQuantity } from '@/core/quantity';
import { type ByVolts } from '@/core/tracing';
import { chanceText } from '@/ui';
import styles from './trace.module.css';

/** What the live set says of a traced circuit: that it stands, or which part does not fit. */
export function ByLiveVolts({
  live: { stands, asTraced, unexplained, against, next, starved },
}: {
  readonly live: ByVolts;
}) {
  if (starved.length > 0)
    return (
      <div className={styles.stage} role="note" aria-label="By the volts that were read">
        <small>By the volts that were read</small>
        {starved.map(({ rail, read }) => (
          <b key={rail}>
            {rail} reads {formatQuantity(read, 'V')}
          </b>
        ))}
        <p className="soft">What feeds this stage is low: until it is there nothing is said of the stage itself.</p>
      </div>
    );
  const [first, ...others] = against;
  return (
    <div className={styles.stage} role="note" aria-label="By the volts that were read">
      <small>By the volts that were read</small>
      {unexplained !== undefined ? (
        <>
          <b>No one part explains them</b>
          <p className="soft">
            {unexplained} reads farthest from where it should stand: more than one part or joint is wrong.
          </p>
        </>
      ) : stands || !first ? (
        <>
          <b>It stands as it was traced</b> <span className="figure">{chanceText(asTraced)}</span>
        </>
      ) : (
        <>
          <b>{first.words}</b> <span className="figure">{chanceText(first.chance)}</span>
          {others.length > 0 && (
            <p className="soft">{others.map(({ words, chance }) => `${words} ${chanceText(chance)}`).join(' · ')}</p>
          )}
        </>
      )}
      {next && (
        <p>
          {'spot' in next ? (
            <>
              Read next at the bench, with its cautions for a live set:{' '}
              <span className="figure">volts {next.spot}</span>
            </>
          ) : (
            <>
              Next, with the set off: <span className="figure">{next.part}</span> by itself
            </>
          )}
        </p>
      )}
    </div>
  );
}
