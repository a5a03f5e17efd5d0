'use client';

import { Button } from 'antd';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { Key, useReturnFocus } from '@/ui';
import { FirstJobLink } from '@/workshop/guide';
import { helpFor } from './helpTexts';
import styles from './shell.module.css';

/** What can be typed and pressed, that of the open page first. */
export function Help({ close }: { close: () => void }) {
  const path = usePathname();
  const panel = useRef<HTMLElement>(null);
  useReturnFocus();
  useEffect(() => panel.current?.focus(), []);
  return (
    <div className={styles.veil} onClick={close} role="presentation">
      <section
        ref={panel}
        className={styles.help}
        role="dialog"
        aria-label="What can be typed"
        aria-modal
        tabIndex={-1}
        onClick={(event) => event.stopPropagation()}
        onKeyDown={(event) => {
          if (event.key === 'Escape') close();
        }}
      >
        <header>
          <h1>What can be typed</h1>
          <FirstJobLink onGo={close} />
          <Button onClick={close}>
            Close <Key>Esc</Key>
          </Button>
        </header>
        <div className={styles.sections}>
          {helpFor(path).map(({ title, kind, rows }) => (
            <div key={title}>
              <h2 className="label">{title}</h2>
              <dl data-kind={kind}>
                {rows.map(([typed, means]) => (
                  <div key={typed}>
                    <dt>{kind === 'keys' ? <Key>{typed}</Key> : <span className="figure">{typed}</span>}</dt>
                    <dd>{means}</dd>
                  </div>
                ))}
              </dl>
            </div>
          ))}
        </div>
      </section>
    </div>
  );
}
