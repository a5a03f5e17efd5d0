'use client';

import { Button, InputNumber } from 'antd';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { replay } from '@/core/log';
import { type Band, partText, placeBand, stepsFor } from '@/core/screen';
import { type JobFile, JobFrame, useLog, ofSentJob } from '@/workshop/job';
import { EmptyState, Key, sound, useDraft } from '@/ui';
import { bandText, countsFrom, type Direction, driversOf, linesOfBand } from './bandModel';
import { ScreenPointer } from './ScreenPointer';
import styles from './band.module.css';

/** A press without a stretch is a line this thin, as a share of the screen. */
const hairline = 0.0005;

const directions: readonly (readonly [Direction, string])[] = [
  ['rows', 'Across: rows'],
  ['columns', 'Upright: columns'],
];

/** Where a band lies on the screen, and which board, ribbon and outputs that is. */
export const BandPage = ofSentJob(function BandPage({ file }: { file: JobFile }) {
  const log = useLog(file);
  const { sheet } = file;
  const bench = useMemo(() => replay(log.entries, [...sheet.stores.keys()]), [log.entries, sheet]);
  const [drives, setDrives] = useState<Direction>('rows');
  const { draft, keep } = useDraft(`band-${sheet.id}-${drives}`);
  const [typed, setTyped] = useState<string>();
  const counts = countsFrom(typed ?? draft);
  const drivers = driversOf(sheet.drivers, drives, counts);
  const [drawn, setDrawn] = useState<Band>();
  const band = drawn && { from: drawn.from, to: Math.max(drawn.to, drawn.from + hairline) };
  const parts = band ? placeBand(band, drivers) : [];
  const live = bench.context.power === 'live';
  const closed = file.closedAt !== null;
  const [told, setTold] = useState<string>();
  const ready = band !== undefined && parts.length > 0 && live && !closed;
  const record = () => {
    if (!ready) return;
    log.record(linesOfBand(band, parts, drives, drivers, bench).map((body) => ({ body })));
    sound('high');
    setTold(`Recorded: ${bandText(band, parts)}.`);
  };
  useHotkeys('alt+k', record, { enableOnFormTags: true, preventDefault: true });
  const count = (lines: number, ribbons: number) => {
    setTyped(`${lines} ${ribbons}`);
    keep(`${lines} ${ribbons}`);
  };
  const turn = (next: Direction) => {
    setDrives(next);
    setTyped(undefined);
    setDrawn(undefined);
  };
  const draw = (next: Band) => {
    setDrawn(next);
    setTold(undefined);
  };
  if (sheet.drivers.length === 0)
    return (
      <JobFrame file={file} log={log} bench={bench}>
        <EmptyState title="No board of this sheet drives rows or columns">
          Bands belong to ribbons and chips on plasma displays; this sheet describes none.
        </EmptyState>
      </JobFrame>
    );
  const [first] = drivers;
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.page}>
        <section aria-label="The screen" className={styles.screen}>
          <h1>Where does the band lie?</h1>
          <div className={styles.edges}>
            {directions.map(([direction, title]) => (
              <Button
                key={direction}
                type={drives === direction ? 'primary' : 'default'}
                aria-pressed={drives === direction}
                onClick={() => turn(direction)}
              >
                {title}
              </Button>
            ))}
          </div>
          <ScreenPointer drives={drives} drivers={drivers} band={band} onBand={draw} />
          <div className={styles.edges}>
            <Percent
              label="begins at"
              value={band?.from}
              onShare={(from) => draw({ from, to: Math.max(from, band?.to ?? from) })}
            />
            <Percent
              label="ends at"
              value={band?.to}
              onShare={(to) => draw({ from: Math.min(to, band?.from ?? to), to })}
            />
            <span className="soft">
              {drives === 'rows' ? 'percent of the height, from the top' : 'percent of the width, from the left'}
            </span>
          </div>
          {first && (
            <div className={styles.edges}>
              <label>
                <span className="label">ribbons a board</span>
                <InputNumber
                  min={1}
                  max={64}
                  precision={0}
                  value={first.ribbons}
                  onChange={(ribbons) => ribbons !== null && count(Math.max(first.lines, ribbons), ribbons)}
                />
              </label>
              <label>
                <span className="label">{drives} a board</span>
                <InputNumber
                  min={1}
                  max={20_000}
                  precision={0}
                  value={first.lines}
                  onChange={(lines) => lines !== null && count(lines, Math.min(first.ribbons, lines))}
                />
              </label>
              <span className="soft">count them once; they are remembered for this make and model</span>
            </div>
          )}
        </section>
        <section aria-label="What it belongs to" className={styles.found}>
          {parts.length === 0 && (
            <p className="soft">Draw on the screen from where the band begins to where it ends.</p>
          )}
          <ul data-testid="band-parts">
            {parts.map((part) => (
              <li key={part.driver.id}>
                <h2>
                  {part.driver.title}: {partText(part)}
                </h2>
                <ol>
                  {stepsFor(part).map((step) => (
                    <li key={step}>{step}</li>
                  ))}
                </ol>
              </li>
            ))}
          </ul>
          {parts.length > 0 && (
            <>
              <Button type="primary" disabled={!ready} onClick={record}>
                Tell the bench <Key>Alt K</Key>
              </Button>
              {!live && (
                <p className="soft">
                  A picture is seen on a live set, and this one is marked unplugged: Alt P when power is on.
                </p>
              )}
              <p>
                <Link href={`/job/${file.id}/compare`} className="press">
                  Compare its pads
                </Link>
              </p>
            </>
          )}
          {told !== undefined && <p role="status">{told}</p>}
        </section>
      </div>
    </JobFrame>
  );
});

interface PercentProps {
  readonly label: string;
  readonly value: number | undefined;
  onShare(share: number): void;
}

function Percent({ label, value, onShare }: PercentProps) {
  return (
    <label>
      <span className="label">{label}</span>
      <InputNumber
        min={0}
        max={100}
        step={0.5}
        value={value === undefined ? null : Number((value * 100).toFixed(1))}
        onChange={(percent) => percent !== null && onShare(percent / 100)}
      />
    </label>
  );
}
