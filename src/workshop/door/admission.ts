import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** The cookie that a browser which was let in carries. */
export const passCookie = 'tovrik-pass';
/** How long a browser stays let in, in seconds. */
export const passLasts = 30 * 24 * 3600;

/** Wrong codes that are taken within a while before none is looked at any more; of classes, in which many type, more. */
const mostTries = 8;
const mostClassTries = 60;
const whileLasts = 10 * 60_000;

/** How long an invitation is good, in milliseconds. */
export const invitationLasts = 10 * 60_000;

/** Whom a pass lets in: to the whole shop, or to the hunt of a class and nothing else. */
export type Guest = 'shop' | 'class';
/** Where a pupil of a class may go. */
const ofClasses = /^\/practice\/hunt$/;

/** A pass to carry, or why there is none. */
type Entered = { readonly pass: string } | { readonly refused: string };

/** Who is let in to a server that listens beyond this machine. Nothing of it outlives the server. */
export class Admission {
  private secret = randomBytes(32);
  private readonly code: Buffer;
  private wrong: number[] = [];
  private wrongClass: number[] = [];
  /** Until when each invitation is good, by its digest. */
  private readonly invitations = new Map<string, number>();

  /** @param code what the terminal shows; every browser must be given it once */
  constructor(code: string) {
    this.code = digest(code);
  }

  /**
   * Tries a code.
   *
   * @param now in milliseconds
   */
  enter(code: string, now: number): Entered {
    this.wrong = lately(this.wrong, now);
    if (this.wrong.length >= mostTries) return tooMany;
    if (!timingSafeEqual(digest(code.replace(/\s/g, '')), this.code)) {
      this.wrong.push(now);
      return { refused: 'that is not the code: it stands on the terminal of the server' };
    }
    return { pass: this.newPass('shop') };
  }

  /**
   * Lets a pupil in to a class.
   *
   * @param isOpen is there such a class?
   * @param now in milliseconds
   */
  enterClass(isOpen: boolean, now: number): Entered {
    this.wrongClass = lately(this.wrongClass, now);
    if (this.wrongClass.length >= mostClassTries) return tooMany;
    if (!isOpen) {
      this.wrongClass.push(now);
      return { refused: 'no class has that code: its teacher sees it on the page of the room' };
    }
    return { pass: this.newPass('class') };
  }

  /**
   * A word that lets one browser in, once, for a while: what a code to be photographed carries.
   *
   * @param now in milliseconds
   */
  invite(now: number): string {
    for (const [known, until] of this.invitations) if (until < now) this.invitations.delete(known);
    const word = randomBytes(16).toString('hex');
    this.invitations.set(digest(word).toString('hex'), now + invitationLasts);
    return word;
  }

  /** Lets in whom an invitation brings; it is spent by that. */
  accept(word: string, now: number): Entered {
    const known = digest(word).toString('hex');
    const until = this.invitations.get(known);
    this.invitations.delete(known);
    return until !== undefined && until >= now
      ? { pass: this.newPass('shop') }
      : { refused: 'this invitation is used or too old: make a new one, or type the code' };
  }

  private newPass(guest: Guest): string {
    const named = `${guest}.${randomBytes(12).toString('hex')}`;
    return `${named}.${this.sign(named)}`;
  }

  /** Whom a pass lets in; undefined where it was not given out here, or has been taken back since. */
  guestOf(pass: string | undefined): Guest | undefined {
    const [guest = '', id = '', signature = '', ...more] = pass?.split('.') ?? [];
    if ((guest !== 'shop' && guest !== 'class') || id === '' || more.length > 0) return undefined;
    const expected = Buffer.from(this.sign(`${guest}.${id}`));
    const given = Buffer.from(signature);
    return given.length === expected.length && timingSafeEqual(given, expected) ? guest : undefined;
  }

  /** May who carries a pass see a page or ask something of it? */
  admits(pass: string | undefined, path: string): boolean {
    const guest = this.guestOf(pass);
    return guest === 'shop' || (guest === 'class' && ofClasses.test(path));
  }

  /** Takes every pass back. */
  revoke(): void {
    this.secret = randomBytes(32);
    this.invitations.clear();
  }

  private sign(id: string): string {
    return createHmac('sha256', this.secret).update(id).digest('hex');
  }
}

const tooMany = { refused: `too many wrong codes: wait ${whileLasts / 60_000} minutes, or start the server again` };

const lately = (times: readonly number[], now: number): number[] => times.filter((at) => now - at < whileLasts);

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

const shared = globalThis as { tovrikAdmission?: Admission };

/** The door of this server; undefined where it listens to this machine alone. Proxy and pages share one. */
export function admission(): Admission | undefined {
  const code = process.env.TOVRIK_CODE;
  if (!code) return undefined;
  return (shared.tovrikAdmission ??= new Admission(code));
}
