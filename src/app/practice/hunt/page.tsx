import { type Metadata } from 'next';
import { Hunt } from '@/features/practice';
import { loadCurrency } from '@/features/practice/load';

export const metadata: Metadata = { title: 'Practice: a hunt' };

export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Hunt currency={await loadCurrency()} />;
}
