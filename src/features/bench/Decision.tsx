import { Button } from 'antd';
import Link from 'next/link';
import { type Briefed, foundFirst } from '@/core/diagnosis';
import { type Sheet } from '@/core/sheet';
import { chanceText, Key, minutesText, moneyText } from '@/ui';
import { type JobFile } from '@/workshop/job';
import styles from './bench.module.css';

interface DecisionProps {
  readonly briefed: Briefed;
  readonly file: Pick<JobFile, 'id' | 'value' | 'limit' | 'currency' | 'hourlyRate'>;
  readonly sheet: Sheet;
  readonly spent: number;
}

/** Act now or test once more, with what each would bring. */
export function Decision({ briefed, file, sheet, spent }: DecisionProps) {
  const { id: job, limit, currency } = file;
  const [repair] = briefed.repairs;
  const [probe] = briefed.probes;
  if (briefed.next === 'verify') {
    return (
      <section className={styles.decision} data-next="verify">
        <h2>Verify the repair</h2>
        <p>
          What was done cures it with <b className="figure">{chanceText(briefed.curedChance)}</b> by the readings so
          far.{' '}
          {briefed.switchings > 0
            ? 'What was wrong reads right again; what comes and goes may only be away.'
            : 'Measure again what was wrong.'}
        </p>
        <Link href={`/job/${job}/repair`}>
          <Button type="primary" ghost>
            Measure before and after <Key>Alt R</Key>
          </Button>
        </Link>
      </section>
    );
  }
  if (!repair) return null;
  const bad = foundFirst(briefed);
  const beyond = spent + repair.action.money > limit;
  return (
    <section className={styles.decision} data-next={briefed.next}>
      <header>
        <h2>{bad ? 'Put right first' : briefed.next === 'act' ? 'Act now' : 'Act or test once more?'}</h2>
        <Link href={`/job/${job}/repair`}>
          <Button type="primary" ghost={briefed.next !== 'act'}>
            Plan the repair <Key>Alt R</Key>
          </Button>
        </Link>
      </header>
      {bad && (
        <p>
          {bad.action}:{' '}
          <b className="figure">
            {moneyText(bad.money, currency)} · {minutesText(bad.minutes)}
          </b>
          , found bad, whatever else is.
        </p>
      )}
      <p>
        {bad && 'If that is not the cure: '}
        {repair.action.title}:{' '}
        <b className="figure">
          {moneyText(repair.action.money, currency)} · {minutesText(repair.minutes)}
        </b>
        , cures it with <b className="figure">{chanceText(repair.chance)}</b>.{' '}
        {probe && briefed.next === 'probe' ? (
          <>
            One more test first saves <b className="figure">{Math.max(1, Math.round(probe.saves))} min</b> on average.
          </>
        ) : (
          'No test left is worth its minutes.'
        )}
      </p>
      <Worth briefed={briefed} file={file} sheet={sheet} />
      {beyond && <p className="bad">With that, parts pass the limit of {moneyText(limit, currency)}.</p>}
    </section>
  );
}

/** Whether going on pays, against taking the set apart for its boards. */
function Worth({ briefed, file, sheet }: Pick<DecisionProps, 'briefed' | 'file' | 'sheet'>) {
  const probing = briefed.next === 'probe' ? (briefed.probes[0]?.saves ?? 0) : 0;
  // Minutes already hold the money for parts, at the shop's rate.
  const ahead = ((briefed.repairNow - Math.max(0, probing)) / 60) * file.hourlyRate;
  const likeliest = briefed.suspects[0];
  const ruined = likeliest && sheet.parts.get(likeliest.fault.part)?.board;
  const boards = [...sheet.boards.values()].reduce((sum, { id, value }) => (id === ruined ? sum : sum + value), 0);
  const strips = boards > file.value - ahead;
  return (
    <p className={strips ? 'bad' : 'soft'}>
      Going on costs about <b className="figure">{moneyText(Math.round(ahead), file.currency)}</b> of its{' '}
      <b className="figure">{moneyText(file.value, file.currency)}</b>; its good boards would fetch{' '}
      <b className="figure">{moneyText(boards, file.currency)}</b>
      {strips ? ': stripping it pays more.' : '.'}
    </p>
  );
}
