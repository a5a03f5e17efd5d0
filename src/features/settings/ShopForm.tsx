'use client';

import { Button } from 'antd';
import { useState } from 'react';
import { FormProvider } from 'react-hook-form';
import { type Settings } from '@/store';
import { Key } from '@/ui';
import { AmountField, FormRefusal, Pair, TextField, useAnsweredForm } from '@/workshop/form';
import { keepSettings } from './actions';
import styles from './settings.module.css';
import { settingsSchema } from './settingsSchema';

/** The shop’s name, its money, and what stands on its bench. */
export function ShopForm({ settings }: { readonly settings: Settings }) {
  const [kept, setKept] = useState(false);
  const { form, refused, sending, send } = useAnsweredForm<Settings, undefined>({
    schema: settingsSchema,
    values: settings,
    act: keepSettings,
    onDone: () => setKept(true),
  });
  return (
    <FormProvider {...form}>
      <section className={styles.shop} aria-label="The shop" onInput={() => setKept(false)}>
        <h1>The shop</h1>
        <TextField<Settings> name="shop" title="Name, for reports and labels" />
        <Pair>
          <AmountField<Settings> name="hourlyRate" title="An hour is worth" />
          <TextField<Settings> name="currency" title="Currency" maxLength={4} />
        </Pair>
        <h2>The bench</h2>
        <Pair>
          <AmountField<Settings> name="mains" title="Mains, V" />
          <AmountField<Settings> name="lampWatts" title="Series lamp, W" />
        </Pair>
        <TextField<Settings> name="tool" title="Discharge resistor" placeholder="2k2 20W" maxLength={20} />
        <p className="soft">Left empty, each set’s sheet says what is usual.</p>
        <FormRefusal refused={refused} />
        <Button type="primary" size="large" loading={sending} onClick={send}>
          Keep <Key>Ctrl ⏎</Key>
        </Button>
        <p className="soft" role="status">
          {kept && 'Kept.'}
        </p>
      </section>
    </FormProvider>
  );
}
