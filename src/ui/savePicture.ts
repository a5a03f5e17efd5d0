/** Saves a picture by way of the browser: as it is written, or in points. */
export async function savePicture(
  svg: string,
  name: string,
  kind: 'svg' | 'png',
  width: number,
  height: number,
): Promise<void> {
  const written = new Blob([svg], { type: 'image/svg+xml' });
  let blob = written;
  if (kind === 'png') {
    const image = new Image(width, height);
    const address = URL.createObjectURL(written);
    image.src = address;
    await image.decode();
    const canvas = document.createElement('canvas');
    canvas.width = width;
    canvas.height = height;
    canvas.getContext('2d')!.drawImage(image, 0, 0, width, height);
    URL.revokeObjectURL(address);
    blob = await new Promise<Blob>((done) => canvas.toBlob((made) => done(made!), 'image/png'));
  }
  const link = document.createElement('a');
  link.href = URL.createObjectURL(blob);
  link.download = `${name}.${kind}`;
  link.click();
  URL.revokeObjectURL(link.href);
}
