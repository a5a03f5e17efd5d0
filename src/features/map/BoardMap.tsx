'use client';

import { standing, workedBy, type WorkedBy } from '@/core/log';
import { jointArea } from '@/core/intermittent';
import { Button, Select } from 'antd';
import { useMemo, useRef, useState } from 'react';
import { type JobFile, JobFrame, useJob, ofSentJob } from '@/workshop/job';
import { AttachPhoto } from '@/workshop/photo';
import { Key, timeText } from '@/ui';
import { likelyCells, placeWords, whyNotLive } from './mapModel';
import { Soak } from './Soak';
import styles from './map.module.css';

const wayTitles: Readonly<Record<WorkedBy, string>> = { press: 'Press', tap: 'Tap', heat: 'Heat', chill: 'Chill' };
const answers = ['nothing', 'a flicker', 'comes and goes', 'every time'] as const;
const step = 0.02;

/** Where an intermittent answers to stick, knuckle, heat and cold; photographs; the soak. */
export const BoardMap = ofSentJob(function BoardMap({ file, simulated }: { file: JobFile; simulated: boolean }) {
  const { log, job } = useJob(file);
  const { sheet } = file;
  const { bench } = job;
  const boards = [...sheet.boards.values()].filter(({ id }) => id !== 'outside');
  const [board, setBoard] = useState(boards[0]?.id ?? '');
  const [way, setWay] = useState<WorkedBy>('press');
  const [at, setAt] = useState({ x: 0.5, y: 0.5 });
  const [refused, setRefused] = useState<string>();
  const surface = useRef<HTMLDivElement>(null);

  const worked = useMemo(
    () => standing(log.entries, 'worked').filter(({ body }) => body.board === board),
    [log.entries, board],
  );
  const area = useMemo(() => jointArea(worked.map(({ body }) => body)), [worked]);
  const likely = useMemo(() => (area ? likelyCells(area) : []), [area]);
  const photos = useMemo(() => standing(log.entries, 'photo'), [log.entries]);
  const photo = photos.findLast(({ body }) => body.board === board);

  const off = whyNotLive(bench);
  const record = (answer: number) => {
    setRefused(off);
    if (off !== undefined) return;
    log.record([{ body: { kind: 'worked', board, ...at, by: way, answer: answer as 0 | 1 | 2 | 3 } }]);
  };
  const takeBack = () => {
    const last = worked[worked.length - 1];
    if (last) log.takeBack(last.entry.id);
  };
  const move = (dx: number, dy: number) =>
    setAt(({ x, y }) => ({ x: Math.min(1, Math.max(0, x + dx)), y: Math.min(1, Math.max(0, y + dy)) }));
  const onKey = (event: React.KeyboardEvent) => {
    const steps: Readonly<Record<string, readonly [number, number]>> = {
      ArrowLeft: [-step, 0],
      ArrowRight: [step, 0],
      ArrowUp: [0, -step],
      ArrowDown: [0, step],
    };
    const ways: Readonly<Record<string, WorkedBy>> = { p: 'press', t: 'tap', h: 'heat', c: 'chill' };
    const moved = steps[event.key];
    const chosen = ways[event.key.toLowerCase()];
    if (event.altKey || event.ctrlKey || event.metaKey) return;
    if (moved) move(...moved);
    else if (chosen) setWay(chosen);
    else if (/^[0-3]$/.test(event.key)) record(Number(event.key));
    else if (event.key === 'Backspace') takeBack();
    else return;
    event.preventDefault();
  };
  return (
    <JobFrame file={file} log={log} bench={bench}>
      <div className={styles.page}>
        <section className={styles.board} aria-label="The board">
          <header>
            <h1>Where it answers</h1>
            <Select
              aria-label="Board"
              value={board}
              options={boards.map(({ id, title }) => ({ value: id, label: title }))}
              onChange={setBoard}
            />
            <AttachPhoto
              job={file.id}
              onKept={({ id, name }) => log.record([{ body: { kind: 'photo', photo: id, board, title: name } }])}
              onRefused={setRefused}
            />
          </header>
          {refused !== undefined && (
            <p role="alert" className="bad">
              {refused}
            </p>
          )}
          <div
            ref={surface}
            className={styles.surface}
            tabIndex={0}
            role="application"
            aria-label={`${sheet.boards.get(board)?.title ?? 'Board'}: arrows move, 0 to 3 say how it answers`}
            onKeyDown={onKey}
            onPointerDown={(event) => {
              const box = event.currentTarget.getBoundingClientRect();
              setAt({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
            }}
          >
            {photo && (
              // A photograph of the job, from this server; nothing for an image optimiser.
              // eslint-disable-next-line @next/next/no-img-element
              <img
                src={`/api/jobs/${file.id}/photos/${photo.body.photo}`}
                alt={photo.body.title}
                data-testid="board-photo"
              />
            )}
            <svg viewBox="0 0 1 1" preserveAspectRatio="none" aria-hidden>
              {likely.map(({ x, y, share }) => (
                <rect
                  key={`${x} ${y}`}
                  className={styles.likely}
                  x={x}
                  y={y}
                  width={1 / area!.columns}
                  height={1 / area!.rows}
                  opacity={0.7 * share}
                />
              ))}
            </svg>
            {worked.map(({ entry, body }) => (
              <span
                key={entry.id}
                className={styles.mark}
                data-answer={body.answer}
                style={{ left: `${body.x * 100}%`, top: `${body.y * 100}%` }}
                title={`${wayTitles[body.by]}: ${answers[body.answer]}`}
              >
                {body.answer}
              </span>
            ))}
            <span className={styles.cursor} style={{ left: `${at.x * 100}%`, top: `${at.y * 100}%` }} />
          </div>
          <footer>
            {workedBy.map((one) => (
              <Button key={one} type={one === way ? 'primary' : 'default'} onClick={() => setWay(one)}>
                {wayTitles[one]} <Key>{one[0]!.toUpperCase()}</Key>
              </Button>
            ))}
            <span className={styles.answers}>
              {answers.map((words, answer) => (
                <Button key={words} onClick={() => record(answer)}>
                  <Key>{String(answer)}</Key> {words}
                </Button>
              ))}
            </span>
          </footer>
        </section>
        <aside className={styles.side}>
          <section aria-label="Likely area">
            <h2 className="label">Likely area</h2>
            {area ? (
              <p className={styles.area} data-testid="joint-area">
                {placeWords(area.x, area.y)}: half the chance lies within{' '}
                <b className="figure">{Math.round(area.radius * 100)} %</b> of the board’s width about it, by{' '}
                {worked.length} {worked.length === 1 ? 'try' : 'tries'}.
              </p>
            ) : (
              <p className="soft">
                Click a place or move with the arrows, then say how it answers. Insulated stick, one hand, never alone.
              </p>
            )}
            <Button onClick={takeBack} disabled={worked.length === 0}>
              Take back <Key>⌫</Key>
            </Button>
          </section>
          <Soak {...{ file, log, job, simulated, off }} />
          {photos.length > 0 && (
            <section aria-label="Photographs">
              <h2 className="label">Photographs</h2>
              <ul data-testid="photos">
                {photos.map(({ entry, body }) => (
                  <li key={entry.id}>
                    <a href={`/api/jobs/${file.id}/photos/${body.photo}`} target="_blank" rel="noreferrer">
                      {body.title}
                    </a>{' '}
                    <span className="soft" suppressHydrationWarning>
                      {sheet.boards.get(body.board)?.title}, {timeText(entry.at)}
                    </span>
                  </li>
                ))}
              </ul>
            </section>
          )}
        </aside>
      </div>
    </JobFrame>
  );
});
