import { type Metadata } from 'next';
import { StageDesk } from '@/features/stage';
import { loadStages } from '@/features/stage/load';

export const metadata: Metadata = { title: 'Stage' };

export default function Page() {
  return <StageDesk stages={loadStages()} first="rgb-driver" />;
}
