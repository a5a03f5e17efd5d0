import { type Metadata } from 'next';
import { CompareDesk } from '@/features/compare';

export const metadata: Metadata = { title: 'Compare' };

export default function Page() {
  return <CompareDesk />;
}
