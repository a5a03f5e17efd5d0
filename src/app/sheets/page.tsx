import { type Metadata } from 'next';
import { Sheets } from '@/features/sheets';
import { loadSheets } from '@/features/sheets/load';

export const metadata: Metadata = { title: 'Sheets' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Sheets cards={await loadSheets()} />;
}
