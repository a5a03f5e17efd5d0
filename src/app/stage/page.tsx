import { sentJob } from '@/workshop/job';
import { type Metadata } from 'next';
import { JobStage, StageScreen } from '@/features/stage';
import { loadInside, loadStages } from '@/features/stage/load';

export const metadata: Metadata = { title: 'Stage' };

interface Props {
  searchParams: Promise<{ job?: string; block?: string; stage?: string }>;
}

export default async function Page({ searchParams }: Props) {
  const { job, block, stage = 'rgb-driver' } = await searchParams;
  const file = job !== undefined && block !== undefined ? await loadInside(job, block) : undefined;
  return file ? (
    <JobStage key={`${file.id} ${block}`} file={sentJob(file)} block={block!} stages={loadStages()} />
  ) : (
    <StageScreen stages={loadStages()} first={stage} />
  );
}
