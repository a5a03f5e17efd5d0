import { type Metadata } from 'next';
import { Enter } from '@/features/door';
import { loadDoor } from '@/features/door/load';

export const metadata: Metadata = { title: 'Enter' };
export const dynamic = 'force-dynamic';

interface Props {
  searchParams: Promise<{ by?: string | string[]; to?: string | string[] }>;
}

export default async function Page({ searchParams }: Props) {
  const { by, to } = await searchParams;
  return <Enter {...await loadDoor()} invitation={typeof by === 'string' ? by : undefined} to={pathOf(to)} />;
}

/** A path of this server and nothing else. */
const pathOf = (to: string | string[] | undefined): string =>
  typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/';
