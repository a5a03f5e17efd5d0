import { type Metadata } from 'next';
import { Hunt } from '@/features/practice';

export const metadata: Metadata = { title: 'Practice: a hunt' };

export default function Page() {
  return <Hunt />;
}
