import { useState } from 'react';
import { apartKinds, apartText, type BenchState, type LogBody, readApart } from '@/core/log';
import { attempt, Refusal } from '@/core/quantity';
import { powerCaution } from '@/core/safety';
import { likelyNext, type OfferedStep, type TeardownStep } from '@/core/teardown';
import { Key, LineEntry } from '@/ui';
import { AttachPhoto } from '@/workshop/photo';
import { type JobFile, type JobLog } from '@/workshop/job';
import styles from './apart.module.css';
import { MarkedPhoto } from './MarkedPhoto';

interface AwayProps {
  readonly file: JobFile;
  readonly steps: readonly TeardownStep[];
  readonly log: JobLog;
  readonly bench: BenchState;
  readonly last: readonly OfferedStep[];
}

/** So many likely steps are offered at once. */
const mostOffered = 6;

/** What comes off next: typed with its letter, or taken as the last of its kind had it. */
export function Away({ file, steps, log, bench, last }: AwayProps) {
  const [line, setLine] = useState('');
  const [message, setMessage] = useState<string>();
  const [photo, setPhoto] = useState<string | undefined>(() => steps.findLast((step) => step.photo)?.photo);
  const [place, setPlace] = useState<{ readonly x: number; readonly y: number }>();
  const offered = likelyNext(steps, last, file.sheet);
  const [first] = offered;

  const take = (step: LogBody & { readonly kind: 'apart' }) => {
    const at = photo === undefined ? {} : { photo, ...place };
    log.record([{ body: { ...step, ...at } }]);
    setLine('');
    setMessage(undefined);
    setPlace(undefined);
  };
  const enter = () => {
    if (line.trim() === '') return first ? take({ kind: 'apart', ...first }) : undefined;
    const read = attempt(() => readApart(line));
    if (read instanceof Refusal) return setMessage(read.message);
    take(read);
  };
  return (
    <>
      {bench.context.power === 'live' && <p className="caution">{powerCaution('live')}</p>}
      <LineEntry
        label="What comes off"
        value={line}
        placeholder={first ? apartText(first) : 's 4 long black, back'}
        maxLength={130}
        autoFocus
        message={message}
        onType={(text) => {
          setLine(text);
          setMessage(undefined);
        }}
        onEnter={enter}
      />
      <p className={styles.letters}>
        {Object.values(apartKinds).map(({ letter, several }) => (
          <span key={letter}>
            <Key>{letter}</Key> {several}
          </span>
        ))}
      </p>
      {offered.length > 0 && (
        <section aria-label="Likely next">
          <h2 className="label">
            {last.length > 0 ? 'As the last of its kind' : 'By its sheet'} · <Key>⏎</Key> takes the first
          </h2>
          <ul className={styles.offered}>
            {offered.slice(0, mostOffered).map((step) => (
              <li key={`${step.what} ${step.title}`}>
                <button type="button" onClick={() => take({ kind: 'apart', ...step })}>
                  {apartText(step)}
                </button>
              </li>
            ))}
          </ul>
        </section>
      )}
      <div className={styles.photo}>
        <AttachPhoto job={file.id} onKept={({ id }) => setPhoto(id)} onRefused={setMessage} />
        <span className="soft">
          {photo === undefined
            ? 'Then press on the picture where the next step is.'
            : place
              ? 'The next step goes there.'
              : 'Press on it where the next step is.'}
        </span>
      </div>
      {photo !== undefined && (
        <MarkedPhoto job={file.id} photo={photo} steps={steps} pointed={place} onPoint={setPlace} />
      )}
    </>
  );
}
