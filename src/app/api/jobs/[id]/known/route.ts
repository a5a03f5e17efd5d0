import { getKnown } from '@/features/reckoner/handleKnown';

export async function GET(_request: Request, { params }: { params: Promise<{ id: string }> }): Promise<Response> {
  return getKnown((await params).id);
}
