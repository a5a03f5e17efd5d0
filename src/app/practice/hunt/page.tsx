import { type Metadata } from 'next';
import { Hunt } from '@/features/practice';
import { loadCurrency } from '@/features/practice/load';

export const metadata: Metadata = { title: 'Practice: a hunt' };

export const dynamic = 'force-dynamic';

interface Props {
  searchParams: Promise<{ readonly room?: string }>;
}

export default async function Page({ searchParams }: Props) {
  return <Hunt currency={await loadCurrency()} room={(await searchParams).room} />;
}
