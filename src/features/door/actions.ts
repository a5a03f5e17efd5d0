'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import * as yup from 'yup';
import { Refusal } from '@/core/quantity';
import { answered, type Answered } from '@/workshop/answer';
import { admission, passCookie, passLasts } from '@/workshop/door/server';

const schema = yup.object({ code: yup.string().trim().min(1, 'type the code').max(40, 'that is no code').required() });

/** Lets a browser in that knows the code. */
export async function enter(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { code } = schema.validateSync(input);
    const answer = admission()?.enter(code, Date.now());
    if (!answer) return undefined;
    if ('refused' in answer) throw new Refusal(answer.refused);
    (await cookies()).set(passCookie, answer.pass, {
      httpOnly: true,
      sameSite: 'strict',
      path: '/',
      maxAge: passLasts,
    });
    return undefined;
  });
}

/** Takes back every pass, that of this browser too. */
export async function everybodyOut(): Promise<void> {
  const door = admission();
  const pass = (await cookies()).get(passCookie)?.value;
  if (door?.admits(pass)) door.revoke();
  redirect('/enter');
}
