import { sentJob } from '@/workshop/job';
import { simulatedMeterOffered } from '@/workshop/meter/server';
import { loadJob } from '@/workshop/job/server';
import { loadBriefing } from '@/workshop/advice/server';
import { layoutLine } from '@/workshop/line/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Bench } from '@/features/bench';
import { loadOwnSets } from '@/features/bench/load';

interface Props {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ check?: string | string[]; large?: string | string[] }>;
}

export async function generateMetadata({ params }: Pick<Props, 'params'>): Promise<Metadata> {
  return { title: (await loadJob((await params).id))?.title ?? 'Bench' };
}

export default async function Page({ params, searchParams }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  const { check, large } = await searchParams;
  const [line, own] = await Promise.all([layoutLine(file.sheet), loadOwnSets(file)]);
  const briefing = await loadBriefing(file);
  return (
    <Bench
      key={file.id}
      file={sentJob(file)}
      briefing={briefing}
      line={line}
      usual={own.usual}
      cases={own.cases}
      asked={typeof check === 'string' ? check : undefined}
      startsLarge={large !== undefined}
      simulatedMeter={simulatedMeterOffered()}
    />
  );
}
