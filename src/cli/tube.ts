import { planesOf } from '@/core/plane';
import { placed, Refusal } from '@/core/quantity';
import { burnInOf, fieldCorners, judgeTubeFile, tells, zoneLoss, zonePlace } from '@/core/setup';
import { command, rounded } from './command';
import { readText } from './files';
import { cornersOf, readPicture } from './pictures';

export const tube = command({
  name: 'tube',
  takes: 'FILE',
  about:
    'How worn each gun of a picture tube is, by what, and whether a weak colour comes from its gun or its drive: { guns: { red: { emission, cutOff?, starved?, warmUp?, was?, cathode? }, green, blue } or { only }, good? } in microamperes, volts and seconds.',
  answer({ words: [file, ...more] }) {
    if (file === undefined || more.length > 0) throw new Refusal('name one file: what was measured of each gun');
    const text = readText(file);
    const { guns, weak } = placed(file, () => judgeTubeFile(text));
    return {
      guns: [...guns.values()].map(({ gun, share, worn, reserve, signs }) => ({
        gun,
        share: { mid: rounded(share.mid), low: rounded(share.low), high: rounded(share.high) },
        worn: rounded(worn),
        reserve: rounded(reserve, 2),
        by: signs.map((sign) => ({
          against: sign.against,
          share: rounded(sign.share),
          usual: rounded(sign.usual),
          tells: tells(sign),
        })),
      })),
      weak: weak.map(({ gun, byGun, byDrive, because }) => ({
        gun,
        byGun: rounded(byGun),
        byDrive: rounded(byDrive),
        because: because ?? 'not weak',
      })),
    };
  },
});

export const burnIn = command({
  name: 'burn-in',
  takes: 'PICTURE',
  about:
    'Where a screen has burnt in and how much light it lost there, on a photograph of an even white or grey field: places as shares of the screen, losses as shares of the light.',
  options: {
    corners: {
      takes: 'X,Y,…',
      about: 'corners of the glass in the picture, clockwise from the top left; found where nothing is said',
    },
  },
  async answer(given) {
    const [file, ...more] = given.words;
    if (file === undefined || more.length > 0)
      throw new Refusal('name one picture of an even field: a JPEG, PNG or WebP');
    const said = cornersOf(given.option('corners'));
    const picture = await readPicture(file);
    return placed(file, () => {
      const planes = planesOf(picture);
      const corners = said ?? fieldCorners(planes);
      const { zones, noise, least } = burnInOf(planes, corners);
      return {
        zones: zones.map((zone) => ({
          said: `${zonePlace(zone)}: ${zoneLoss(zone)}`,
          left: rounded(zone.left),
          right: rounded(zone.right),
          top: rounded(zone.top),
          bottom: rounded(zone.bottom),
          covers: rounded(zone.covers, 4),
          loss: Object.fromEntries(Object.entries(zone.loss).map(([of, share]) => [of, rounded(share)])),
        })),
        noise: rounded(noise, 4),
        least: rounded(least, 4),
        corners: corners.map(({ x, y }) => ({ x: rounded(x, 1), y: rounded(y, 1) })),
      };
    });
  },
});
