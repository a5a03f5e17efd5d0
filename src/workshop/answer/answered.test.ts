import { expect, it } from 'vitest';
import { object, string } from 'yup';
import { Refusal } from '@/core/quantity';
import { answered } from '.';

it('answers with what was done, or with one message; any other error is not swallowed', async () => {
  expect(await answered(() => Promise.resolve(4))).toEqual({ done: 4 });
  expect(await answered(() => Promise.reject(new Refusal('4 V is too much: up to 3')))).toEqual({
    refused: '4 V is too much: up to 3',
  });
  const form = object({ title: string().required('give it a name'), place: string().required('say where') });
  expect(await answered(() => form.validate({}, { abortEarly: false }))).toEqual({ refused: 'give it a name' });
  await expect(answered(() => Promise.reject(new Error('the disk is full')))).rejects.toThrow('the disk is full');
});
