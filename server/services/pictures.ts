import { refusedFile } from '../http/problem';

/** A picture made ready to be kept. */
interface Prepared {
  readonly full: Buffer;
  readonly thumb: Buffer;
  readonly widthPx: number;
  readonly heightPx: number;
}

const TAKEN = ['jpeg', 'png', 'webp', 'tiff', 'avif'];
const LARGEST_SIDE_PX = 2560;
const THUMB_SIDE_PX = 360;
/** Above this a file would unpack to more than a small machine can hold. */
const MOST_PIXELS = 120e6;
const JPEG = { quality: 84, mozjpeg: true } as const;

/** What files that are often sent by mistake begin with, and the way out for each. */
const KNOWN_OTHERS: readonly {
  readonly name: string;
  readonly is: (head: string) => boolean;
  readonly remedy: string;
}[] = [
  {
    name: 'a HEIC photograph',
    is: (head) => /^.{4}ftyp(hei[cxs]|hev[cx]|mif1)/s.test(head),
    remedy: 'set the phone to save JPEG (“most compatible”), or save it as JPEG first',
  },
  { name: 'a PDF', is: (head) => head.startsWith('%PDF'), remedy: 'save its page as a JPEG or PNG picture' },
  { name: 'a moving GIF', is: (head) => head.startsWith('GIF8'), remedy: 'save one picture of it as JPEG or PNG' },
  {
    name: 'a drawing (SVG)',
    is: (head) => /^\s*(<\?xml|<svg|<!DOCTYPE svg)/i.test(head),
    remedy: 'outlines come in under Map, From a drawing; a picture is saved as PNG first',
  },
  { name: 'a film', is: (head) => /^.{4}ftyp/s.test(head), remedy: 'take a still picture out of it' },
];

/**
 * Turns a picture upright, keeps its largest side within bounds, makes a thumbnail, and leaves everything else
 * behind that the camera wrote into it, such as where it was taken.
 * @throws ProblemError (415) naming what the file is and what to do about it
 */
export async function prepared(file: Buffer): Promise<Prepared> {
  if (file.length === 0) throw refusedFile('The file is empty.');
  const head = file.subarray(0, 400).toString('latin1');
  const other = KNOWN_OTHERS.find(({ is }) => is(head));
  const { default: sharp } = await import('sharp');
  const whole = sharp(file, { limitInputPixels: MOST_PIXELS, failOn: 'error' });
  const format = await whole.metadata().then(
    (found) => found.format,
    () => undefined,
  );
  // AVIF begins as HEIC does, and can be read.
  if (other && format !== 'heif') throw refusedFile(`This is ${other.name}: ${other.remedy}.`);
  const isTaken = format !== undefined && (TAKEN.includes(format) || (format === 'heif' && !other));
  if (!isTaken) {
    const is = other?.name ?? (format ? `a ${format} file` : 'no picture that can be read, or a damaged one');
    throw refusedFile(`This is ${is}: ${other?.remedy ?? 'JPEG, PNG, WebP, AVIF and TIFF are taken'}.`);
  }
  try {
    const upright = whole.autoOrient();
    const full = await upright
      .clone()
      .resize(LARGEST_SIDE_PX, LARGEST_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
      .flatten({ background: '#ffffff' })
      .jpeg(JPEG)
      .toBuffer({ resolveWithObject: true });
    const thumb = await sharp(full.data)
      .resize(THUMB_SIDE_PX, THUMB_SIDE_PX, { fit: 'inside', withoutEnlargement: true })
      .jpeg(JPEG)
      .toBuffer();
    return { full: full.data, thumb, widthPx: full.info.width, heightPx: full.info.height };
  } catch {
    throw refusedFile('This picture is damaged or larger than 120 million pixels; save it anew, or smaller.');
  }
}
