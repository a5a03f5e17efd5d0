'use server';

import { array, boolean, lazy, number, object, type Schema, string } from 'yup';
import { type HuntAct } from '@/core/practice';
import { shippedSheets } from '@/sheets';
import { answered, type Answered } from '@/workshop/answer';
import { type Aim, aims, type HintLevel, hintLevels, hintOf, huntViewOf, type HuntView, setsFor } from './huntView';

/** A hunt is over by then. */
const mostActs = 300;

const ways: Readonly<Record<HuntAct['kind'], Schema>> = {
  power: object({
    to: string()
      .oneOf(['live', 'unplugged', 'proven'] as const)
      .required(),
  }),
  lamp: object({ fitted: boolean().required() }),
  isolation: object({ fitted: boolean().required() }),
  probe: object({ check: string().max(80).required() }),
  repair: object({ action: string().max(120).required() }),
  'give up': object({}),
};

const act = lazy((value: { kind?: unknown } | undefined) => {
  const kind = typeof value?.kind === 'string' && Object.hasOwn(ways, value.kind) ? value.kind : '';
  const named = object({ kind: string().oneOf(Object.keys(ways), 'an act is one of ${values}').required() });
  return kind === '' ? named.required() : named.concat(ways[kind as HuntAct['kind']] as typeof named).required();
});

const asked = object({
  seed: number()
    .integer('a seed is a whole number')
    .min(0)
    .max(2 ** 31)
    .required(),
  aim: string()
    .oneOf(Object.keys(aims) as Aim[], 'an aim is one of ${values}')
    .required(),
  acts: array(act).max(mostActs, `a hunt has up to ${mostActs} acts`).required(),
});

async function read(request: unknown) {
  const { seed, aim, acts } = await asked.validate(request, { strict: true });
  return [setsFor(shippedSheets().values(), aim), seed, acts as readonly HuntAct[]] as const;
}

/** What a hunt looks like after some acts. Nothing is kept: the acts are the hunt. */
export async function viewHunt(request: unknown): Promise<Answered<HuntView>> {
  return answered(async () => huntViewOf(...(await read(request))));
}

/** A hint for a hunt. */
export async function hintFor(request: unknown, level: HintLevel): Promise<Answered<string>> {
  return answered(async () => {
    const known = await string().oneOf(hintLevels).required().validate(level, { strict: true });
    return hintOf(...(await read(request)), known);
  });
}
