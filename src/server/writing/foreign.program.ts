/**
 * What decodes files of strangers in native code runs as a process of its own: a file that breaks the library ends this process and
 * not the server. One piece of work by standard input, one answer by standard output. Bundled by itself (`ops/build.ts`).
 */
import { readFile } from 'node:fs/promises';
import { text } from 'node:stream/consumers';
import { parse } from 'icc';
import sharp from 'sharp';

/** Pixels of a logo that is decoded at most, and the box it is drawn into: 100 by 25 mm at 300 a inch. */
const LOGO = { pixels: 16_000_000, width: 1_200, height: 300 };

/**
 * Whether a file has the head of an ICC profile (ISO 15076-1, section 7.2) and room for as many tags as it claims: they are walked afterwards,
 * and a claim of four thousand million keeps whoever believes it.
 */
function isProfile(bytes: Buffer): boolean {
  if (bytes.length < HEAD + 4 || bytes.toString('latin1', 36, 40) !== 'acsp') return false;
  const tags = bytes.readUInt32BE(HEAD);
  return tags <= MOST_TAGS && HEAD + 4 + 12 * tags <= bytes.length;
}

const HEAD = 128;
const MOST_TAGS = 500;

const jobs = {
  /** What profiles of printing with four inks call themselves; null for all else. */
  async profileNames({ paths }: { paths: readonly string[] }): Promise<{ names: (string | null)[] }> {
    const names = [];
    for (const path of paths) {
      const bytes = await readFile(path);
      try {
        const { colorSpace, deviceClass, description } = isProfile(bytes) ? parse(bytes) : {};
        names.push(colorSpace === 'CMYK' && deviceClass === 'Printer' ? description || 'Unnamed profile' : null);
      } catch {
        // The library throws whatever a damaged file makes it meet.
        names.push(null);
      }
    }
    return { names };
  },

  /**
   * Colours as the inks of an ICC profile, perceptual intent, and what the inks look like.
   * @param profile path of the profile
   * @param colours `rrggbb` in a row
   * @returns hex digits in a row: eight of the inks for each colour, and six of what they look like
   */
  async inks({ profile, colours }: { profile: string; colours: string }): Promise<{ inks: string; printed: string }> {
    const rgb = Buffer.from(colours, 'hex');
    const shape = { width: rgb.length / 3, height: 1 };
    const printed = sharp(rgb, { raw: { ...shape, channels: 3 } }).withIccProfile(profile);
    // Were the profile refused, the picture would silently stay red, green and blue.
    const { data, info } = await printed.clone().raw().toBuffer({ resolveWithObject: true });
    if (info.channels !== 4) throw new Error('The profile converts no colours to four inks.');
    const seen = await sharp(await printed.tiff({ compression: 'none' }).toBuffer())
      .toColourspace('srgb')
      .raw()
      .toBuffer({ resolveWithObject: true });
    if (seen.info.channels !== 3) throw new Error('The profile does not tell what its inks look like.');
    return { inks: data.toString('hex'), printed: seen.data.toString('hex') };
  },

  /** A logo as a picture and nothing else: whatever an SVG would run or fetch is gone. @param bytes in Base64, as is the answer */
  async logo({ bytes }: { bytes: string }): Promise<{ png: string }> {
    const given = Buffer.from(bytes, 'base64');
    const { width = 1, height = 1, format } = await sharp(given, { limitInputPixels: LOGO.pixels }).metadata();
    // A drawing is drawn as large as it is wanted.
    const density = format === 'svg' ? Math.min(2_400, Math.max(1, 72 * Math.min(LOGO.width / width, LOGO.height / height))) : 72;
    const png = await sharp(given, { limitInputPixels: LOGO.pixels, density })
      .resize({ ...LOGO, fit: 'inside', withoutEnlargement: format !== 'svg' })
      .png()
      .toBuffer();
    return { png: png.toString('base64') };
  },
};

export type ForeignJobs = typeof jobs;

const { job, asked } = JSON.parse(await text(process.stdin)) as { job: keyof ForeignJobs; asked: never };
process.stdout.write(JSON.stringify(await jobs[job](asked)));
