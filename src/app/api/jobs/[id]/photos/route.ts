import { postPhoto } from '@/workshop/photo/server';

export async function POST(request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return postPhoto(request, (await params).id);
}
