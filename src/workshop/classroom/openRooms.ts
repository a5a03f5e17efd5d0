import 'server-only';
import { Rooms } from './rooms';

// Routes and actions are built apart, and share what hangs here.
const shared = globalThis as { tovrikRooms?: Rooms };

/** The rooms of this server. */
export const rooms = (): Rooms => (shared.tovrikRooms ??= new Rooms(Date.now, Math.random));
