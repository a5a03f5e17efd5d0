import { giveArchive } from '@/features/settings/handleArchive';

export async function GET(request: Request): Promise<Response> {
  return giveArchive(request);
}
