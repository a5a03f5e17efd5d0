import 'server-only';
import { database, piecesTakenOut } from '@/store';
import { type OwnHand } from '@/core/kit';

/** How the shop’s own soldering has gone: what it took out of donors. */
export const loadHand = async (): Promise<OwnHand> => piecesTakenOut(await database());
