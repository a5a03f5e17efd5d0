import { type Outlook } from '@/core/diagnosis';
import { pictureCaution } from '@/core/safety';
import { Bar, chanceText, minutesText, moneyText } from '@/ui';
import { type ToldComplaint } from './useComplaint';
import styles from './take-in.module.css';

interface OutlookViewProps {
  readonly complaint: ToldComplaint;
  /** Undefined until it is worked out. */
  readonly outlook: Outlook | undefined;
  readonly value: number;
  readonly limit: number;
  readonly currency: string;
}

interface JudgementProps extends Omit<OutlookViewProps, 'complaint'> {
  readonly told: boolean;
  readonly outlook: Outlook;
}

/** What the complaint points at, and whether the set is worth the work. */
export function OutlookView({ complaint, outlook, value, limit, currency }: OutlookViewProps) {
  const { told } = complaint;
  const { symptoms } = complaint.complaint;
  const caution = pictureCaution(symptoms);
  return (
    <>
      <h2 className="label">It points at</h2>
      {caution !== undefined && <p className={styles.caution}>{caution}</p>}
      {outlook ? (
        <Judgement told={told} outlook={outlook} value={value} limit={limit} currency={currency} />
      ) : (
        <p className={`soft ${styles.thinking}`}>Going through what such sets do …</p>
      )}
    </>
  );
}

/** The blocks it may be, what this shop met, and the money. */
function Judgement({ told, outlook, value, limit, currency }: JudgementProps) {
  const money = (amount: number) => <b className="figure">{moneyText(amount, currency)}</b>;
  return (
    <>
      <ul className={styles.blocks}>
        {outlook.blocks.slice(0, told ? 4 : 5).map((block) => (
          <li key={block.block}>
            <div>
              <strong>{block.title}</strong>
              <span className="figure">{chanceText(block.chance)}</span>
            </div>
            <Bar share={block.chance} />
            {told && <p className="soft">most likely {block.most}</p>}
          </li>
        ))}
      </ul>
      {told && outlook.met && (
        <div className={styles.worth}>
          <strong>In this shop</strong>
          <p>
            {outlook.met.count} of {outlook.met.of} such sets: {outlook.met.title}.
          </p>
        </div>
      )}
      <div className={styles.worth}>
        <strong>Worth it?</strong>
        <p>
          Value {money(value)}, limit {money(limit)}. Parts about {money(Math.round(outlook.money))}, nine in ten under{' '}
          {money(Math.ceil(outlook.moneyMost))}; {minutesText(outlook.minutes)} of bench time. Its boards would fetch{' '}
          {money(outlook.boards)}.
        </p>
        {outlook.moneyMost > limit && told && <p className="bad">Parts may pass the limit.</p>}
      </div>
    </>
  );
}
