import { getPhoto } from '@/workshop/photo/server';

export async function GET(
  _request: Request,
  { params }: { params: Promise<{ id: string; photo: string }> },
): Promise<Response> {
  const { id, photo } = await params;
  return getPhoto(id, photo);
}
