import { cookies } from 'next/headers';
import { admission, passCookie } from '@/workshop/door/server';

/** How this browser stands before the door; `code` is for the next device, where this one is in. */
export async function loadDoor(): Promise<{ readonly isIn: boolean; readonly code: string | undefined }> {
  const door = admission();
  const isIn = !door || door.admits((await cookies()).get(passCookie)?.value);
  return { isIn, code: isIn ? process.env.TOVRIK_CODE : undefined };
}
