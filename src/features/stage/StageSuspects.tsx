import { formatQuantity } from '@/core/quantity';
import { Bar, chanceText, Key } from '@/ui';
import { driftText, faultWords, type PartSuspect, type StageVerdict } from '@/core/circuit';
import styles from './stage.module.css';

/** Suspects less likely than this are not told of. */
const least = 0.005;
/** Suspects that have a key of their own. */
const keyed = 5;

interface StageSuspectsProps {
  readonly suspects: readonly PartSuspect[];
  readonly nothing: number;
  /** No one part, and not all of them sound, explains what was read. */
  readonly unexplained: boolean;
  /** The suspect whose ladder is shown. */
  readonly shown: string | undefined;
  /** What parts are called in the sheet of the set. */
  readonly names: Readonly<Record<string, string>>;
  onShow(words: string | undefined): void;
  onGlance(words: string | undefined): void;
}

/** The parts that explain the readings; each shows the ladder it would give. */
export function StageSuspects({ suspects, nothing, unexplained, shown, names, onShow, onGlance }: StageSuspectsProps) {
  if (unexplained)
    return (
      <ul className={styles.suspects} data-testid="stage-suspects">
        <li data-ref="">
          <div className={styles.nothing}>
            <span>No single part explains these readings</span>
          </div>
          <p className="soft">
            Two are bad, what failed is not in the netlist, or a node was misread: take the oddest again.
          </p>
        </li>
      </ul>
    );
  const within = nothing >= 0.02 && (
    <li data-ref="">
      <div className={styles.nothing}>
        <span>Every part within its tolerance</span> <span className="figure">{chanceText(nothing)}</span>
        <Bar share={nothing} />
      </div>
    </li>
  );
  const first = nothing >= (suspects[0]?.probability ?? 0);
  return (
    <ul className={styles.suspects} data-testid="stage-suspects">
      {first && within}
      {suspects
        .filter(({ probability }, index) => probability >= least || (index === 0 && nothing < 0.5))
        .map(({ words, drift, probability, leading, alike }, index) => (
          <li key={words} data-ref={leading.fault.ref}>
            <button
              type="button"
              aria-pressed={shown === words}
              onClick={() => onShow(shown === words ? undefined : words)}
              onPointerEnter={() => onGlance(words)}
              onPointerLeave={() => onGlance(undefined)}
              title="Show the ladder this fault would give"
            >
              <span>
                {words} {index < keyed && <Key>{`Alt ${index + 1}`}</Key>}
              </span>
              <span className="figure">{chanceText(probability)}</span>
              {names[leading.fault.ref] !== undefined && (
                <span className={styles.detail}>{names[leading.fault.ref]}</span>
              )}
              {drift && <span className={styles.detail}>{driftText(drift)}</span>}
              {alike.length > 0 && <span className={styles.detail}>no reading so far tells it from {alike[0]}</span>}
              <Bar share={probability} />
            </button>
          </li>
        ))}
      {!first && within}
    </ul>
  );
}

const coldWords = {
  ohms: 'measure its ohms; more than its value is proof, less may be what lies across it',
  junctions: 'check its junctions',
  capacitor: 'measure its capacitance and ESR',
  continuity: 'see that it conducts',
} as const;

/** The one thing to measure next, and why. */
export function NextReadingCard({ next }: { next: StageVerdict['next'] }) {
  const [first, second] = next;
  if (!first) return null;
  return (
    <section className={styles.next} aria-label="Measure next">
      <p className="label">Measure next</p>
      {first.kind === 'node' ? (
        <>
          <p className={styles.nextNode}>
            <b>{first.node}</b> <Key>Enter</Key>
          </p>
          <ul>
            {first.expected.map(({ fault, volts }) => (
              <li key={faultWords(fault)}>
                <b className="figure">{formatQuantity(Math.abs(volts) < 1e-3 ? 0 : volts, 'V', 3)}</b> if{' '}
                {faultWords(fault)}
              </li>
            ))}
          </ul>
        </>
      ) : (
        <p className={styles.nextNode}>
          <b>{first.ref}</b> <span>off and empty: {coldWords[first.how]}</span>
        </p>
      )}
      {second && (
        <p className="soft">
          or {second.kind === 'node' ? `node ${second.node}` : `${second.ref} by itself, off and empty`}
        </p>
      )}
    </section>
  );
}
