import { type Metadata } from 'next';
import { StageDesk } from '@/features/stage';
import { loadInside, loadStages } from '@/features/stage/load';

export const metadata: Metadata = { title: 'Stage' };

interface Props {
  searchParams: Promise<{ job?: string; block?: string; stage?: string }>;
}

export default async function Page({ searchParams }: Props) {
  const { job, block, stage = 'rgb-driver' } = await searchParams;
  const inside = job !== undefined && block !== undefined ? await loadInside(job, block) : undefined;
  return <StageDesk stages={loadStages()} first={stage} inside={inside && { ...inside, job: job! }} />;
}
