'use client';

import { Command } from 'cmdk';
import { usePathname, useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { useBenchTheme, useReturnFocus } from '@/ui';
import { type Found } from './found';
import { more, navigation, pagesOf } from './navigation';
import styles from './shell.module.css';

const nothing: Found = { jobs: [], notes: [] };

/** Finds sets and notes, and does what can be done from anywhere. */
export function Palette({ close }: { close: () => void }) {
  useReturnFocus();
  const router = useRouter();
  const path = usePathname();
  const theme = useBenchTheme();
  const [typed, setTyped] = useState('');
  const [found, setFound] = useState(nothing);
  const [selected, setSelected] = useState('');

  useEffect(() => {
    const asked = new AbortController();
    fetch(`/api/find?q=${encodeURIComponent(typed)}`, { signal: asked.signal })
      .then((response) => response.json())
      .then((answer: Found) => {
        setFound(answer);
        // Enter goes to the best match, not to what was best a letter ago.
        const [job] = answer.jobs;
        const [note] = answer.notes;
        const places = [...pagesOf(path), ...navigation, ...more];
        const asTyped = typed.toLowerCase();
        const called = typed === '' ? undefined : places.find(({ title }) => title.toLowerCase().startsWith(asTyped));
        const place = called ?? places.find(({ title }) => title.toLowerCase().includes(asTyped));
        if (job) setSelected(`job-${job.id}`);
        else if (note && !called) setSelected(`note-${note.job}`);
        else setSelected(place ? `go-${place.href}` : '');
      })
      .catch(() => undefined);
    return () => asked.abort();
  }, [typed, path]);

  const pages = pagesOf(path).filter(({ title }) => title.toLowerCase().includes(typed.toLowerCase()));
  const go = (href: string) => () => {
    close();
    router.push(href);
  };
  return (
    <div className={styles.veil} onClick={close} role="presentation">
      <div onClick={(event) => event.stopPropagation()} role="presentation" className={styles.palette}>
        <Command
          label="Find or do anything"
          shouldFilter={false}
          value={selected}
          onValueChange={setSelected}
          onKeyDown={(event) => {
            if (event.key === 'Escape') close();
          }}
        >
          <Command.Input
            autoFocus
            value={typed}
            onValueChange={setTyped}
            placeholder="A set, a symptom, a part, a command"
          />
          <Command.List>
            <Command.Empty>Nothing by that name.</Command.Empty>
            {found.jobs.length > 0 && (
              <Command.Group heading="On the queue">
                {found.jobs.map((job) => (
                  <Command.Item key={job.id} value={`job-${job.id}`} onSelect={go(`/job/${job.id}/bench`)}>
                    {job.title} <small>{job.place}</small>
                  </Command.Item>
                ))}
              </Command.Group>
            )}
            {found.notes.length > 0 && (
              <Command.Group heading="Notebook">
                {found.notes.map((note) => (
                  <Command.Item key={note.job} value={`note-${note.job}`} onSelect={go(`/notebook/${note.job}`)}>
                    {note.title} <small>{note.cause}</small>
                  </Command.Item>
                ))}
              </Command.Group>
            )}
            {pages.length > 0 && (
              <Command.Group heading="This set">
                {pages.map(({ href, title }) => (
                  <Command.Item key={href} value={`go-${href}`} onSelect={go(href)}>
                    {title}
                  </Command.Item>
                ))}
              </Command.Group>
            )}
            <Command.Group heading="Do">
              {[...navigation, ...more]
                .filter(({ title }) => title.toLowerCase().includes(typed.toLowerCase()))
                .map(({ href, title }) => (
                  <Command.Item key={href} value={`go-${href}`} onSelect={go(href)}>
                    {title}
                  </Command.Item>
                ))}
              {'dark room bench lamp theme'.includes(typed.toLowerCase()) && (
                <Command.Item value="theme" onSelect={theme.toggle}>
                  {theme.name === 'light' ? 'Dark room' : 'Bench lamp'} <small>theme</small>
                </Command.Item>
              )}
            </Command.Group>
          </Command.List>
        </Command>
      </div>
    </div>
  );
}
