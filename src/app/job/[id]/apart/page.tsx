import { sentJob } from '@/workshop/job';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Apart } from '@/features/apart';
import { loadLastApart } from '@/features/apart/load';
import { loadJob } from '@/workshop/job/server';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Apart, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <Apart key={file.id} file={sentJob(file)} last={await loadLastApart(file.id, file.sheet.id)} />;
}
