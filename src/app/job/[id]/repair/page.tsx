import { sentJob } from '@/workshop/job';
import { loadBriefing } from '@/workshop/advice/server';
import { loadJob } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { loadHand } from '@/features/repair/load';
import { Repair } from '@/features/repair';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadJob((await params).id))?.title ?? 'Repair' };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <Repair key={file.id} file={sentJob(file)} briefing={await loadBriefing(file)} hand={await loadHand()} />;
}
