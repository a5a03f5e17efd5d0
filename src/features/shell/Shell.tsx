'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { type ReactNode, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { askFor, Key, Logo, useBenchTheme } from '@/ui';
import { navigation, placeOf } from './navigation';
import { useOfflineShell } from './useOfflineShell';
import styles from './shell.module.css';

// The palette is fetched when first opened: most keystrokes on a bench never need it.
const Palette = dynamic(() => import('./Palette').then(({ Palette: loaded }) => loaded), { ssr: false });

const Help = dynamic(() => import('./Help').then(({ Help: loaded }) => loaded), { ssr: false });

interface ShellProps {
  /** May this browser go everywhere? Before the door and in a class it is shown no place that it may not go to. */
  readonly isInShop: boolean;
  readonly children: ReactNode;
}

/** The frame of every page: name, places, the finder and the theme. */
export function Shell({ isInShop, children }: ShellProps) {
  const path = usePathname();
  const theme = useBenchTheme();
  const [finding, setFinding] = useState(false);
  const [helping, setHelping] = useState(false);
  // From now on what is pressed is heard; until then the pointer says to wait.
  useEffect(() => {
    document.documentElement.dataset.awake = '';
  }, []);
  useOfflineShell();
  useHotkeys('mod+k', () => setFinding((open) => !open), {
    enabled: isInShop,
    enableOnFormTags: true,
    preventDefault: true,
  });
  useHotkeys('f1', () => setHelping((open) => !open), { enableOnFormTags: true, preventDefault: true });
  return (
    <div className={styles.shell}>
      <header className={styles.header}>
        <Link href={isInShop ? '/' : '/practice/hunt'} className={styles.name} prefetch={false}>
          <Logo />
          <span>Tovrik</span>
        </Link>
        {isInShop ? <Places path={path} onFind={() => setFinding(true)} /> : <span className={styles.aside} />}
        <button type="button" className={styles.reckon} onClick={() => askFor('reckoner')} aria-label="Reckoner">
          <span>Reckon</span>
          <Key>=</Key>
        </button>
        <button
          type="button"
          className={styles.reckon}
          onClick={() => setHelping(true)}
          aria-label="What can be typed"
          title="What can be typed"
        >
          <Key>F1</Key>
        </button>
        <button
          type="button"
          className={styles.theme}
          onClick={theme.toggle}
          aria-label={theme.name === 'light' ? 'Dark room' : 'Bench lamp'}
        >
          <svg width="17" height="17" viewBox="0 0 17 17" aria-hidden>
            {theme.name === 'light' ? (
              <path
                d="M13.8 10.6A6 6 0 0 1 6.4 3.2a6 6 0 1 0 7.4 7.4Z"
                fill="none"
                stroke="currentColor"
                strokeWidth="1.6"
                strokeLinejoin="round"
              />
            ) : (
              <path
                d="M2 8h5l3-5 5 9H4M7 8l1 7M4 15h8"
                fill="none"
                stroke="currentColor"
                strokeWidth="1.6"
                strokeLinejoin="round"
                strokeLinecap="round"
              />
            )}
          </svg>
        </button>
      </header>
      <main className={styles.main}>{children}</main>
      {helping && <Help close={() => setHelping(false)} />}
      {finding && <Palette close={() => setFinding(false)} />}
    </div>
  );
}

/** The places of the shop, and the finder. */
function Places({ path, onFind }: { readonly path: string; onFind(): void }) {
  return (
    <>
      <nav className={styles.nav} aria-label="Places">
        {navigation.map(({ href, title }) => (
          <Link key={href} href={href} prefetch={false} aria-current={placeOf(path) === href ? 'page' : undefined}>
            {title}
          </Link>
        ))}
      </nav>
      <button type="button" className={styles.find} onClick={onFind} aria-label="Find or do anything">
        <span>Find or do anything</span>
        <Key>Ctrl K</Key>
      </button>
    </>
  );
}
