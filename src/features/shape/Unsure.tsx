import { certain, type Crossing } from '@/core/crosshatch';
import { Key } from '@/ui';

interface UnsureProps {
  readonly crossings: readonly Crossing[];
  /** How many were put in their places by hand. */
  readonly moved: number;
  onTakeBack(): void;
}

/** How many crossings are not sure, and that any of them may be dragged to where it is. */
export function Unsure({ crossings, moved, onTakeBack }: UnsureProps) {
  const unsure = crossings.filter(({ certainty }) => certainty < certain).length;
  return (
    <p className="soft" data-testid="unsure">
      {unsure === 0
        ? 'Every crossing is sure.'
        : `${unsure} of ${crossings.length} crossings are not sure (✕) and are left out.`}{' '}
      One that is wrong is dragged to where it is, or moved by arrow keys.
      {moved > 0 && (
        <>
          {' '}
          {moved} moved.{' '}
          <button type="button" className="press" onClick={onTakeBack}>
            Take the last back <Key>Alt Z</Key>
          </button>
        </>
      )}
    </p>
  );
}
