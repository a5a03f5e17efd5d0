'use client';

import { yupResolver } from '@hookform/resolvers/yup';
import { useState, useTransition } from 'react';
import {
  type DefaultValues,
  type FieldErrors,
  type FieldValues,
  type Resolver,
  useForm,
  type UseFormReturn,
} from 'react-hook-form';
import { useHotkeys } from 'react-hotkeys-hook';
import { type ObjectSchema } from 'yup';
import { type Answered } from '@/workshop/answer';

interface AnsweredFormOptions<Values extends FieldValues, Done> {
  /** The same that the server holds the form to. */
  readonly schema: ObjectSchema<Values>;
  /** What stands in it as long as nobody changed it; a changed field keeps what was typed. */
  readonly values: Values;
  /** Sends it. */
  act(values: Values): Promise<Answered<Done>>;
  onDone(done: Done, values: Values): void;
  /** Ctrl Enter sends it. */
  readonly hotkey?: boolean;
}

/** A form with the way to send it and the one message that keeps it from being sent. */
export interface AnsweredForm<Values extends FieldValues> {
  readonly form: UseFormReturn<Values, unknown, Values>;
  readonly refused: string | undefined;
  readonly sending: boolean;
  send(): void;
}

/** The first message among the errors of a form, in the order of its fields. */
function firstMessage(errors: FieldErrors): string {
  for (const error of Object.values(errors)) {
    const message: unknown = error?.message;
    if (typeof message === 'string' && message !== '') return message;
  }
  return 'something in the form is not right';
}

/** The one way a form works: held to its schema here and on the server, sent as a whole, answered in one line. */
export function useAnsweredForm<Values extends FieldValues, Done>({
  schema,
  values,
  act,
  onDone,
  hotkey = true,
}: AnsweredFormOptions<Values, Done>): AnsweredForm<Values> {
  const form = useForm<Values, unknown, Values>({
    resolver: yupResolver(schema) as unknown as Resolver<Values, unknown, Values>,
    defaultValues: values as DefaultValues<Values>,
    values,
    resetOptions: { keepDirtyValues: true },
  });
  const [refused, setRefused] = useState<string>();
  const [sending, startSending] = useTransition();
  const submit = form.handleSubmit(
    (sent) =>
      startSending(async () => {
        const answer = await act(sent);
        // Nothing done but the doing itself comes back without a `done`.
        if ('refused' in answer) return setRefused(answer.refused);
        setRefused(undefined);
        onDone(answer.done, sent);
      }),
    (errors) => setRefused(firstMessage(errors)),
  );
  const send = () => void submit();
  useHotkeys('mod+enter', send, { enableOnFormTags: true, preventDefault: true, enabled: hotkey });
  return { form, refused, sending, send };
}
