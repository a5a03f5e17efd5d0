import { type Metadata } from 'next';
import { ClassSheet } from '@/features/practice';
import { loadSolution } from '@/features/practice/load';

export const metadata: Metadata = { title: 'Practice: a sheet for a class' };

interface Props {
  searchParams: Promise<Readonly<Record<string, string | undefined>>>;
}

export default async function Page({ searchParams }: Props) {
  const { answers, seed, ...exercise } = await searchParams;
  const solved = await loadSolution({ ...exercise, seed: Number(seed) });
  if ('refused' in solved)
    return (
      <p role="alert" className="bad">
        {solved.refused}
      </p>
    );
  return <ClassSheet title={exercise.title ?? ''} solution={solved.done} answers={answers === '1'} />;
}
