'use client';

import { useRef, useState } from 'react';
import { Bar } from '@/ui';
import { countFrom } from './actions';
import { addedWords, clashWords } from './archiveModel';
import styles from './settings.module.css';
import { type Taking, useArchive } from './useArchive';

/** Everything as one file, and files taken in. */
export function InAndOut() {
  const archive = useArchive();
  const { taking } = archive;
  const [counted, setCounted] = useState<string>();
  const input = useRef<HTMLInputElement>(null);
  const open = async (file: File | undefined) => {
    if (!file) return;
    setCounted(undefined);
    if (!file.name.endsWith('.json')) return archive.look(file);
    const answer = await countFrom(await file.text());
    if ('refused' in answer) return archive.refuse(answer.refused);
    archive.leave();
    setCounted(`${answer.done} causes of another shop counted, each at a quarter of one of your own.`);
  };
  return (
    <section aria-label="In and out">
      <h2>In and out</h2>
      <ul className={styles.ways}>
        <li>
          <a className="press" href="/api/shop/export" download>
            Everything, as a file
          </a>
          <p className="soft">Sets, records, notes, sheets, parts and pictures in one zip: JSON, CSV and YAML.</p>
        </li>
        <li>
          <a className="press" href="/api/shop/export?causes" download>
            Causes, to lend
          </a>
          <p className="soft">How often each cause was found, without a word of whose sets they were.</p>
        </li>
        <li>
          <label className={`press ${styles.open}`}>
            Take a file in
            <input
              ref={input}
              type="file"
              accept=".zip,.json"
              onChange={(event) => {
                void open(event.target.files?.[0]);
                // The same file may be opened once more.
                event.target.value = '';
              }}
            />
          </label>
          <p className="soft">What such a file holds; first it is said what would come of it.</p>
        </li>
        <li>
          <a className="press" href="/api/calendar">
            Dates to come
          </a>
          <p className="soft">Parts due and what sets wait for; a calendar may subscribe to this address.</p>
        </li>
      </ul>
      <div role="status">
        {counted}
        <TakingView taking={taking} archive={archive} />
      </div>
    </section>
  );
}

function TakingView({ taking, archive }: { readonly taking: Taking; readonly archive: ReturnType<typeof useArchive> }) {
  switch (taking.kind) {
    case 'none':
      return null;
    case 'refused':
      return (
        <p role="alert" className="bad">
          {taking.message}
        </p>
      );
    case 'reading':
    case 'taking':
      return (
        <div className={styles.progress}>
          <span>{taking.kind === 'reading' ? 'Looking through' : 'Taking in'}</span>
          <Bar share={taking.share} />
          <button type="button" className="press" onClick={archive.giveUp}>
            Give up
          </button>
        </div>
      );
    case 'taken':
      return <p>Taken in: {addedWords(taking.merged).join(', ') || 'nothing that was not here'}.</p>;
    case 'looked':
      return <Looked taking={taking} archive={archive} />;
  }
}

interface LookedProps {
  readonly taking: Extract<Taking, { kind: 'looked' }>;
  readonly archive: ReturnType<typeof useArchive>;
}

/** What a file would add, what differs, and the choice. */
function Looked({ taking: { file, merged }, archive }: LookedProps) {
  const added = addedWords(merged);
  return (
    <div className={styles.looked}>
      <p>
        <b>{file.name}</b> adds {added.join(', ') || 'nothing'}; {merged.same} entries are here as they are in it.
      </p>
      {merged.clashed > 0 && (
        <>
          <p>
            <b>{merged.clashed} differ.</b> Lines of records and movements of parts are never written over.
          </p>
          <ul className={styles.clashes}>
            {merged.clashes.map((clash) => (
              <li key={`${clash.table} ${clash.key}`}>{clashWords(clash)}</li>
            ))}
          </ul>
        </>
      )}
      <div className={styles.choice}>
        {added.length > 0 && (
          <button type="button" className="press main" autoFocus onClick={() => archive.take(file, 'here')}>
            Take it in{merged.clashed > 0 && ', keep what is here'}
          </button>
        )}
        {merged.clashed > 0 && (
          <button type="button" className="press" onClick={() => archive.take(file, 'there')}>
            Take it in, with what differs
          </button>
        )}
        <button type="button" className="press" onClick={archive.leave}>
          Leave it
        </button>
      </div>
    </div>
  );
}
