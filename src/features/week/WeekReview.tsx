import Link from 'next/link';
import { type Week } from '@/core/days';
import { Bar, dateText, EmptyState, minutesText, moneyText } from '@/ui';
import { type WeekPage } from './load';
import { Closed, daysText, WaitedFor, WrongTurns } from './WeekTables';
import styles from './week.module.css';

/** What a week took and what it brought: hours, money, causes, and what went for nothing. */
export function WeekReview({ page }: { readonly page: WeekPage }) {
  const { monday, week, waited, before, after, currency, shop } = page;
  const lost = week.wrongTurns.reduce((sum, { minutes }) => sum + minutes, 0);
  const empty = week.minutes === 0 && week.closed.length === 0 && waited.length === 0;
  return (
    <div className={styles.page}>
      <div className={styles.top}>
        <h1>The week of {dateText(`${monday}T00:00:00Z`)}</h1>
        {shop !== '' && <span className="soft">{shop}</span>}
        <nav aria-label="Weeks" className={styles.weeks}>
          <Link className="press" href={`/week?of=${before}`}>
            ← Before
          </Link>
          {after && (
            <Link className="press" href={`/week?of=${after}`}>
              After →
            </Link>
          )}
        </nav>
      </div>
      {empty ? (
        <EmptyState title="Nothing was worked on that week">
          <p>Hours come from the lines of the record, sets from what was closed.</p>
        </EmptyState>
      ) : (
        <>
          <dl className={styles.figures}>
            <div>
              <dt>At the bench</dt>
              <dd className="figure">{minutesText(week.minutes)}</dd>
            </div>
            <div>
              <dt>Sets closed</dt>
              <dd className="figure">{week.closed.length}</dd>
            </div>
            <div>
              <dt>Worth saved, less parts</dt>
              <dd className="figure">{moneyText(week.saved, currency)}</dd>
            </div>
            <div>
              <dt>Spent on parts</dt>
              <dd className="figure">{moneyText(week.spent, currency)}</dd>
            </div>
            <div>
              <dt>Repairs that were not the cure</dt>
              <dd className="figure">{minutesText(lost)}</dd>
            </div>
            <div>
              <dt>Sets waiting for parts</dt>
              <dd className="figure">{daysText(waited.reduce((sum, { days }) => sum + days, 0))}</dd>
            </div>
          </dl>
          <div className={styles.two}>
            <Hours week={week} />
            <Causes week={week} />
          </div>
          <Closed week={week} currency={currency} />
          {week.wrongTurns.length > 0 && <WrongTurns week={week} currency={currency} />}
          {waited.length > 0 && <WaitedFor waited={waited} />}
          <p className="soft">
            A line of the record ends the time that went into it; after a pause of more than twenty minutes it counts
            two. A repair counts the minutes written down for it.
          </p>
        </>
      )}
    </div>
  );
}

function Hours({ week: { steps, days, minutes } }: { readonly week: Week }) {
  const most = Math.max(1, ...days.map((one) => one.minutes));
  return (
    <section aria-label="Hours">
      <h2 className="label">Hours by step</h2>
      <ul className={styles.bars}>
        {[...steps]
          .sort((a, b) => b.minutes - a.minutes)
          .map(({ step, minutes: own }) => (
            <li key={step}>
              <span>{step}</span>
              <Bar share={own / minutes} tone="petrol" />
              <span className="figure">{minutesText(own)}</span>
            </li>
          ))}
      </ul>
      <h2 className="label">By day</h2>
      <ul className={styles.bars}>
        {days.map(({ day, minutes: own }) => (
          <li key={day}>
            <span>{weekday(day)}</span>
            <Bar share={own / most} />
            <span className="figure">{own === 0 ? '' : minutesText(own)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const weekday = (day: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(new Date(`${day}T00:00:00Z`));

function Causes({ week: { causes } }: { readonly week: Week }) {
  return (
    <section aria-label="Causes">
      <h2 className="label">Causes by chassis</h2>
      {causes.length === 0 ? (
        <p className="soft">No set was closed.</p>
      ) : (
        <ul className={styles.causes}>
          {causes.map(({ chassis, cause, count }) => (
            <li key={`${chassis} ${cause}`}>
              <b className="figure">{count} ×</b>
              <span>
                {cause} <small>{chassis}</small>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
