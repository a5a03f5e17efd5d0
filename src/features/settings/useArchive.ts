import { useRouter } from 'next/navigation';
import { useRef, useState } from 'react';
import { type Merged } from '@/store';
import { type ArchiveWord } from './handleArchive';

/** How far a file is that is being taken in. */
export type Taking =
  | { readonly kind: 'none' }
  | { readonly kind: 'reading' | 'taking'; readonly file: File; readonly share: number }
  | { readonly kind: 'looked'; readonly file: File; readonly merged: Merged }
  | { readonly kind: 'taken'; readonly merged: Merged }
  | { readonly kind: 'refused'; readonly message: string };

/** Takes an archive in: looked through first, then taken or not; it can be given up at any moment. */
export function useArchive() {
  const router = useRouter();
  const [taking, setTaking] = useState<Taking>({ kind: 'none' });
  const off = useRef<AbortController>(undefined);
  const send = async (file: File, query: string, kind: 'reading' | 'taking'): Promise<void> => {
    const abort = new AbortController();
    off.current = abort;
    setTaking({ kind, file, share: 0 });
    try {
      const response = await fetch(`/api/shop/import?${query}`, { method: 'POST', body: file, signal: abort.signal });
      for await (const word of wordsOf(response)) {
        if ('done' in word) setTaking({ kind, file, share: word.done / Math.max(1, word.of) });
        else if ('refused' in word) setTaking({ kind: 'refused', message: word.refused });
        else if (kind === 'reading') setTaking({ kind: 'looked', file, merged: word.merged });
        else {
          setTaking({ kind: 'taken', merged: word.merged });
          router.refresh();
        }
      }
    } catch {
      setTaking({
        kind: 'refused',
        message: abort.signal.aborted
          ? 'Given up; nothing was changed.'
          : 'The server did not answer; nothing is lost.',
      });
    }
  };
  return {
    taking,
    look: (file: File) => void send(file, 'dry', 'reading'),
    take: (file: File, prefer: 'here' | 'there') => void send(file, `prefer=${prefer}`, 'taking'),
    giveUp: () => off.current?.abort(),
    leave: () => setTaking({ kind: 'none' }),
    refuse: (message: string) => setTaking({ kind: 'refused', message }),
  };
}

async function* wordsOf(response: Response): AsyncGenerator<ArchiveWord> {
  const reader = response.body!.pipeThrough(new TextDecoderStream()).getReader();
  let left = '';
  for (;;) {
    const { done, value } = await reader.read();
    const lines = (left + (value ?? '')).split('\n');
    left = lines.pop()!;
    for (const line of lines) yield JSON.parse(line) as ArchiveWord;
    if (done) return;
  }
}
