'use client';

import { type ReactNode } from 'react';
import { type FieldPath, type FieldValues, useFormContext } from 'react-hook-form';
import styles from './form.module.css';

/** A heading over something to be filled in or chosen. */
export function Labelled({ title, children }: { readonly title: string; readonly children: ReactNode }) {
  return (
    <div className={styles.field}>
      <h2 className="label">{title}</h2>
      {children}
    </div>
  );
}

/** Two fields side by side. */
export function Pair({ children }: { readonly children: ReactNode }) {
  return <div className={styles.pair}>{children}</div>;
}

interface FieldProps<Values extends FieldValues> {
  readonly name: FieldPath<Values>;
  readonly title: string;
  /** What it is called for who does not see it, where that is not its title. */
  readonly label?: string;
  readonly placeholder?: string;
}

interface TextFieldProps<Values extends FieldValues> extends FieldProps<Values> {
  readonly maxLength?: number;
  readonly autoFocus?: boolean;
  readonly type?: 'text' | 'date';
}

/** A line of text. */
export function TextField<Values extends FieldValues>(props: TextFieldProps<Values>) {
  const { name, title, label = title, placeholder, maxLength = 80, autoFocus, type = 'text' } = props;
  const { register, formState } = useFormContext<Values>();
  return (
    <label className={styles.field}>
      <span className="label">{title}</span>
      <input
        {...register(name)}
        className="field"
        type={type}
        aria-label={label}
        aria-invalid={name in formState.errors || undefined}
        placeholder={placeholder}
        maxLength={maxLength}
        autoFocus={autoFocus}
        autoComplete="off"
      />
    </label>
  );
}

/** An amount of money or minutes. */
export function AmountField<Values extends FieldValues>({ name, title, label = title }: FieldProps<Values>) {
  const { register, formState } = useFormContext<Values>();
  return (
    <label className={styles.field}>
      <span className="label">{title}</span>
      <input
        {...register(name)}
        className="field figure"
        type="number"
        step="any"
        min={0}
        aria-label={label}
        aria-invalid={name in formState.errors || undefined}
      />
    </label>
  );
}

interface ParagraphFieldProps<Values extends FieldValues> extends FieldProps<Values> {
  readonly rows?: number;
  readonly maxLength?: number;
}

/** Some sentences; it grows with them. */
export function ParagraphField<Values extends FieldValues>(props: ParagraphFieldProps<Values>) {
  const { name, title, label = title, placeholder, rows = 1, maxLength = 2000 } = props;
  const { register } = useFormContext<Values>();
  return (
    <label className={styles.field}>
      <span className="label">{title}</span>
      <textarea
        {...register(name)}
        className={styles.paragraph}
        rows={rows}
        aria-label={label}
        placeholder={placeholder}
        maxLength={maxLength}
      />
    </label>
  );
}

/** What keeps a form from being sent, in one line. */
export function FormRefusal({ refused }: { readonly refused: string | undefined }) {
  return refused === undefined ? null : (
    <p role="alert" className="bad">
      {refused}
    </p>
  );
}
