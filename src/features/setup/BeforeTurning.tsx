import { type ReactNode } from 'react';
import { standing } from '@/core/log';
import { type WalkAsks } from '@/core/setup';
import { type JobLog } from '@/workshop/job';
import { AttachPhoto } from '@/workshop/photo';
import styles from './setup.module.css';

interface BeforeTurningProps {
  readonly job: string;
  readonly log: JobLog;
  readonly asks: Extract<WalkAsks, { do: 'turn' }>;
  /** What else may be done at this turn. */
  readonly children: ReactNode;
  onRefused(message: string | undefined): void;
}

/** Before a control is turned for the first time, where it stands is worth a photograph. */
export function BeforeTurning({ job, log, asks, children, onRefused }: BeforeTurningProps) {
  const { control, check } = asks.row;
  const board = check.point?.board;
  const title = `${control} before it was turned`;
  const turned = standing(log.entries, 'turned').some(
    ({ body }) => body.control.toLowerCase() === control.toLowerCase(),
  );
  const kept = standing(log.entries, 'photo').some(({ body }) => body.title === title);
  return (
    <div className={styles.turning}>
      {!turned && board !== undefined && (
        <AttachPhoto
          job={job}
          title={kept ? 'Photograph is kept' : `Photograph ${control} as it stands`}
          onKept={({ id }) => log.record([{ body: { kind: 'photo', photo: id, board, title } }])}
          onRefused={onRefused}
        />
      )}
      {children}
      <small>
        Where you counted the turn, add it: <span className="figure">184.9 1/8</span>, or{' '}
        <span className="figure">-1/8</span> the other way
      </small>
    </div>
  );
}
