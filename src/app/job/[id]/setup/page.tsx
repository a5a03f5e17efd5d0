import { sentJob } from '@/workshop/job';
import { loadJob } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { simulatedMeterOffered } from '@/workshop/meter/server';
import { SetUpPage } from '@/features/setup';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Set-up, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <SetUpPage key={file.id} file={sentJob(file)} simulatedMeter={simulatedMeterOffered()} />;
}
