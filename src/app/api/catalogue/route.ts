import { takeCatalogue } from '@/features/parts/handleCatalogue';

/** A supplier’s catalogue, from a file. */
export async function POST(request: Request): Promise<Response> {
  return takeCatalogue(request);
}
