import { apartText } from '@/core/log';
import { type TeardownStep } from '@/core/teardown';
import styles from './apart.module.css';

interface Place {
  readonly x: number;
  readonly y: number;
}

interface MarkedPhotoProps {
  readonly job: string;
  readonly photo: string;
  readonly steps: readonly TeardownStep[];
  /** The step whose place stands out. */
  readonly next?: string;
  readonly pointed?: Place | undefined;
  readonly onPoint?: (place: Place) => void;
}

/** A photograph with the steps that are on it, by their numbers in the list. */
export function MarkedPhoto({ job, photo, steps, next, pointed, onPoint }: MarkedPhotoProps) {
  return (
    <div
      className={styles.picture}
      data-points={onPoint ? '' : undefined}
      onPointerDown={(event) => {
        const box = event.currentTarget.getBoundingClientRect();
        onPoint?.({ x: (event.clientX - box.left) / box.width, y: (event.clientY - box.top) / box.height });
      }}
    >
      {/* A photograph of the job, from this server; nothing for an image optimiser. */}
      {/* eslint-disable-next-line @next/next/no-img-element */}
      <img src={`/api/jobs/${job}/photos/${photo}`} alt="The set as it was taken apart" draggable={false} />
      {steps.map((step, index) =>
        step.photo === photo && step.x !== undefined && step.y !== undefined ? (
          <span
            key={step.id}
            data-next={step.id === next ? '' : undefined}
            data-back={step.back === undefined ? undefined : ''}
            style={{ left: `${step.x * 100}%`, top: `${step.y * 100}%` }}
            title={apartText(step)}
          >
            {index + 1}
          </span>
        ) : null,
      )}
      {pointed && (
        <span data-next="" style={{ left: `${pointed.x * 100}%`, top: `${pointed.y * 100}%` }}>
          {steps.length + 1}
        </span>
      )}
    </div>
  );
}
