'use client';

import Link from 'next/link';
import { useCallback, useRef, useState } from 'react';
import { type DrawnDrill, type Skill, skills } from '@/core/practice';
import { Bar, useDraft } from '@/ui';
import { drillsOf } from './actions';
import { DrillCard } from './DrillCard';
import styles from './practice.module.css';
import { Sureness } from './Sureness';
import {
  abilitiesOf,
  abilityText,
  chosenOf,
  type Given,
  givenTo,
  readGiven,
  shareOf,
  skillInTurn,
  withGiven,
} from './practiceModel';

const titles: Readonly<Record<Skill, string>> = {
  parts: 'Parts and their marks',
  instruments: 'What a reading proves',
  circuits: 'Volts in a stage',
  pictures: 'Reading pictures and lights',
  isolating: 'What to measure next',
  safety: 'The state of the set',
};

/** Drills of a skill, as the server draws them. */
const drawn = (skill: Skill) =>
  drillsOf(skill, Math.floor(Math.random() * 2 ** 31)).catch(() => ({
    refused: 'The server is away: nothing is lost.',
  }));

/** What will be asked next. */
interface Ahead {
  readonly skill: Skill;
  readonly drills: ReturnType<typeof drawn>;
}

/** Drills of seconds, made anew each time; what one can is kept in this browser and nowhere in the shop. */
export function Practice({ first }: { readonly first: DrawnDrill }) {
  const { draft, keep } = useDraft('practice');
  const [own, setOwn] = useState<readonly Given[]>();
  const given = own ?? readGiven(draft);
  const [only, setOnly] = useState<Skill>();
  const [drill, setDrill] = useState<DrawnDrill | undefined>(first);
  /** Counts drills: each has a card of its own. */
  const [turn, setTurn] = useState(0);
  const [refused, setRefused] = useState<string>();
  /** What was drawn while an answer was read. */
  const ahead = useRef<Ahead>(undefined);
  const next = useCallback(async (wanted: Skill | undefined, known: readonly Given[]) => {
    const skill = wanted ?? skillInTurn(known);
    const drills = ahead.current?.skill === skill ? ahead.current.drills : drawn(skill);
    ahead.current = undefined;
    const answer = await drills;
    if ('refused' in answer) return setRefused(answer.refused);
    setRefused(undefined);
    setDrill(chosenOf(answer.done, skill, known));
    setTurn((now) => now + 1);
  }, []);
  const answered = (right: boolean) => {
    if (!drill) return;
    const now = withGiven(given, givenTo(drill, right, Date.now()));
    setOwn(now);
    keep(JSON.stringify(now));
    const skill = only ?? skillInTurn(now);
    ahead.current = { skill, drills: drawn(skill) };
  };
  const abilities = abilitiesOf(given);
  return (
    <div>
      <p className={styles.band}>
        <strong>Practice</strong> Nothing of it enters the shop’s record, its counts or its shelf.
        <Link href="/practice/hunt">Hunt a hidden fault</Link>
      </p>
      <div className={styles.page}>
        <section aria-label="The drill" className={styles.now}>
          {refused !== undefined && (
            <p role="alert" className="bad">
              {refused}
            </p>
          )}
          {drill && (
            <DrillCard
              key={turn}
              drill={drill}
              title={titles[drill.skill]}
              onAnswer={answered}
              onNext={() => void next(only, given)}
            />
          )}
        </section>
        <section aria-label="What you can" className={styles.skills}>
          <h2 className="label">What you can · {given.length} answered</h2>
          <ul>
            {skills.map((skill) => (
              <li key={skill}>
                <button
                  type="button"
                  aria-pressed={only === skill}
                  onClick={() => {
                    const now = only === skill ? undefined : skill;
                    setOnly(now);
                    void next(now, given);
                  }}
                >
                  <b>{titles[skill]}</b>
                  <Bar share={abilities[skill].answers === 0 ? 0 : shareOf(abilities[skill])} tone="petrol" />
                  <small>{abilityText(abilities[skill])}</small>
                </button>
              </li>
            ))}
          </ul>
          <p className="soft">
            Press one to be asked of it alone. Otherwise it is asked what least is known of, as hard as you can just do.
            A hunt without a hint counts, too.
          </p>
          <Sureness />
        </section>
      </div>
    </div>
  );
}
