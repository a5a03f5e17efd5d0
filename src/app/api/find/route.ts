import { find } from '@/features/shell/find';

export async function GET(request: Request): Promise<Response> {
  return Response.json(await find(new URL(request.url).searchParams.get('q') ?? ''));
}
