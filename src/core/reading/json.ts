import { type LogBody } from './log';

/** JSON has no infinity and writes OL as null; this puts it back. */
export function reviveBody(body: LogBody): LogBody {
  if (body.kind !== 'reading' || body.answer.kind !== 'number' || (body.answer.value as number | null) !== null)
    return body;
  return { ...body, answer: { ...body.answer, value: Infinity } };
}
