import { sentJob } from '@/workshop/job';
import { loadJob } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ShapePage } from '@/features/shape';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Shape, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <ShapePage key={file.id} file={sentJob(file)} />;
}
