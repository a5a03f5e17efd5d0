import { type Metadata } from 'next';
import { TakeIn } from '@/features/take-in';
import { loadTakeIn } from '@/features/take-in/load';

export const metadata: Metadata = { title: 'Take in' };
export const dynamic = 'force-dynamic';

export default async function Page({ searchParams }: { searchParams: Promise<Record<string, string>> }) {
  return <TakeIn {...await loadTakeIn(await searchParams)} />;
}
