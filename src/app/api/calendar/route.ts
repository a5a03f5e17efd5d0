import { giveCalendar } from '@/features/queue/handleCalendar';

export const dynamic = 'force-dynamic';

export async function GET(request: Request): Promise<Response> {
  return giveCalendar(request);
}
