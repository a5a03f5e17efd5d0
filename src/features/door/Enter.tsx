'use client';

import { Button } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState, useTransition } from 'react';
import { accept, enter, everybodyOut } from './actions';
import styles from './door.module.css';

interface EnterProps {
  readonly isIn: boolean;
  readonly code: string | undefined;
  /** The word that this browser was invited by. */
  readonly invitation: string | undefined;
  /** Where it is to go once it is in. */
  readonly to: string;
}

/** The page before the door of a server that other devices reach: a code, once a browser. */
export function Enter({ isIn, code, invitation, to }: EnterProps) {
  const router = useRouter();
  const [typed, setTyped] = useState('');
  const [refused, setRefused] = useState<string>();
  const [sending, startSending] = useTransition();
  const invited = invitation !== undefined;
  useEffect(() => {
    if (invitation === undefined) return;
    if (isIn) return router.replace(to);
    void accept({ word: invitation })
      .catch(() => ({ refused: 'The server is away: open the invitation again, or type the code.' }))
      .then((answer) => {
        if ('refused' in answer) setRefused(answer.refused);
        else router.replace(to);
      });
    // An invitation is taken up once.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, []);
  if (invited && refused === undefined)
    return (
      <main className={styles.door} aria-busy>
        <h1>Coming in</h1>
      </main>
    );
  if (isIn)
    return (
      <main className={styles.door}>
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
      </main>
    );
  const send = () =>
    startSending(async () => {
      const answer = await enter({ code: typed });
      if (answer && 'refused' in answer) setRefused(answer.refused);
      else router.replace(to);
    });
  return (
    <main className={styles.door}>
      <h1>The code</h1>
      <p>It stands on the terminal of the server, and on this page of a browser that is in.</p>
      <form
        onSubmit={(event) => {
          event.preventDefault();
          send();
        }}
      >
        <input
          className={`field figure ${styles.code}`}
          aria-label="Code"
          autoFocus
          autoComplete="one-time-code"
          inputMode="numeric"
          maxLength={40}
          value={typed}
          onChange={(event) => {
            setTyped(event.target.value);
            setRefused(undefined);
          }}
        />
        <Button type="primary" size="large" htmlType="submit" loading={sending} disabled={typed.trim() === ''}>
          Come in ⏎
        </Button>
      </form>
      <p role="alert" className={styles.refused}>
        {refused}
      </p>
    </main>
  );
}
