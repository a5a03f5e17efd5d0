import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Report } from '@/features/notebook';
import { loadNote } from '@/features/notebook/load';

export const metadata: Metadata = { title: 'Report' };

export default async function Page({ params }: { params: Promise<{ job: string }> }) {
  const found = await loadNote((await params).job);
  if (!found) notFound();
  return <Report {...found} />;
}
