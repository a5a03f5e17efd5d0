import { getLog, postLog } from '@/workshop/job/server';

interface Params {
  params: Promise<{ id: string }>;
}

export async function POST(request: Request, { params }: Params): Promise<Response> {
  return postLog(request, (await params).id);
}

export async function GET(_request: Request, { params }: Params): Promise<Response> {
  return getLog((await params).id);
}
