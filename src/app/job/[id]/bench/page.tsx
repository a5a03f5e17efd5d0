import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Bench } from '@/features/bench';
import { layoutLine } from '@/features/bench/line/layout';
import { loadJob } from '@/features/job/load';
import { simulatedMeterOffered } from '@/features/meter/offered';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: (await loadJob((await params).id))?.title ?? 'Bench' };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return (
    <Bench key={file.id} file={file} line={await layoutLine(file.sheet)} simulatedMeter={simulatedMeterOffered()} />
  );
}
