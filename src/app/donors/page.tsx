import { type Metadata } from 'next';
import { Donors } from '@/features/donors';
import { loadDonors } from '@/features/donors/load';

export const metadata: Metadata = { title: 'Donors' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Donors {...await loadDonors()} />;
}
