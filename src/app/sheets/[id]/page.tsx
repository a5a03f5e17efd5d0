import { notFound } from 'next/navigation';
import { SheetEditor } from '@/features/sheets';
import { adoptSheet, loadSheet } from '@/features/sheets/load';

interface PageProps {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ adopt?: string; version?: string }>;
}

export default async function Page({ params, searchParams }: PageProps) {
  const { id } = await params;
  const { adopt, version } = await searchParams;
  const opened = adopt === undefined ? await loadSheet(id, Number(version)) : await adoptSheet(id);
  if (!opened) notFound();
  return <SheetEditor key={`${opened.id}@${opened.version}@${version ?? ''}`} opened={opened} />;
}
