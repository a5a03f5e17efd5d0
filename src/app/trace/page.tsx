import { type Metadata } from 'next';
import { OwnTrace } from '@/features/trace';
import { loadPatterns } from '@/features/trace/load';

export const metadata: Metadata = { title: 'Trace' };

export default function Page() {
  return <OwnTrace patterns={loadPatterns()} />;
}
