import { chanceText, moneyText } from '@/ui';
import { type OwnHand, type PartOrBoard } from '@/core/kit';

interface PartOrBoardLineProps {
  readonly weighed: PartOrBoard;
  readonly hand: OwnHand;
  readonly currency: string;
}

/** What the part first costs on average against another board at once, and on what that rests. */
export function PartOrBoardLine({ weighed: { title, part, board, harm }, hand, currency }: PartOrBoardLineProps) {
  const money = (value: number) => moneyText(Math.round(value * 100) / 100, currency);
  const isPart = part.cost <= board.cost;
  const [cheaper, dearer] = isPart ? [part.cost, board.cost] : [board.cost, part.cost];
  return (
    <p className="soft" role="note" aria-label="Part or board">
      <b>{isPart ? 'The part first' : 'The board at once'}</b>, <b className="figure">{money(cheaper)}</b> all told;{' '}
      {isPart ? `another ${title.toLowerCase()}` : 'the part first'} <span className="figure">{money(dearer)}</span>.
      Soldering harms with <span className="figure">{chanceText(harm)}</span>
      {hand.done > 0 ? ` (${hand.spoiled} of your ${hand.done} spoiled)` : ', a guess'}.
    </p>
  );
}
