import { getLog, postLog } from '@/workshop/job/server';

interface Params {
  params: Promise<{ id: string }>;
}

export async function POST(request: Request, { params }: Params): Promise<Response> {
  return postLog(request, (await params).id);
}

export async function GET(request: Request, { params }: Params): Promise<Response> {
  const after = new URL(request.url).searchParams.get('after');
  return getLog((await params).id, after === null ? undefined : Number(after));
}
