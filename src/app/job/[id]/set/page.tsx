import { sentJob } from '@/workshop/job';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Details } from '@/features/details';
import { loadDetails } from '@/features/details/load';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadDetails((await params).id))?.details.title ?? 'What it is' };
}

export default async function Page({ params }: Props) {
  const details = await loadDetails((await params).id);
  if (!details) notFound();
  return <Details key={details.file.id} {...details} file={sentJob(details.file)} />;
}
