import { type Metadata } from 'next';
import { Parts } from '@/features/parts';
import { loadParts } from '@/features/parts/load';

export const metadata: Metadata = { title: 'Parts' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Parts {...await loadParts()} />;
}
