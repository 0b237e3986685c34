/** Pictures as they are kept: upright, at most so large, and without the camera's notes. */
import sharp from 'sharp';
import { GivenUp } from '../database/limits.ts';
import { errandNow } from '../errand.ts';
import { Refused } from '../http/refusals.ts';

// No picture is scaled twice: what libvips would keep of it is memory lost, and so are more threads than one.
sharp.cache(false);
sharp.concurrency(1);

/** A bomb of a picture, small as a file and huge once unpacked, is refused before it is unpacked. */
const MOST_PIXELS = 100_000_000;
const LARGE_PX = 1600;
const SMALL_PX = 320;
/** Photographs; drawings that may bring programs or other files along are not taken. */
const FORMATS = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'gif', 'tiff']);

export interface Sizes {
  large: Buffer;
  small: Buffer;
  widthPx: number;
  heightPx: number;
}

/** One after the other: unpacked, one picture may be half a gigabyte. */
let last: Promise<unknown> = Promise.resolve();

/**
 * JPEG, large and small; where it was taken is nobody's business. Pictures wait for each other; one that nobody waits for
 * any more is not unpacked.
 *
 * @throws Refused where the file is no picture, or too large
 */
export function scaled(file: Buffer): Promise<Sizes> {
  const errand = errandNow();
  const turn = last.then(() => {
    if (errand?.over) throw new GivenUp('its request was given up');
    return scaledNow(file);
  });
  last = turn.catch(() => {});
  return turn;
}

async function scaledNow(file: Buffer): Promise<Sizes> {
  try {
    const { format } = await sharp(file, { limitInputPixels: MOST_PIXELS }).metadata();
    if (!FORMATS.has(format ?? '')) throw new Error(`${format} is not taken`);
    const source = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' }).rotate();
    const { data: large, info } = await source
      .clone()
      .resize({ width: LARGE_PX, height: LARGE_PX, fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg({ quality: 82, mozjpeg: true })
      .toBuffer({ resolveWithObject: true });
    const small = await sharp(large)
      .resize({ width: SMALL_PX, height: SMALL_PX, fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 76 })
      .toBuffer();
    return { large, small, widthPx: info.width, heightPx: info.height };
  } catch (error) {
    throw /pixel limit/i.test((error as Error).message)
      ? new Refused('too-large', `A picture of up to ${MOST_PIXELS / 1e6} million pixels is wanted.`)
      : new Refused(
          'no-picture',
          'That file is no picture that can be read: JPEG, PNG, WebP, AVIF, GIF or TIFF is wanted.',
        );
  }
}
