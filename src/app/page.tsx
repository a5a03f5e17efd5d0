import { type Metadata } from 'next';
import { Queue } from '@/features/queue';
import { loadQueue } from '@/features/queue/load';

export const metadata: Metadata = { title: 'Queue' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Queue {...await loadQueue()} />;
}
