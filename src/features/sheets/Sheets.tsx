import { type SheetCard } from '@/workshop/library/server';
import Link from 'next/link';
import styles from './sheets.module.css';

const groups = [
  { title: 'The shop’s own', fits: (card: SheetCard) => card.own },
  { title: 'Chassis', fits: (card: SheetCard) => !card.own && !card.generic },
  { title: 'Any make', fits: (card: SheetCard) => !card.own && card.generic },
] as const;

/** The first sentence of a summary; that a sheet is generic its heading says already. */
function inShort(summary: string): string {
  const sentence = summary.replace(/^Generic: /, '').split(/(?<=\.) /)[0]!;
  return sentence.charAt(0).toUpperCase() + sentence.slice(1);
}

/** All sheets, each to be opened or taken as the base of one of your own. */
export function Sheets({ cards }: { cards: readonly SheetCard[] }) {
  return (
    <div className={styles.page}>
      <h1 className={styles.heading}>Chassis sheets</h1>
      <p className="soft">
        A sheet tells how a kind of set is built, how it fails and where to measure it. Take one as a base and write
        down only what differs.
      </p>
      {groups.map(({ title, fits }) => {
        const own = cards.filter(fits);
        return own.length === 0 ? null : (
          <section key={title} aria-label={title}>
            <h2 className="label">{title}</h2>
            <ul className={styles.list}>
              {own.map((card) => (
                <li key={card.id}>
                  <Link href={`/sheets/${card.id}`}>
                    <strong>{card.title}</strong> <span className="soft">{card.size}</span>
                  </Link>
                  <span className={card.broken === undefined ? styles.summary : 'bad'}>
                    {card.broken ?? inShort(card.summary)}
                  </span>
                  <Link href={`/sheets/${card.id}?adopt=1`} className={styles.adopt}>
                    Base a sheet on it
                  </Link>
                </li>
              ))}
            </ul>
          </section>
        );
      })}
    </div>
  );
}
