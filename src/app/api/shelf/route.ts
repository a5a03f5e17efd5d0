import { findOnShelf } from '@/features/shelf/load';

/** What is on the shelf, as one types. */
export async function GET(request: Request): Promise<Response> {
  const typed = (new URL(request.url).searchParams.get('q') ?? '').slice(0, 300);
  return Response.json(await findOnShelf(typed));
}
