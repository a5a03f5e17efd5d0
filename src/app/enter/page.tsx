import { type Metadata } from 'next';
import { Enter } from '@/features/door';
import { loadDoor } from '@/features/door/load';

export const metadata: Metadata = { title: 'Enter' };
export const dynamic = 'force-dynamic';

interface Props {
  searchParams: Promise<{ by?: string | string[]; room?: string | string[]; to?: string | string[] }>;
}

export default async function Page({ searchParams }: Props) {
  const { by, room, to } = await searchParams;
  return <Enter {...await loadDoor()} invitation={oneOf(by)} room={oneOf(room)} to={pathOf(to)} />;
}

const oneOf = (value: string | string[] | undefined): string | undefined =>
  typeof value === 'string' ? value : undefined;

/** A path of this server and nothing else. */
const pathOf = (to: string | string[] | undefined): string =>
  typeof to === 'string' && /^\/(?![/\\])/.test(to) ? to : '/';
