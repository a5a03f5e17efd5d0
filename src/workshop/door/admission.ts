import { createHash, createHmac, randomBytes, timingSafeEqual } from 'node:crypto';

/** The cookie that a browser which was let in carries. */
export const passCookie = 'tovrik-pass';
/** How long a browser stays let in, in seconds. */
export const passLasts = 30 * 24 * 3600;

/** Wrong codes that are taken within a while before none is looked at any more. */
const mostTries = 8;
const whileLasts = 10 * 60_000;

/** How long an invitation is good, in milliseconds. */
export const invitationLasts = 10 * 60_000;

/** Who is let in to a server that listens beyond this machine. Nothing of it outlives the server. */
export class Admission {
  private secret = randomBytes(32);
  private readonly code: Buffer;
  private wrong: number[] = [];
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
   * @returns the pass to carry, or why there is none
   */
  enter(code: string, now: number): { readonly pass: string } | { readonly refused: string } {
    this.wrong = this.wrong.filter((at) => now - at < whileLasts);
    if (this.wrong.length >= mostTries)
      return { refused: `too many wrong codes: wait ${whileLasts / 60_000} minutes, or start the server again` };
    if (!timingSafeEqual(digest(code.replace(/\s/g, '')), this.code)) {
      this.wrong.push(now);
      return { refused: 'that is not the code: it stands on the terminal of the server' };
    }
    return { pass: this.newPass() };
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
  accept(word: string, now: number): { readonly pass: string } | { readonly refused: string } {
    const known = digest(word).toString('hex');
    const until = this.invitations.get(known);
    this.invitations.delete(known);
    return until !== undefined && until >= now
      ? { pass: this.newPass() }
      : { refused: 'this invitation is used or too old: make a new one, or type the code' };
  }

  private newPass(): string {
    const id = randomBytes(12).toString('hex');
    return `${id}.${this.sign(id)}`;
  }

  /** Was this pass given out here, and not taken back since? */
  admits(pass: string | undefined): boolean {
    const [id = '', signature = '', ...more] = pass?.split('.') ?? [];
    if (id === '' || more.length > 0) return false;
    const expected = Buffer.from(this.sign(id));
    const given = Buffer.from(signature);
    return given.length === expected.length && timingSafeEqual(given, expected);
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

const digest = (text: string): Buffer => createHash('sha256').update(text).digest();

const shared = globalThis as { tovrikAdmission?: Admission };

/** The door of this server; undefined where it listens to this machine alone. Proxy and pages share one. */
export function admission(): Admission | undefined {
  const code = process.env.TOVRIK_CODE;
  if (!code) return undefined;
  return (shared.tovrikAdmission ??= new Admission(code));
}
