'use client';

import { Button, Select } from 'antd';
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { standingOf } from '@/core/circuit';
import { formatQuantity } from '@/core/quantity';
import { Bar, chanceText, Key, OpenFile, useDraft, VerdictMark } from '@/ui';
import { StageRanker, type StageSuspect } from '@/workers/circuit';
import { LadderView } from './LadderView';
import { faultWords, modelOf, readStageReading, type StageModel } from './stageModel';
import styles from './stage.module.css';

/** A stage to start from. */
export interface Stage {
  readonly id: string;
  readonly title: string;
  readonly text: string;
}

/** Inside a stage: where every node should stand, what was measured, and the part that explains it. */
export function StageDesk({ stages }: { stages: readonly Stage[] }) {
  const [text, setText] = useState(stages[0]?.text ?? '');
  const [open, setOpen] = useState(false);
  const [readings, setReadings] = useState<ReadonlyMap<string, number>>(new Map());
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const [shown, setShown] = useState<string>();
  const [ranked, setRanked] = useState<{ readonly key: string; readonly suspects: readonly StageSuspect[] }>();
  const ranker = useRef<StageRanker>(undefined);
  const input = useRef<HTMLInputElement>(null);

  const { draft, keep } = useDraft('stage-text');
  const edit = (next: string) => {
    setText(next);
    keep(next);
  };
  const settled = useDeferredValue(text);
  const model = useMemo(() => modelOf(settled), [settled]);
  // While a text cannot be read, the ladder of the last good one stands.
  const [last, setLast] = useState<StageModel>();
  if (typeof model !== 'string' && model !== last) setLast(model);
  const drawn = typeof model === 'string' ? last : model;

  const known = useMemo(() => new Map([...readings].filter(([node]) => drawn?.volts.has(node))), [readings, drawn]);
  const key = `${settled}@${JSON.stringify([...known])}`;
  const solvable = typeof model !== 'string';
  useEffect(() => {
    if (!solvable || known.size === 0) return;
    ranker.current ??= new StageRanker();
    ranker.current.rank(settled, known, (suspects) => setRanked({ key, suspects }));
  }, [solvable, settled, known, key]);
  useEffect(() => () => ranker.current?.close(), []);
  const suspects = ranked?.key === key ? ranked.suspects : [];
  const looked = suspects.find(({ fault }) => faultWords(fault) === shown);

  const record = () => {
    if (!drawn || line.trim() === '') return;
    const read = readStageReading(line, drawn);
    if (typeof read === 'string') return setMessage(read);
    setReadings(new Map(readings).set(read.node, read.volts));
    setMessage(undefined);
    setLine('');
  };
  useHotkeys('alt+n', () => setOpen((was) => !was), { enableOnFormTags: true, preventDefault: true });
  useHotkeys('alt+z', () => setReadings(new Map([...readings].slice(0, -1))), {
    enableOnFormTags: true,
    preventDefault: true,
  });

  return (
    <div className={styles.desk} data-open={open || undefined}>
      {open && (
        <section className={styles.text} aria-label="The stage as text">
          <Select
            aria-label="Stage"
            placeholder="Start from a stage that ships"
            value={stages.find((stage) => stage.text === text)?.id ?? null}
            options={stages.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(id: string) => {
              edit(stages.find((stage) => stage.id === id)!.text);
              setReadings(new Map());
            }}
          />
          <OpenFile accept=".cir,.net,.txt,.sp" onText={edit} onRefused={setMessage} />
          {draft !== null && draft !== text && stages.some((stage) => stage.text === text) && (
            <p role="note">
              What you typed before is kept here. <Button onClick={() => edit(draft)}>Go on with it</Button>
            </p>
          )}
          <textarea
            className="figure source"
            value={text}
            spellCheck={false}
            aria-label="Netlist"
            onChange={(event) => edit(event.target.value)}
          />
        </section>
      )}
      <section className={styles.drawing} aria-label="The stage">
        <header>
          <h1>{settled.split('\n')[0]!.replace(/^\*\s*/, '') || 'Stage'}</h1>
          <span className="soft">Each rung stands at the volts it should have; marks are what you measured</span>
        </header>
        {typeof model === 'string' && (
          <p role="alert" className="bad">
            {model}
          </p>
        )}
        {drawn && (
          <LadderView
            ladder={drawn.ladder}
            measured={known}
            predicted={looked?.volts}
            suspect={looked?.fault.ref ?? suspects[0]?.fault.ref}
          />
        )}
      </section>
      <aside className={styles.side}>
        <label className={styles.entry}>
          <span className="label">A node and its volts</span>
          <input
            ref={input}
            className="figure"
            value={line}
            autoFocus
            autoComplete="off"
            maxLength={80}
            placeholder="kg 61.3"
            aria-label="A node and its volts"
            onChange={(event) => {
              setLine(event.target.value);
              setMessage(undefined);
            }}
            onKeyDown={(event) => event.key === 'Enter' && record()}
          />
        </label>
        {message !== undefined && (
          <p role="alert" className="bad">
            {message}
          </p>
        )}
        <ul className={styles.readings} aria-label="Readings">
          {[...known].reverse().map(([node, volts]) => {
            const expected = drawn!.volts.get(node)!;
            return (
              <li key={node}>
                <VerdictMark mark={standingOf(volts, expected)} /> <b>{node}</b>
                <span className="figure">{formatQuantity(volts, 'V', 4)}</span>
                <span className="figure soft">{formatQuantity(expected, 'V', 4)}</span>
              </li>
            );
          })}
        </ul>
        <h2 className="label">
          {known.size === 0
            ? 'Type what you measure: the part that explains it is named here'
            : `What explains ${known.size === 1 ? 'this reading' : `these ${known.size} readings`}`}
        </h2>
        <ul className={styles.suspects} data-testid="stage-suspects">
          {suspects
            .filter(({ probability }, index) => index === 0 || probability >= 0.005)
            .map(({ fault, probability, group }) => {
              const words = faultWords(fault);
              return (
                <li key={words} data-ref={fault.ref} data-group={group}>
                  <button
                    type="button"
                    aria-pressed={shown === words}
                    onClick={() => setShown(shown === words ? undefined : words)}
                    title="Show the ladder this fault would give"
                  >
                    <span>{words}</span> <span className="figure">{chanceText(probability)}</span>
                    <Bar share={probability} />
                  </button>
                </li>
              );
            })}
        </ul>
        <p className="soft">
          Resistors are taken within 3 %, the meter within 0.5 %. Local codes and licensed practice come first.
        </p>
        <div className={styles.keys}>
          <Button onClick={() => setOpen(!open)}>
            Netlist text <Key>Alt N</Key>
          </Button>
          <Button onClick={() => setReadings(new Map([...readings].slice(0, -1)))} disabled={known.size === 0}>
            Take back <Key>Alt Z</Key>
          </Button>
        </div>
      </aside>
    </div>
  );
}
