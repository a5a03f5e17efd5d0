import { useRef, useState } from 'react';
import { headingsOf, namesParts, withHeadings } from '@/core/supply';

/** What was told of a list, or why it was refused. */
type Told = { readonly lines: number; readonly pieces: number } | { readonly refused: string };

/** Where a list stands on its way to the shelf. */
export type ListState =
  | { readonly step: 'none' }
  /** Its columns have names that nobody knows: they are to be told. */
  | { readonly step: 'columns'; readonly headings: readonly string[] }
  | { readonly step: 'reading'; readonly done: number; readonly all: number }
  | { readonly step: 'read'; readonly lines: number; readonly pieces: number }
  | { readonly step: 'putting'; readonly lines: number }
  | { readonly step: 'refused'; readonly words: string };

/** So many lines are looked through at a time. */
const slice = 2000;

/** Under which name a browser keeps what the columns of such lists are. */
const keptUnder = (headings: readonly string[]) => `tovrik-columns:${headings.join('|')}`;

async function send(text: string, query: string, signal: AbortSignal): Promise<Told> {
  const answer = await fetch(`/api/shelf/list?${query}`, { method: 'POST', body: text, signal });
  return (await answer.json()) as Told;
}

/** Pieces of a list, each under its heading, with the lines before it; a list with quotes is one piece. */
function* pieces(text: string): Generator<{ readonly text: string; readonly before: number; readonly all: number }> {
  const [heading = '', ...lines] = text.trimEnd().split('\n');
  const size = text.includes('"') ? lines.length : slice;
  for (let from = 0; from < lines.length || from === 0; from += Math.max(1, size))
    yield { text: [heading, ...lines.slice(from, from + size)].join('\n'), before: from, all: lines.length };
}

/** A stock list on its way in: its columns, what can be read of it, and all of it put, or given up at any time. */
export function useListFile(onPut: () => void) {
  const [state, setState] = useState<ListState>({ step: 'none' });
  const text = useRef('');
  const under = useRef<AbortController>(undefined);

  const attempt = async (work: (signal: AbortSignal) => Promise<ListState>) => {
    const given = (under.current = new AbortController());
    try {
      setState(await work(given.signal));
    } catch {
      setState({
        step: 'refused',
        words: given.signal.aborted
          ? 'given up: nothing of the list was put'
          : 'the server does not answer: see that it runs, then open the file again',
      });
    }
  };

  const look = () =>
    attempt(async (signal) => {
      const sum = { lines: 0, pieces: 0 };
      for (const piece of pieces(text.current)) {
        setState({ step: 'reading', done: piece.before, all: piece.all });
        const told = await send(piece.text, `before=${piece.before}`, signal);
        if ('refused' in told) return { step: 'refused', words: told.refused };
        sum.lines += told.lines;
        sum.pieces += told.pieces;
      }
      return { step: 'read', ...sum };
    });

  /** Names the columns, and keeps that for the next list with these headings. */
  const name = (headings: readonly string[], names: ReadonlyMap<number, string>) => {
    localStorage.setItem(keptUnder(headings), JSON.stringify([...names]));
    text.current = withHeadings(text.current, names);
    void look();
  };

  const open = (read: string) => {
    text.current = read;
    const headings = headingsOf(read);
    if (namesParts(headings) || headings.length < 2) return void look();
    const kept = localStorage.getItem(keptUnder(headings));
    if (kept !== null) return name(headings, new Map(JSON.parse(kept) as [number, string][]));
    setState({ step: 'columns', headings });
  };

  const put = () =>
    attempt(async (signal) => {
      setState({ step: 'putting', lines: state.step === 'read' ? state.lines : 0 });
      const told = await send(text.current, 'put', signal);
      if ('refused' in told) return { step: 'refused', words: told.refused };
      onPut();
      return { step: 'none' };
    });

  return {
    state,
    open,
    name,
    put: () => void put(),
    giveUp: () => under.current?.abort(),
    refuse: (words: string) => setState({ step: 'refused', words }),
  };
}
