import { type Sheet } from '@/core/sheet';
import { Choice } from './Choice';

interface OwnBlockProps {
  readonly sheet: Pick<Sheet, 'boards' | 'blocks'>;
  readonly title: string;
  /** The title it has where none is typed. */
  readonly proposed: string;
  readonly board: string;
  readonly user: string | undefined;
  onTitle(title: string): void;
  onBoard(board: string): void;
  onUser(block: string | undefined): void;
}

/** A block for a rail that the sheet does not know: what it is called, where it is and what it feeds. */
export function OwnBlock({ sheet, title, proposed, board, user, onTitle, onBoard, onUser }: OwnBlockProps) {
  return (
    <p>
      The block is called{' '}
      <input
        className="field"
        aria-label="Title of the block"
        value={title}
        placeholder={proposed}
        maxLength={60}
        onChange={(event) => onTitle(event.target.value)}
      />{' '}
      is on <Choice label="Board of the block" value={board} options={sheet.boards.values()} onChoose={onBoard} /> and
      feeds{' '}
      <Choice
        label="Block that it feeds"
        value={user ?? ''}
        options={[{ id: '', title: 'nobody knows what' }, ...sheet.blocks.values()]}
        onChoose={(id) => onUser(id || undefined)}
      />
    </p>
  );
}
