import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Note } from '@/features/notebook';
import { loadNote } from '@/features/notebook/load';

export const metadata: Metadata = { title: 'Fault note' };

export default async function Page({ params }: { params: Promise<{ job: string }> }) {
  const found = await loadNote((await params).job);
  if (!found) notFound();
  return <Note {...found} />;
}
