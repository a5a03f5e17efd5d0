import { type Technology } from '@/core/sheet';
import { Labelled } from '@/workshop/form';
import { type TakeInPage } from './load';
import { Choice } from '@/ui';
import styles from './take-in.module.css';

const technologyTitles: Readonly<Record<Technology, string>> = {
  'crt-colour': 'Tube, colour',
  'crt-mono': 'Tube, one colour',
  plasma: 'Plasma',
  'projection-lamp': 'Rear, lamp and wheel',
  'projection-tubes': 'Rear, three tubes',
};

interface ChooseSheetProps extends Pick<TakeInPage, 'cards' | 'done'> {
  readonly chosen: string;
  readonly busy: boolean;
  onChoose(sheet: string): void;
}

/** The chassis sheets of the shop, what it meets most often first, and those for any make. */
export function ChooseSheet({ cards, done, chosen, busy, onChoose }: ChooseSheetProps) {
  return (
    <Labelled title="What is it?">
      <div className={styles.choices} aria-busy={busy}>
        {cards
          .filter(({ generic }) => !generic)
          .map((card) => (
            <button
              key={card.id}
              type="button"
              className={styles.choice}
              aria-pressed={card.id === chosen}
              title={`${technologyTitles[card.technology]} · ${card.size}`}
              onClick={() => onChoose(card.id)}
            >
              <strong>{card.title}</strong>
              <span>{(done.get(card.id) ?? 0) > 0 ? `${done.get(card.id)} done` : ''}</span>
            </button>
          ))}
      </div>
      <p className="soft">No sheet of its own? Any make:</p>
      <div className={styles.options}>
        {cards
          .filter(({ generic }) => generic)
          .map((card) => (
            <Choice key={card.id} pressed={card.id === chosen} onPress={() => onChoose(card.id)}>
              {card.title}
            </Choice>
          ))}
      </div>
    </Labelled>
  );
}
