'use client';

import { Input } from 'antd';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';

const pause = 180;

/** Searches as one types; the words stay in the address so that a search can be gone back to. */
export function SearchBox({ initial }: { initial: string }) {
  const router = useRouter();
  const [typed, setTyped] = useState(initial);
  useEffect(() => {
    if (typed === initial) return undefined;
    const timer = setTimeout(
      () =>
        router.replace(typed.trim() === '' ? '/notebook' : `/notebook?q=${encodeURIComponent(typed)}`, {
          scroll: false,
        }),
      pause,
    );
    return () => clearTimeout(timer);
  }, [typed, initial, router]);
  return (
    <Input
      size="large"
      autoFocus
      value={typed}
      allowClear
      maxLength={200}
      placeholder="A chassis, a symptom, a part, a board number"
      aria-label="Search the notebook"
      onChange={(event) => setTyped(event.target.value)}
    />
  );
}
