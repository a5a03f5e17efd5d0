import { type Alignment } from '@/core/tracing';
import { Key } from '@/ui';

/** Holes that lie further apart than this share of the width are hardly the same. */
const muchApart = 0.004;

/** By which holes one photograph lies on the other, and how well they agree; nothing where four say all there is. */
export function LaidBy({ alignment: { holes, apart, leftOut } }: { readonly alignment: Alignment }) {
  if (apart === undefined) return null;
  return (
    <p className="soft">
      {holes} holes of both photographs lie {(100 * apart).toFixed(2)} % of the width apart on average.{' '}
      {leftOut > 0 &&
        `${leftOut} that you showed ${leftOut === 1 ? 'lies' : 'lie'} further apart, by all the others, and ${leftOut === 1 ? 'is' : 'are'} left out.`}
      {leftOut === 0 && apart > muchApart && (
        <>
          One of them may be another hole: <Key>Alt Z</Key> takes the last one back.
        </>
      )}
    </p>
  );
}
