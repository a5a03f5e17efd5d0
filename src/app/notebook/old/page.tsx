import { type Metadata } from 'next';
import { OldNotes } from '@/features/notebook';
import { loadOldNotes } from '@/features/notebook/load';

export const metadata: Metadata = { title: 'Old notes' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <OldNotes {...await loadOldNotes()} />;
}
