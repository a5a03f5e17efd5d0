'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import { type Answered } from '@/workshop/answer';
import { type Guest } from '@/workshop/door';
import { accept, enter, everybodyOut, joinClass } from './actions';
import { CodeForm } from './CodeForm';
import styles from './door.module.css';

interface EnterProps {
  /** Whom this browser was let in as. */
  readonly guest: Guest | undefined;
  readonly code: string | undefined;
  /** The word that this browser was invited by. */
  readonly invitation: string | undefined;
  /** The class that this browser was sent to. */
  readonly room: string | undefined;
  /** Where it is to go once it is in the shop. */
  readonly to: string;
}

const away: Answered = { refused: 'The server is away: open the page again, or type the code.' };

/** The page before the door of a server that other devices reach: a code, once a browser. */
export function Enter({ guest, code, invitation, room, to }: EnterProps) {
  const router = useRouter();
  const [refused, setRefused] = useState<string>();
  const [sending, startSending] = useTransition();
  /** Is what brought this browser here being tried? */
  const [coming, setComing] = useState(invitation !== undefined || room !== undefined);
  const goOn = (where: string) => (answer: Answered) => {
    if (!('refused' in answer)) return router.replace(where);
    setRefused(answer.refused);
    setComing(false);
  };
  useEffect(() => {
    if (!coming) return;
    const hunt = classAt(room ?? '');
    if (guest === 'shop' || (guest === 'class' && room !== undefined))
      return router.replace(room === undefined ? to : hunt);
    const [asked, where] = invitation === undefined ? [joinClass({ room }), hunt] : [accept({ word: invitation }), to];
    void asked.catch(() => away).then(goOn(where));
    // What brought a browser here is taken up once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (coming)
    return (
      <div className={styles.door} aria-busy>
        <h1>Coming in</h1>
      </div>
    );
  if (guest === 'shop')
    return (
      <div className={styles.door}>
        <h1>This browser is in</h1>
        {code === undefined ? (
          <p>This server listens to this machine alone: no code is needed.</p>
        ) : (
          <>
            <p>For the next device, open this address there and type</p>
            <p className={`figure ${styles.code}`}>{code}</p>
            <form action={everybodyOut}>
              <Button htmlType="submit">Everybody out, this browser too</Button>
            </form>
          </>
        )}
      </div>
    );
  const send = (asked: Promise<Answered>, where: string) =>
    startSending(async () => goOn(where)(await asked.catch(() => away)));
  const clear = () => setRefused(undefined);
  return (
    <div className={styles.door}>
      <h1>The code</h1>
      <p>
        {guest === 'class' && 'This browser is in a class, and in nothing else of this shop. '}
        It stands on the terminal of the server, and on this page of a browser that is in.
      </p>
      <CodeForm
        name="Code"
        numeric
        sending={sending}
        onType={clear}
        onSend={(typed) => send(enter({ code: typed }), to)}
      >
        Come in ⏎
      </CodeForm>
      <p role="alert" className={styles.refused}>
        {refused}
      </p>
      <h2>Or the code of a class</h2>
      <p>Its teacher shows it. It opens the hunt of that class and nothing else.</p>
      <CodeForm
        name="Code of the class"
        sending={sending}
        onType={clear}
        onSend={(typed) => send(joinClass({ room: typed }), classAt(typed))}
      >
        Join the class
      </CodeForm>
    </div>
  );
}

/** The page of a class. */
const classAt = (room: string): string =>
  `/practice/hunt?${new URLSearchParams({ room: room.trim().toUpperCase() }).toString()}`;
