import { writeFileSync } from 'node:fs';
import { PNG } from 'pngjs';
import { photographed } from '@/core/crosshatch';
import { seeded } from '@/core/statistics';

// A made-up photograph of a crosshatch, for pictures of the application: tsx src/demo/drawCrosshatch.ts FILE.png
const [file] = process.argv.slice(2);
const { picture } = photographed({ across: 15, down: 11 }, 1600, seeded(10), {
  askew: 10,
  shape: 0.02,
  colours: 0.006,
  noise: 0.02,
  fill: 0.9,
});
const png = new PNG({ width: picture.width, height: picture.height });
png.data = Buffer.from(picture.data);
writeFileSync(file!, PNG.sync.write(png));
