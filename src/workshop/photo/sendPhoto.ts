import { largestPicked } from './photoTypes';

/** Longest side of a photograph as it is kept, in pixels. */
const longestSide = 1800;

/** Makes a photograph small enough and sends it. @returns its id, or what is wrong as a message */
export async function sendPhoto(
  job: string,
  file: File,
): Promise<{ readonly id: string } | { readonly refused: string }> {
  const size = `${file.name} is ${Math.round(file.size / 1048576)} MB`;
  if (file.size > largestPicked)
    return { refused: `${size}: photographs of up to ${largestPicked / 1048576} MB are taken. Make it smaller first.` };
  const blob = await shrunk(file);
  if (!blob) return { refused: `${file.name} is no photograph that this browser can read: take a JPEG, PNG or WebP.` };
  const id = crypto.randomUUID();
  try {
    const response = await fetch(`/api/jobs/${job}/photos`, {
      method: 'POST',
      headers: { 'x-photo-id': id },
      body: blob,
    });
    if (response.ok) return { id };
    const { message } = (await response.json()) as { message?: string };
    return { refused: `Not kept: ${message ?? `the server answered ${response.status}`}.` };
  } catch {
    return { refused: 'The server is away: nothing was kept. Choose the photograph again when it is back.' };
  }
}

async function shrunk(file: File): Promise<Blob | undefined> {
  try {
    const bitmap = await createImageBitmap(file);
    const scale = Math.min(1, longestSide / Math.max(bitmap.width, bitmap.height));
    const canvas = new OffscreenCanvas(Math.round(bitmap.width * scale), Math.round(bitmap.height * scale));
    canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
    bitmap.close();
    return await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.85 });
  } catch {
    return undefined;
  }
}
