import { type Metadata } from 'next';
import { Practice } from '@/features/practice';
import { loadFirstDrill } from '@/features/practice/load';

export const metadata: Metadata = { title: 'Practice' };

export const dynamic = 'force-dynamic';

export default function Page() {
  return <Practice first={loadFirstDrill()} />;
}
