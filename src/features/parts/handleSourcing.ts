import { attempt, Refusal } from '@/core/quantity';
import { loadSourced } from './sourcing';

/** The answer to a page that asks where things may come from: `?days=4` for all within four days. */
export async function handleSourcing(request: Request): Promise<Response> {
  const asked = new URL(request.url).searchParams.get('days');
  const days = attempt(() => {
    const value = asked === null ? Infinity : Number(asked);
    if (!(value >= 0)) throw new Refusal(`"${asked}" is no number of days`);
    return value;
  });
  if (days instanceof Refusal) return Response.json({ refused: days.message }, { status: 422 });
  return Response.json(await loadSourced(days));
}
