import { type Metadata } from 'next';
import { Settings } from '@/features/settings';
import { loadSettings } from '@/features/settings/load';

export const metadata: Metadata = { title: 'Settings' };
export const dynamic = 'force-dynamic';

export default async function Page() {
  return <Settings {...await loadSettings()} />;
}
