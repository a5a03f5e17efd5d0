import { type FormEvent, useState } from 'react';
import { type Seat } from './useHunt';
import styles from './hunt.module.css';

interface JoinClassProps {
  readonly room: string | undefined;
  readonly busy: boolean;
  onJoin(seat: Seat): void;
}

/** Takes a seat in a class: its code and a name, which the teacher sees. */
export function JoinClass({ room = '', busy, onJoin }: JoinClassProps) {
  const [code, setCode] = useState(room);
  const [name, setName] = useState('');
  const join = (event: FormEvent) => {
    event.preventDefault();
    onJoin({ room: code.trim().toUpperCase(), pupil: crypto.randomUUID(), name: name.trim() });
  };
  return (
    <form aria-label="Join a class" className={styles.join} onSubmit={join}>
      <b>Join a class</b>
      <input
        className="field figure"
        aria-label="Code of the class"
        placeholder="code"
        value={code}
        maxLength={12}
        required
        autoComplete="off"
        onChange={(event) => setCode(event.target.value)}
      />
      <input
        className="field"
        aria-label="Your name"
        placeholder="your name"
        value={name}
        maxLength={40}
        required
        autoComplete="off"
        autoFocus={room !== ''}
        onChange={(event) => setName(event.target.value)}
      />
      <button type="submit" className="press" disabled={busy}>
        Join
      </button>
    </form>
  );
}
