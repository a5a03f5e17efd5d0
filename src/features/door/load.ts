import { cookies } from 'next/headers';
import { type Guest } from '@/workshop/door';
import { admission, passCookie } from '@/workshop/door/server';

/** How this browser stands before the door; `code` is for the next device, where this one is in the shop. */
export async function loadDoor(): Promise<{ readonly guest: Guest | undefined; readonly code: string | undefined }> {
  const door = admission();
  const guest = door ? door.guestOf((await cookies()).get(passCookie)?.value) : 'shop';
  return { guest, code: guest === 'shop' ? process.env.TOVRIK_CODE : undefined };
}
