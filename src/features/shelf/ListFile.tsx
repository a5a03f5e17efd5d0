'use client';

import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { OpenFile } from '@/ui';
import styles from './shelf.module.css';

type Told = { readonly lines: number; readonly pieces: number } | { readonly refused: string };

async function send(text: string, put: boolean): Promise<Told> {
  const answer = await fetch(`/api/shelf/list${put ? '?put' : ''}`, { method: 'POST', body: text });
  return (await answer.json()) as Told;
}

/** A stock list in and out: looked at first, then put as a whole or not at all. */
export function ListFile({ onPut }: { onPut(): void }) {
  const router = useRouter();
  const [text, setText] = useState<string>();
  const [told, setTold] = useState<Told>();
  const look = async (read: string) => {
    setText(read);
    setTold(await send(read, false));
  };
  const put = async () => {
    const done = await send(text!, true);
    setTold('refused' in done ? done : undefined);
    setText(undefined);
    router.refresh();
    onPut();
  };
  return (
    <section aria-label="Stock list">
      <h2 className="label">A stock list, as CSV</h2>
      <p className={styles.files}>
        <OpenFile accept=".csv,.txt" onText={(read) => void look(read)} onRefused={(refused) => setTold({ refused })} />
        <a href="/api/shelf/list" download="shelf.csv" className={styles.out}>
          Write the shelf to a file
        </a>
      </p>
      {told && 'refused' in told && (
        <p role="alert" className={`bad ${styles.refused}`}>
          {told.refused}
        </p>
      )}
      {told && 'lines' in told && text !== undefined && (
        <p>
          {told.lines} lines, {told.pieces} pieces, all readable.{' '}
          <button type="button" className={styles.undo} onClick={() => void put()}>
            Put all of it on the shelf
          </button>
        </p>
      )}
      {!told && (
        <p className="soft">
          Columns <span className="figure">part, count, drawer, from</span>; or the kind under part and its figures
          under their names.
        </p>
      )}
    </section>
  );
}
