import { loadJob, loadReturns } from '@/workshop/job/server';
import { type Metadata } from 'next';
import { notFound } from 'next/navigation';
import { ConditionReport } from '@/features/overhaul';
import { shopName } from '@/features/overhaul/load';

interface Props {
  params: Promise<{ id: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `Condition report, ${(await loadJob((await params).id))?.title ?? ''}` };
}

export default async function Page({ params }: Props) {
  const file = await loadJob((await params).id);
  if (!file) notFound();
  return <ConditionReport file={file} seen={await loadReturns()} shop={await shopName()} />;
}
