import { type Exercise, type Grade } from '@/core/practice';
import { Refusal } from '@/core/quantity';

/** Where a pupil stands, as the teacher sees it. */
export interface Standing {
  readonly name: string;
  readonly acts: number;
  /** What was done last. */
  readonly last: string;
  readonly minutes: number;
  readonly harm: number;
  readonly ended: 'cured' | 'given up' | 'out of time' | undefined;
  /** Once it is over: minutes that were to be expected of the best way, and those that decisions lost. */
  readonly planner: number | undefined;
  readonly lost: number | undefined;
}

interface Room {
  /** Known to the teacher’s browser alone. */
  readonly secret: string;
  readonly exercise: Exercise;
  readonly grade: Grade;
  readonly pupils: Map<string, Standing>;
  /** When anybody was heard of last, in milliseconds. */
  heard: number;
}

/** So many rooms are open at once, and so many pupils sit in one. */
export const mostRooms = 20;
export const mostPupils = 60;
/** A room in which nobody stirs is closed after so many milliseconds. */
const idle = 12 * 3_600_000;
/** Letters of a code; none that look like another. */
const letters = 'ACDEFHJKLMNPRTUVWXY347';
const codeLength = 5;

/**
 * Rooms in which a class hunts the same fault. They live in the server’s memory alone and hold nobody’s acts, only where
 * each stands; every browser keeps its own hunt, and the teacher’s opens its room again after a start of the server.
 */
export class Rooms {
  readonly #rooms = new Map<string, Room>();

  constructor(
    readonly now: () => number,
    readonly random: () => number,
  ) {}

  /** The code of the room that a secret has opened; undefined where it is not open. */
  codeOf(secret: string): string | undefined {
    for (const [code, room] of this.#rooms) if (room.secret === secret) return code;
    return undefined;
  }

  /** Opens a room, or gives the one that this secret has opened. @throws Refusal where too many are open */
  open(secret: string, exercise: Exercise, grade: Grade, wanted?: string): string {
    this.#sweep();
    const open = this.codeOf(secret);
    if (open !== undefined) return open;
    if (this.#rooms.size >= mostRooms) throw new Refusal(`${mostRooms} rooms are open: close one of them first`);
    const code = wanted !== undefined && this.#isFree(wanted) ? wanted : this.#newCode();
    this.#rooms.set(code, { secret, exercise, grade, pupils: new Map(), heard: this.now() });
    return code;
  }

  /** Is there a room with this code, however it is typed? */
  isOpen(code: string): boolean {
    return this.#rooms.has(code.trim().toUpperCase());
  }

  /** What is hunted in a room. @throws Refusal where there is none */
  exerciseIn(code: string): { readonly exercise: Exercise; readonly grade: Grade } {
    const { exercise, grade } = this.#room(code);
    return { exercise, grade };
  }

  /** Takes down where a pupil stands. A room that is closed hears nothing, and the pupil goes on alone. */
  hear(code: string, pupil: string, standing: Standing): void {
    const room = this.#rooms.get(code);
    if (!room || (room.pupils.size >= mostPupils && !room.pupils.has(pupil))) return;
    room.heard = this.now();
    room.pupils.set(pupil, standing);
  }

  /** All pupils of a room, in the order in which they came. @throws Refusal for anybody but its teacher */
  see(code: string, secret: string): readonly Standing[] {
    const room = this.#room(code);
    if (room.secret !== secret) throw new Refusal('that room was opened by another browser');
    room.heard = this.now();
    return [...room.pupils.values()];
  }

  /** Closes a room. @throws Refusal for anybody but its teacher */
  close(code: string, secret: string): void {
    this.see(code, secret);
    this.#rooms.delete(code);
  }

  #room(code: string): Room {
    const room = this.#rooms.get(code.trim().toUpperCase());
    if (!room) throw new Refusal(`there is no room ${code.trim().toUpperCase()}: ask for its code again`);
    return room;
  }

  #isFree(code: string): boolean {
    return [...code].length === codeLength && [...code].every((one) => letters.includes(one)) && !this.#rooms.has(code);
  }

  #newCode(): string {
    for (;;) {
      const code = Array.from({ length: codeLength }, () => letters[Math.floor(this.random() * letters.length)]).join(
        '',
      );
      if (!this.#rooms.has(code)) return code;
    }
  }

  #sweep(): void {
    for (const [code, { heard }] of this.#rooms) if (this.now() - heard > idle) this.#rooms.delete(code);
  }
}
