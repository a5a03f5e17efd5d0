import { type LogBody } from '@/core/log';
import { type HuntAct } from '@/core/practice';

/** What a line that a key of the bench records is in a hunt; undefined where it is none. */
export function actOf(body: LogBody): HuntAct | undefined {
  if (body.kind === 'power') return { kind: 'power', to: body.power };
  if (body.kind === 'lamp' || body.kind === 'isolation') return { kind: body.kind, fitted: body.fitted };
  return undefined;
}
