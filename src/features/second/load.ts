import 'server-only';
import { headers } from 'next/headers';
import QRCode from 'qrcode';
import { admission, invitationLasts, reachedAt } from '@/workshop/door/server';

/** A page of a job for another device, with a code to be photographed that leads there and lets it in. */
export interface Invitation {
  readonly title: string;
  readonly tell: string;
  /** Leads there, and lets one browser in. */
  readonly link: string;
  /** The link as a code to be photographed: an image as a data address. */
  readonly code: string;
}

const pages = [
  {
    path: 'bench?large',
    title: 'Large figures',
    tell: 'The probe that is due and what was read last, to be seen from across the room. It follows the bench.',
  },
  {
    path: 'map',
    title: 'Photographs',
    tell: 'The board map with the camera of the telephone: what it takes is on this screen a moment later.',
  },
  { path: 'bench', title: 'The bench itself', tell: 'Readings from either device go into one log.' },
] as const;

/** Invitations to a job for other devices; none where only this machine reaches the server. */
export async function loadInvitations(job: string): Promise<{
  readonly minutes: number;
  readonly invitations: readonly Invitation[];
}> {
  const origin = reachedAt((await headers()).get('host') ?? '', process.env.TOVRIK_HOSTS);
  const door = admission();
  const minutes = invitationLasts / 60_000;
  if (origin === undefined || !door) return { minutes, invitations: [] };
  const now = Date.now();
  const invitations = await Promise.all(
    pages.map(async ({ path, title, tell }): Promise<Invitation> => {
      const to = `/job/${job}/${path}`;
      const link = `${origin}/enter?${new URLSearchParams({ by: door.invite(now), to }).toString()}`;
      return { title, tell, link, code: await QRCode.toDataURL(link, { margin: 2, width: 300 }) };
    }),
  );
  return { minutes, invitations };
}
