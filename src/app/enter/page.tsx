import { type Metadata } from 'next';
import { Enter } from '@/features/door';
import { loadDoor } from '@/features/door/load';

export const metadata: Metadata = { title: 'Enter' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Enter {...await loadDoor()} />;
}
