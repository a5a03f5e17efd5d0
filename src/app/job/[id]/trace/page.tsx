import { sentJob } from '@/workshop/job';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { JobTrace } from '@/features/trace';
import { loadPatterns, loadTracedBefore } from '@/features/trace/load';
import { simulatedMeterOffered } from '@/workshop/meter/server';
import { loadJob } from '@/workshop/job/server';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Trace, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return (
    <JobTrace
      key={file.id}
      file={sentJob(file)}
      patterns={loadPatterns()}
      before={await loadTracedBefore(file.id, file.sheet.id)}
      simulatedMeter={simulatedMeterOffered()}
    />
  );
}
