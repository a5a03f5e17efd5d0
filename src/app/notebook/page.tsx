import { type Metadata } from 'next';
import { Notebook } from '@/features/notebook';
import { loadNotes } from '@/features/notebook/load';

export const metadata: Metadata = { title: 'Notebook' };
export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<{ q?: string | string[] }> }) {
  const { q = '' } = await searchParams;
  const typed = (Array.isArray(q) ? q.join(' ') : q).slice(0, 200);
  return <Notebook typed={typed} {...await loadNotes(typed)} />;
}
