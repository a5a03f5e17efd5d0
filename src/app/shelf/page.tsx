import { type Metadata } from 'next';
import { Shelf } from '@/features/shelf';
import { loadShelf } from '@/features/shelf/load';

export const metadata: Metadata = { title: 'Shelf' };
export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<{ q?: string | string[] }> }) {
  const { q = '' } = await searchParams;
  const typed = (Array.isArray(q) ? q.join(' ') : q).slice(0, 300);
  return <Shelf typed={typed} {...await loadShelf(typed)} />;
}
