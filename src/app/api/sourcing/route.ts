import { handleSourcing } from '@/features/parts/handleSourcing';

/** Where all that is wanted may come from. */
export async function GET(request: Request): Promise<Response> {
  return handleSourcing(request);
}
