'use client';

import { Button, Select } from 'antd';
import Link from 'next/link';
import { useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { attempt, instruments, Refusal } from '@/core/quantity';
import { Key, LineEntry } from '@/ui';
import { type ShippedStage } from '@/sheets/stages';
import { readStageReading } from './stageModel';
import { StageDrawing } from './StageDrawing';
import { StageReadings } from './StageReadings';
import { NextReadingCard, StageSuspects } from './StageSuspects';
import { StageText } from './StageText';
import { type InsideOfJob, useStage } from './useStage';
import styles from './stage.module.css';

const meterPercent = instruments.multimeter.share * 100;
/** More of what was passed over in a netlist is not listed beside it. */
const mostNotes = 4;

interface StageScreenProps {
  readonly stages: readonly ShippedStage[];
  /** The stage shown at first. */
  readonly first?: string | undefined;
  /** The block of a job's set that is looked into; it comes before any other stage. */
  readonly inside?: InsideOfJob | undefined;
}

const hotkeys = { enableOnFormTags: true, preventDefault: true } as const;

/** Inside a stage: where every node should stand, what was measured, and the part that explains it. */
export function StageScreen({ stages, first, inside }: StageScreenProps) {
  const stage = useStage(stages, first, inside);
  const { text, settled, atJob, refused, drawn, taken, verdict, suspects } = stage;
  const [open, setOpen] = useState(false);
  const [overTime, setOverTime] = useState(false);
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const [shown, setShown] = useState<string>();
  const [glanced, setGlanced] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const looked = suspects.find(({ words }) => words === (glanced ?? shown));
  const node = verdict?.next[0]?.kind === 'node' ? verdict.next[0].node : undefined;

  const startOver = (next: string) => {
    stage.startOver(next);
    // The list keeps the focus until it has closed.
    requestAnimationFrame(() => input.current?.focus());
  };
  const record = () => {
    if (!drawn) return;
    if (line.trim() === '') {
      if (node !== undefined) setLine(`${node} `);
      return;
    }
    const read = attempt(() => readStageReading(line, drawn, atJob?.nodes));
    if (read instanceof Refusal) return setMessage(read.message);
    if (atJob?.refusal !== undefined) return setMessage(atJob.refusal);
    stage.record(read);
    setMessage(undefined);
    setLine('');
    setShown(undefined);
  };
  useHotkeys('alt+n', () => setOpen((was) => !was), hotkeys);
  useHotkeys('alt+t', () => setOverTime((was) => !was), hotkeys);
  useHotkeys('alt+z', stage.takeBack, hotkeys);
  useHotkeys(
    'alt+1,alt+2,alt+3,alt+4,alt+5',
    (event) => {
      const words = suspects[Number(event.code.replace(/\D/g, '')) - 1]?.words;
      setShown(words === shown ? undefined : words);
    },
    hotkeys,
  );

  const timed = overTime && drawn?.overTime !== undefined;
  const passedOver = drawn?.circuit.notes.slice(0, mostNotes) ?? [];
  return (
    <div className={styles.screen} data-open={open || undefined} data-band={inside ? true : undefined}>
      {open && (
        <StageText stages={stages} text={text} refused={refused} onText={stage.setText} onRefused={setMessage} />
      )}
      <section className={styles.drawing} aria-label="The stage">
        <header>
          <Select
            className={styles.choice}
            aria-label="Stage"
            showSearch
            optionFilterProp="label"
            placeholder={atJob ? `${atJob.title}, from the bench` : 'Your own text'}
            value={stages.find((stage) => stage.text === text)?.id ?? null}
            options={stages.map(({ id, title }) => ({ value: id, label: title }))}
            onChange={(id: string) => startOver(stages.find((stage) => stage.id === id)!.text)}
          />
          <h1>{settled.split('\n')[0]!.replace(/^\*\s*/, '') || 'Stage'}</h1>
          {drawn?.overTime && (
            <Button onClick={() => setOverTime(!overTime)} aria-pressed={timed}>
              {timed ? 'Volts' : 'Over time'} <Key>Alt T</Key>
            </Button>
          )}
        </header>
        {refused && (
          <p role="alert" className="bad">
            {refused.message}
          </p>
        )}
        {drawn && (
          <StageDrawing
            key={stage.begun}
            model={drawn}
            overTime={timed}
            measured={stage.volts}
            looked={looked}
            marked={looked?.leading.fault.ref ?? (taken.length > 0 ? suspects[0]?.leading.fault.ref : undefined)}
          />
        )}
      </section>
      <aside className={styles.side}>
        <span className="label">A node and its volts</span>
        <LineEntry
          ref={input}
          label="A node and its volts"
          value={line}
          placeholder={node === undefined ? 'node volts' : `${node} …`}
          maxLength={80}
          autoFocus
          message={message}
          onType={(typed) => {
            setLine(typed);
            setMessage(undefined);
          }}
          onEnter={record}
        />
        <StageReadings readings={taken} expected={drawn?.volts} />
        {verdict && <NextReadingCard next={verdict.next} />}
        <h2 className="label">{headingOf(taken.length, stage.progress)}</h2>
        <StageSuspects
          suspects={taken.length > 0 ? suspects : []}
          nothing={taken.length > 0 ? (verdict?.nothing ?? 0) : 0}
          unexplained={taken.length > 0 && verdict?.unexplained === true}
          shown={shown}
          names={atJob?.parts ?? {}}
          onShow={setShown}
          onGlance={setGlanced}
        />
        {passedOver.length > 0 && (
          <ul className={`soft ${styles.notes}`} aria-label="Passed over in the netlist">
            {passedOver.map(({ line: at, text: said }) => (
              <li key={`${at} ${said}`}>
                Line {at}: {said}.
              </li>
            ))}
          </ul>
        )}
        <p className="soft">
          Resistors are taken within 3 %, the meter within {meterPercent} %. Local codes and licensed practice come
          first.
        </p>
        <div className={styles.keys}>
          {inside && (
            <Link href={`/job/${inside.job}/bench`}>
              <Button>Back to the bench</Button>
            </Link>
          )}
          <Button onClick={() => setOpen(!open)}>
            Netlist text <Key>Alt N</Key>
          </Button>
          <Button onClick={stage.takeBack} disabled={taken.length === 0}>
            Take back <Key>Alt Z</Key>
          </Button>
        </div>
      </aside>
    </div>
  );
}

function headingOf(readings: number, progress: number | undefined): string {
  if (readings === 0) return 'Type what you measure: the part that explains it is named here';
  if (progress !== undefined && progress < 1) return `Breaking every part … ${Math.round(progress * 100)} %`;
  return readings === 1 ? 'What explains this reading' : `What explains these ${readings} readings`;
}
