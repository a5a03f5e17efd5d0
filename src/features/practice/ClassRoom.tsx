'use client';

import Link from 'next/link';
import { useState } from 'react';
import { minutesText, WriteFile } from '@/ui';
import { type Standing } from '@/workshop/classroom';
import { ChooseSet } from './ChooseSet';
import styles from './room.module.css';
import { inOrder, roomTable } from './roomModel';
import { type OpenRoom, useRoom } from './useRoom';

const stood: Readonly<Record<NonNullable<Standing['ended']>, string>> = {
  cured: 'cured',
  'given up': 'gave up',
  'out of time': 'out of time',
};

/** A class that hunts the same fault, as its teacher sees it; fit for a wall. */
export function ClassRoom({ address }: { readonly address: string }) {
  const { room, standings, solution, refused, busy, begin, close, tell, refuse } = useRoom();
  const [named, setNamed] = useState(true);
  const order = inOrder(standings);
  const longest = Math.max(1, ...standings.map(({ minutes }) => minutes), solution?.minutes ?? 0);
  return (
    <div aria-busy={busy}>
      <p className={styles.band}>
        <strong>Practice</strong> A class. Nothing of it enters the shop’s record.
        <Link href="/practice/hunt">Hunt alone</Link>
      </p>
      {refused !== undefined && (
        <p role="alert" className={`bad ${styles.refused}`}>
          {refused}
        </p>
      )}
      {!room && (
        <ChooseSet busy={busy} main="Open a room" onBegin={(wanted) => void begin(wanted)} onRefused={refuse}>
          <h1>One hidden fault for a whole class</h1>
          <p>
            All who join have the same set, each on a bench of his own. You see how far they are, and look back on it
            together. Where the server listens to the network, the code of the room lets their devices in, to the hunt
            and nothing else.
          </p>
        </ChooseSet>
      )}
      {room && (
        <div className={styles.page}>
          <section aria-label="The room" className={styles.room}>
            <p className="label">Join with the code</p>
            <b className={`figure ${styles.code}`} data-testid="room-code">
              {room.code}
            </b>
            <p>
              at{' '}
              <span className="figure">
                {address}/practice/hunt?room={room.code}
              </span>
            </p>
            <p className="label">
              {room.exercise.title} · {room.grade} of 5
            </p>
            <Told room={room} solution={solution} onTell={() => void tell()} />
            <div className={styles.keys}>
              <WriteFile name="class.csv" type="text/csv" title="The table, CSV" text={() => roomTable(order)} />
              <button type="button" className="press" onClick={() => void close()}>
                Close the room
              </button>
            </div>
          </section>
          <section aria-label="The class" className={styles.class}>
            <header>
              <h1>
                {standings.length === 0
                  ? 'Nobody has joined yet'
                  : `${standings.filter(({ ended }) => ended === 'cured').length} of ${standings.length} have cured it`}
              </h1>
              <label>
                <input type="checkbox" checked={named} onChange={(event) => setNamed(event.target.checked)} /> Names
              </label>
            </header>
            <table>
              <thead>
                <tr>
                  <th scope="col">Who</th>
                  <th scope="col">Stands</th>
                  <th scope="col">Last</th>
                  <th scope="col">Clock</th>
                  <th scope="col">Went wrong</th>
                </tr>
              </thead>
              <tbody>
                {order.map((one) => (
                  <tr key={standings.indexOf(one)} data-ended={one.ended}>
                    <th scope="row">{named ? one.name : `Bench ${standings.indexOf(one) + 1}`}</th>
                    <td>
                      {one.ended ? <b>{stood[one.ended]}</b> : one.acts === 1 ? '1 act' : `${one.acts} acts`}
                      {one.lost !== undefined && <small>{minutesText(one.lost)} lost by decisions</small>}
                    </td>
                    <td className={styles.last}>{one.ended || !named ? '' : one.last}</td>
                    <td>
                      <span className={styles.way} style={{ width: `${(100 * one.minutes) / longest}%` }} />
                      <b className="figure">{minutesText(one.minutes)}</b>
                    </td>
                    <td className="figure">{one.harm >= 1 ? minutesText(one.harm) : ''}</td>
                  </tr>
                ))}
                {solution && (
                  <tr data-planner>
                    <th scope="row">The planner</th>
                    <td>{solution.steps.length === 1 ? '1 step' : `${solution.steps.length} steps`}</td>
                    <td />
                    <td>
                      <span className={styles.way} style={{ width: `${(100 * solution.minutes) / longest}%` }} />
                      <b className="figure">{minutesText(solution.minutes)}</b>
                    </td>
                    <td />
                  </tr>
                )}
              </tbody>
            </table>
          </section>
        </div>
      )}
    </div>
  );
}

interface ToldProps {
  readonly room: OpenRoom;
  readonly solution: ReturnType<typeof useRoom>['solution'];
  onTell(): void;
}

/** What was wrong, once the class may know; and the sheets for a room without computers. */
function Told({ room, solution, onTell }: ToldProps) {
  if (!solution)
    return (
      <div className={styles.keys}>
        <button type="button" className="press main" onClick={onTell}>
          Tell what was wrong
        </button>
        <Link className="press" href={`/practice/room/sheet?${sheetQuery(room)}`} target="_blank">
          Work sheet
        </Link>
        <Link className="press" href={`/practice/room/sheet?${sheetQuery(room)}&answers=1`} target="_blank">
          Answer sheet
        </Link>
      </div>
    );
  return (
    <div className={styles.told} role="status">
      <p className="label">It was</p>
      <h2>{solution.culprit}</h2>
      <p className="label">The planner’s way, {minutesText(solution.minutes)}</p>
      <ol>
        {solution.steps.map(({ title, minutes }, place) => (
          <li key={place}>
            {title} <span className="figure soft">{minutesText(minutes)}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** An exercise as the address of its sheets carries it. */
const sheetQuery = ({ exercise: { sheet, seed, world, fault, title } }: OpenRoom): string =>
  new URLSearchParams({
    sheet,
    seed: String(seed),
    world,
    title,
    ...(fault === undefined ? {} : { fault }),
  }).toString();
