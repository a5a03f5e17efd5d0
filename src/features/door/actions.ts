'use server';

import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import * as yup from 'yup';
import { Refusal } from '@/core/quantity';
import { answered, type Answered } from '@/workshop/answer';
import { rooms } from '@/workshop/classroom/server';
import { admission, passCookie, passLasts } from '@/workshop/door/server';

const schema = yup.object({ code: yup.string().trim().min(1, 'type the code').max(40, 'that is no code').required() });

/** Lets a browser in that knows the code. */
export async function enter(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { code } = schema.validateSync(input);
    await takePass(admission()?.enter(code, Date.now()));
    return undefined;
  });
}

const joining = yup.object({ room: yup.string().max(12, 'that is no code of a class').required('type the code') });

/** Lets a pupil in, to the hunt of an open class and nothing else. */
export async function joinClass(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { room } = joining.validateSync(input);
    await takePass(admission()?.enterClass(rooms().isOpen(room), Date.now()));
    return undefined;
  });
}

const invitation = yup.object({ word: yup.string().min(1).max(80).required() });

/** Lets a browser in that an invitation brings. */
export async function accept(input: unknown): Promise<Answered> {
  return answered(async () => {
    const { word } = invitation.validateSync(input);
    await takePass(admission()?.accept(word, Date.now()));
    return undefined;
  });
}

async function takePass(answer: { readonly pass: string } | { readonly refused: string } | undefined) {
  if (!answer) return;
  if ('refused' in answer) throw new Refusal(answer.refused);
  (await cookies()).set(passCookie, answer.pass, {
    httpOnly: true,
    sameSite: 'strict',
    path: '/',
    maxAge: passLasts,
  });
}

/** Takes back every pass, that of this browser too. */
export async function everybodyOut(): Promise<void> {
  const door = admission();
  const pass = (await cookies()).get(passCookie)?.value;
  if (door?.guestOf(pass) === 'shop') door.revoke();
  redirect('/enter');
}
