import { sentJob } from '@/workshop/job';
import { loadJob } from '@/workshop/job/server';
import { simulatedMeterOffered } from '@/workshop/meter/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { BoardMap } from '@/features/map';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Map, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <BoardMap key={file.id} file={sentJob(file)} simulated={simulatedMeterOffered()} />;
}
