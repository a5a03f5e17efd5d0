import { standIn } from '@/workshop/meter/server';

export const dynamic = 'force-dynamic';

interface Params {
  params: Promise<{ job: string }>;
}

export async function GET(request: Request, { params }: Params): Promise<Response> {
  return standIn((await params).job, new URL(request.url).searchParams);
}
