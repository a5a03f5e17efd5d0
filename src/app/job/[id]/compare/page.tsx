import { sentJob } from '@/workshop/job';
import { loadJob } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { JobCompare } from '@/features/compare';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Compare, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <JobCompare key={file.id} file={sentJob(file)} />;
}
