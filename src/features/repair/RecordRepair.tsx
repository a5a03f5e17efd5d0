import { Button, Select } from 'antd';
import { useId, useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { setOn } from '@/core/job';
import { type OwnHand, partOrBoard } from '@/core/kit';
import { type BenchState, type BodyNamed } from '@/core/log';
import { repairRefused, swappedBoard } from '@/core/repair';
import { type Sheet } from '@/core/sheet';
import { chanceText, Key } from '@/ui';
import { AmountField, FormRefusal, Pair, ParagraphField, useAnsweredForm } from '@/workshop/form';
import { ToSetList } from '@/workshop/job';
import { Fitting } from './Fitting';
import { ForFitting } from './ForFitting';
import { PartOrBoardLine } from './PartOrBoardLine';
import { type Done, doneSchema, notesOf, type RepairChoice, toGet } from './repairModel';
import styles from './repair.module.css';

interface RecordRepairProps {
  /** Not empty. */
  readonly choices: readonly RepairChoice[];
  readonly job: string;
  readonly sheet: Sheet;
  readonly power: BenchState['context']['power'];
  readonly currency: string;
  readonly hourlyRate: number;
  readonly hand: OwnHand;
  onRecord(repair: BodyNamed<'repair'>): void;
}

/** What was done to the set: the likeliest repair, or another, with its money and minutes. */
export function RecordRepair(props: RecordRepairProps) {
  const { choices, job, sheet, power, currency, hourlyRate, hand, onRecord } = props;
  const [chosen, setChosen] = useState<string>();
  const choice = choices.find((one) => one.action.id === chosen) ?? choices[0]!;
  const { action, chance } = choice;
  const weighed = partOrBoard(choice, choices, sheet, hand, hourlyRate);
  const whyNot = useId();
  const board = swappedBoard(action.id);
  const sets = board === undefined ? [] : setOn(sheet, board);
  const impossible = repairRefused(action, power === 'live');
  const { form, refused, send } = useAnsweredForm<Done, undefined>({
    schema: doneSchema,
    values: { money: action.money, minutes: action.minutes, note: '' },
    act: () => Promise.resolve({ done: undefined }),
    hotkey: impossible === undefined,
    onDone: (_, { money, minutes, note }) =>
      onRecord({ kind: 'repair', action: action.id, title: action.title, cures: action.listed, money, minutes, note }),
  });
  return (
    <FormProvider {...form}>
      <p className="label">What was done</p>
      <h1 className={styles.title}>{action.title}</h1>
      <p className="soft">
        {chance > 0 ? (
          <>
            Cures it with <b className="figure">{chanceText(chance)}</b> by the readings.
          </>
        ) : (
          'Nothing measured points at it.'
        )}
      </p>
      {weighed && <PartOrBoardLine weighed={weighed} hand={hand} currency={currency} />}
      <Select
        showSearch
        value={action.id}
        onChange={(id: string) => {
          setChosen(id);
          // Figures typed for another repair are not those of this one.
          form.resetField('money');
          form.resetField('minutes');
        }}
        aria-label="Repair"
        options={choices.map((one) => ({
          value: one.action.id,
          label: one.chance > 0 ? `${one.action.title} · ${chanceText(one.chance)}` : one.action.title,
          search: one.action.title,
        }))}
        filterOption={(typed, option) => option?.search.toLowerCase().includes(typed.toLowerCase()) ?? false}
      />
      <Fitting notes={notesOf(action, sheet)} />
      {sets.length > 0 && (
        <p className={styles.fitting} role="note">
          <span>
            To set once it is in: <ToSetList list={sets} />
          </span>
        </p>
      )}
      {[...toGet(action, sheet)].slice(0, 3).map(([typed, count]) => (
        <ForFitting key={typed} typed={typed} count={count} job={job} />
      ))}
      <Pair>
        <AmountField<Done> name="money" title={`Parts, ${currency}`} label="Parts" />
        <AmountField<Done> name="minutes" title="Minutes" />
      </Pair>
      <ParagraphField<Done>
        name="note"
        title="What to remember of it"
        rows={2}
        placeholder="Joint ringed on three legs; siblings resoldered too"
      />
      {impossible !== undefined && (
        <p className="caution" id={whyNot}>
          The set is marked LIVE: {impossible}
        </p>
      )}
      <p className="caution">
        {power === 'unplugged' && 'Not proven dead yet: measure each store first. '}
        One change, then test: two at once, and nobody knows which cured it.
      </p>
      <FormRefusal refused={refused} />
      <Button
        type="primary"
        size="large"
        onClick={send}
        disabled={impossible !== undefined}
        aria-describedby={impossible === undefined ? undefined : whyNot}
      >
        It is done <Key>Ctrl ⏎</Key>
      </Button>
    </FormProvider>
  );
}
