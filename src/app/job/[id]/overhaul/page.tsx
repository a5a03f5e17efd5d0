import { sentJob } from '@/workshop/job';
import { loadJob, loadReturns } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Overhaul } from '@/features/overhaul';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Overhaul, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <Overhaul key={file.id} file={sentJob(file)} seen={await loadReturns()} />;
}
