import { type Metadata } from 'next';
import { headers } from 'next/headers';
import { ClassRoom } from '@/features/practice';

export const metadata: Metadata = { title: 'Practice: a class' };

export default async function Page() {
  return <ClassRoom address={(await headers()).get('host') ?? '127.0.0.1'} />;
}
