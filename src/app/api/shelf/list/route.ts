import { giveList, takeList } from '@/features/shelf/handleList';

export async function POST(request: Request): Promise<Response> {
  return takeList(request);
}

export async function GET(): Promise<Response> {
  return giveList();
}
