import { type Metadata } from 'next';
import { headers } from 'next/headers';
import { Labels } from '@/features/shelf';
import { loadLabels } from '@/features/shelf/loadLabels';

export const metadata: Metadata = { title: 'Labels' };
export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<{ q?: string | string[] }> }) {
  const { q = '' } = await searchParams;
  const typed = (Array.isArray(q) ? q.join(' ') : q).slice(0, 300);
  const host = (await headers()).get('host') ?? '127.0.0.1';
  return <Labels typed={typed} labels={await loadLabels(typed, `http://${host}`)} />;
}
