import { chanceText, minutesText, VerdictMark } from '@/ui';
import { type DebriefView } from './huntView';
import styles from './hunt.module.css';

/** A hunt looked back on: plain words first, the two ways on one axis, then each decision with its figures. */
export function HuntDebrief({ debrief, hints }: { readonly debrief: DebriefView; readonly hints: number }) {
  const { culprit, summary, rows, planner, own, statements, sureness } = debrief;
  const longest = Math.max(own, planner.minutes, 1);
  return (
    <section aria-label="Debrief" className={styles.debrief}>
      <h1>{culprit}</h1>
      <p className={styles.summary}>
        {summary}
        {hints > 0 && ` ${hints === 1 ? 'One hint was' : `${hints} hints were`} asked for.`}
      </p>
      <dl className={styles.ways}>
        <dt>Your way</dt>
        <dd>
          <Way
            longest={longest}
            steps={rows.flatMap(({ title, minutes, slips }) => [
              { title, minutes, bad: false },
              ...(slips > 0 ? [{ title: `Slips on the way to ${title}`, minutes: slips, bad: true }] : []),
            ])}
          />
          <b className="figure">{minutesText(own)}</b>
        </dd>
        <dt>The planner’s</dt>
        <dd>
          <Way longest={longest} steps={planner.steps.map((step) => ({ ...step, bad: false }))} />
          <b className="figure">{minutesText(planner.minutes)}</b>
        </dd>
      </dl>
      <table className={styles.decisions}>
        <thead>
          <tr>
            <th scope="col">Decision</th>
            <th scope="col">Bits</th>
            <th scope="col">Took</th>
            <th scope="col" title="Expected minutes beyond those of the best there was">
              Lost
            </th>
            <th scope="col" title="What went wrong on the way">
              Slips
            </th>
            <th scope="col" title="How much worse (+) or better (−) it came out than was to be expected">
              Luck
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ title, words, bits, minutes, loss, slips, luck }, place) => (
            <tr key={place}>
              <th scope="row">
                {title}
                <small>{words}</small>
              </th>
              <td className="figure">{bits.toFixed(1)}</td>
              <td className="figure">{minutes.toFixed(1)}</td>
              <td className="figure" data-much={loss >= 2 || undefined}>
                {loss.toFixed(1)}
              </td>
              <td className="figure" data-much={slips >= 2 || undefined}>
                {slips.toFixed(1)}
              </td>
              <td className="figure">{signed(luck)}</td>
            </tr>
          ))}
        </tbody>
        <tfoot>
          <tr>
            <th scope="row">
              Beyond what was to be expected
              <small>Lost, slips and luck together are what it took beyond the expected minutes.</small>
            </th>
            <td />
            <td className="figure">{debrief.rows.reduce((sum, { minutes }) => sum + minutes, 0).toFixed(1)}</td>
            <td className="figure">{debrief.lost.toFixed(1)}</td>
            <td className="figure">{debrief.slips.toFixed(1)}</td>
            <td className="figure">{signed(debrief.luck)}</td>
          </tr>
        </tfoot>
      </table>
      {statements.length > 0 && (
        <>
          <h2 className="label">What you suspected, beside what could be known then</h2>
          <p>{sureness}</p>
          <table className={styles.decisions}>
            <thead>
              <tr>
                <th scope="col">Suspected</th>
                <th scope="col">Sure by</th>
                <th scope="col">It stood at</th>
                <th scope="col">It was</th>
              </tr>
            </thead>
            <tbody>
              {statements.map(({ title, sure, stood, right }, place) => (
                <tr key={place}>
                  <th scope="row">{title}</th>
                  <td className="figure">{chanceText(sure)}</td>
                  <td className="figure">{chanceText(stood)}</td>
                  <td>
                    <VerdictMark mark={right ? 'within' : 'odd'} /> {right ? 'this' : 'another'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <h2 className="label">The planner’s way, with readings of the same noise</h2>
      <ol className={styles.planner}>
        {planner.steps.map(({ title, minutes }, place) => (
          <li key={place}>
            {title} <span className="figure soft">{minutesText(minutes)}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}

const signed = (minutes: number) =>
  `${minutes < -0.05 ? '−' : minutes > 0.05 ? '+' : ''}${Math.abs(minutes).toFixed(1)}`;

interface WayProps {
  readonly longest: number;
  readonly steps: readonly { readonly title: string; readonly minutes: number; readonly bad: boolean }[];
}

/** Steps along the minutes they took. */
function Way({ longest, steps }: WayProps) {
  return (
    <span className={styles.way} aria-hidden>
      {steps.map(({ title, minutes, bad }, place) => (
        <i
          key={place}
          data-bad={bad || undefined}
          title={`${title}: ${minutesText(minutes)}`}
          style={{ width: `${(100 * minutes) / longest}%` }}
        />
      ))}
    </span>
  );
}
