import { Button } from 'antd';
import { type ReactNode, useState } from 'react';
import styles from './door.module.css';

interface CodeFormProps {
  /** What is typed. */
  readonly name: string;
  /** Is it the one thing to type on the page, in figures? */
  readonly numeric?: boolean;
  readonly sending: boolean;
  readonly children: ReactNode;
  onType(): void;
  onSend(typed: string): void;
}

/** One code, and the button that gives it. */
export function CodeForm({ name, numeric = false, sending, children, onType, onSend }: CodeFormProps) {
  const [typed, setTyped] = useState('');
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        onSend(typed);
      }}
    >
      <input
        className={`field figure ${styles.code}`}
        aria-label={name}
        autoFocus={numeric}
        autoComplete={numeric ? 'one-time-code' : 'off'}
        inputMode={numeric ? 'numeric' : 'text'}
        maxLength={numeric ? 40 : 12}
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          onType();
        }}
      />
      <Button
        type={numeric ? 'primary' : 'default'}
        size="large"
        htmlType="submit"
        loading={sending}
        disabled={typed.trim() === ''}
      >
        {children}
      </Button>
    </form>
  );
}
