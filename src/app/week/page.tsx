import { type Metadata } from 'next';
import { EmptyState } from '@/ui';
import { WeekReview } from '@/features/week';
import { loadWeek } from '@/features/week/load';

export const metadata: Metadata = { title: 'The week' };
export const dynamic = 'force-dynamic';

interface Props {
  readonly searchParams: Promise<{ readonly of?: string | string[] }>;
}

export default async function Page({ searchParams }: Props) {
  const { of } = await searchParams;
  const page = await loadWeek(typeof of === 'string' ? of : undefined);
  return 'refused' in page ? (
    <EmptyState title="No such week">
      <p role="alert">{page.refused}</p>
    </EmptyState>
  ) : (
    <WeekReview page={page} />
  );
}
