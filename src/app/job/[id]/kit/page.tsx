import { sentJob } from '@/workshop/job';
import { loadJob, loadReturns } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { KitPage } from '@/features/kit';
import { loadHouse } from '@/features/kit/load';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Kit, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <KitPage key={file.id} file={sentJob(file)} house={await loadHouse(file)} seen={await loadReturns()} />;
}
