import { takeArchive } from '@/features/settings/handleArchive';

export function POST(request: Request): Response {
  return takeArchive(request);
}
