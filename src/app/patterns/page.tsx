import { type Metadata } from 'next';
import { type PatternId, patternIds } from '@/core/patterns';
import { Patterns } from '@/features/patterns';

export const metadata: Metadata = { title: 'Patterns' };

interface Props {
  searchParams: Promise<{ show?: string }>;
}

export default async function Page({ searchParams }: Props) {
  const { show } = await searchParams;
  const first = patternIds.find((id): id is PatternId => id === show);
  return <Patterns {...(first && { first })} />;
}
