'use client';

import { Button } from 'antd';
import Link from 'next/link';
import { useRouter } from 'next/navigation';
import { useMemo, useRef, useState, useTransition } from 'react';
import { FormProvider, useWatch } from 'react-hook-form';
import { attempt, Refusal } from '@/core/quantity';
import { sheetOfText } from '@/core/sheet';
import { dateText, Key } from '@/ui';
import { AmountField, FormRefusal, Pair, ParagraphField, TextField, useAnsweredForm } from '@/workshop/form';
import { GuideStrip } from '@/workshop/guide';
import { type Described, describedSchema, LabelFields, labelValues, OptionChoices } from '@/workshop/set';
import { takeIn } from './actions';
import { ChooseSheet } from './ChooseSheet';
import { ComplaintView } from './ComplaintView';
import { type TakeInPage } from './load';
import { OutlookView } from './OutlookView';
import { useComplaint } from './useComplaint';
import { useOutlook } from './useOutlook';
import styles from './take-in.module.css';

const untold: Described = { title: '', place: '', owner: '', words: '', value: 80, limit: 30, due: '' };

/** A set is taken in: what it is, what it shows, and whether it is worth the work. */
export function TakeIn({ cards, done, sheetText, tiles, options, closed, former, settings }: TakeInPage) {
  const { hourlyRate, currency } = settings;
  const sheet = sheetOfText(sheetText);
  const router = useRouter();
  const [choosing, startChoosing] = useTransition();
  const [label, setLabel] = useState<Readonly<Record<string, string>>>(former?.label ?? {});
  const before = useMemo(() => ({ ...untold, ...former?.set }), [former]);
  const complaint = useComplaint(tiles);
  const outlook = useOutlook(sheet, complaint.complaint, closed, hourlyRate);
  /** Where the set goes: to the bench, or through an overhaul where nothing is wrong with it. */
  const wanted = useRef<'bench' | 'overhaul'>('bench');
  const { form, refused, sending, send } = useAnsweredForm<Described, string>({
    schema: describedSchema,
    values: before,
    act: async (described) => {
      if (choosing) return { refused: 'The sheet that was chosen is still on its way: once more in a moment.' };
      const values = attempt(() => labelValues(sheet, label));
      if (values instanceof Refusal) return { refused: values.message };
      const id = crypto.randomUUID();
      const told = {
        id,
        sheet: sheet.id,
        options,
        label: values,
        complaint: complaint.complaint,
        former: former?.id ?? null,
      };
      const answer = await takeIn({ ...described, ...told });
      return 'refused' in answer ? answer : { done: id };
    },
    onDone: (id) => router.push(`/job/${id}/${wanted.current}`),
  });
  const [value, limit] = useWatch({ control: form.control, name: ['value', 'limit'] });

  const sendTo = (page: 'bench' | 'overhaul') => {
    wanted.current = page;
    send();
  };

  /** The address holds the sheet and its options, so that the server sends that sheet alone. */
  const choose = (id: string, choices: Readonly<Record<string, string>>) => {
    if (id !== sheet.id) {
      complaint.forget();
      setLabel({});
    }
    startChoosing(() =>
      router.replace(
        `/take-in?${new URLSearchParams({ sheet: id, ...choices, ...(former ? { former: former.id } : {}) }).toString()}`,
      ),
    );
  };
  return (
    <FormProvider {...form}>
      <GuideStrip step={() => 'taking in'} />
      <div className={styles.page}>
        <section className={styles.side} aria-label="The set">
          {former && (
            <p className="caution">
              It was here before, until {dateText(former.closedAt)}: {former.cause}.{' '}
              {former.remember !== '' && `To remember: ${former.remember}. `}
              <Link href={`/notebook/${former.id}`}>The note and its readings</Link>
            </p>
          )}
          <ChooseSheet cards={cards} done={done} chosen={sheet.id} busy={choosing} onChoose={(id) => choose(id, {})} />
          <TextField<Described>
            name="title"
            title="Call it"
            label="Name of the set"
            placeholder="Tea-room set"
            autoFocus
          />
          <Pair>
            <TextField<Described> name="place" title="Where it lives" placeholder="Tea room" />
            <TextField<Described> name="owner" title="For whom" placeholder="museum" />
          </Pair>
          <Pair>
            <AmountField<Described> name="value" title={`Value, ${currency}`} label="Value" />
            <AmountField<Described> name="limit" title={`Limit for parts, ${currency}`} label="Limit for parts" />
          </Pair>
          <OptionChoices
            sheet={sheet}
            chosen={options}
            onChoose={(option, choice) => choose(sheet.id, { ...options, [option]: choice })}
          />
        </section>
        <ComplaintView sheet={sheet} complaint={complaint} waiting={choosing}>
          <ParagraphField<Described> name="words" title="In the owner’s words" />
          <LabelFields
            sheet={sheet}
            typed={label}
            onType={(field, text) => setLabel((now) => ({ ...now, [field]: text }))}
          />
        </ComplaintView>
        <section className={styles.outlook} aria-label="What it points at" aria-live="polite">
          <OutlookView
            complaint={complaint}
            outlook={outlook}
            value={Number(value) || 0}
            limit={Number(limit) || 0}
            currency={currency}
          />
          <TextField<Described> name="due" title="Due back" type="date" />
          <FormRefusal refused={refused} />
          <Button type="primary" size="large" loading={sending || choosing} onClick={() => sendTo('bench')}>
            Put it on the bench
          </Button>
          <p className="soft">
            <Key>Ctrl ⏎</Key> from anywhere on this page
          </p>
          {!complaint.told && (
            <p>
              Nothing is wrong with it?{' '}
              <Button onClick={() => sendTo('overhaul')} disabled={sending || choosing}>
                Overhaul it
              </Button>
            </p>
          )}
        </section>
      </div>
    </FormProvider>
  );
}
