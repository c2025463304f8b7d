import { createHash } from 'node:crypto';
import { mkdir, rename, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import type { PictureRecord, Store } from '../store/index.js';
import { Refusal } from './refusal.js';

/** Widths in pixels at which every picture is kept; a smaller one is kept in its own size under each name. */
export const PICTURE_WIDTHS = [400, 800, 1600] as const;
export const LARGEST_PICTURE_IN_BYTES = 25 * 1024 * 1024;
const MOST_PIXELS = 50_000_000;
const FORMATS = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'gif']);
const WEBP_QUALITY = 78;

/** Pictures, written anew as WebP in several widths: what was hidden in the sent file doesn't come through. */
export class Pictures {
  constructor(
    private readonly store: Store,
    readonly folder: string,
    private readonly clock: () => Date,
  ) {}

  /** Keeps a picture; the same bytes are kept once. */
  async add(bytes: Buffer, fileName: string): Promise<PictureRecord> {
    const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 32);
    const known = await this.store.pictures.find(hash);
    if (known) return known;
    const size = await this.inspect(bytes);
    await mkdir(this.folder, { recursive: true });
    for (const width of PICTURE_WIDTHS) await this.write(bytes, hash, width);
    const record = { hash, ...size, fileName: fileName.slice(0, 300) };
    await this.store.pictures.add(record, this.clock().getTime());
    return record;
  }

  /** The upright size of a picture; its type is told by its content, never by its name. */
  private async inspect(bytes: Buffer): Promise<{ width: number; height: number }> {
    if (bytes.length > LARGEST_PICTURE_IN_BYTES) {
      const found = `${(bytes.length / 1024 / 1024).toFixed(1)} MB`;
      throw Refusal.of('picture.too-large', { found, greatest: `${LARGEST_PICTURE_IN_BYTES / 1024 / 1024} MB` });
    }
    const metadata = await sharp(bytes)
      .metadata()
      .catch(() => null);
    if (!metadata || !FORMATS.has(metadata.format)) throw Refusal.of('picture.type');
    const { width, height } = metadata.autoOrient;
    if (width * height > MOST_PIXELS) {
      const found = `${Math.round((width * height) / 1e6)} megapixels`;
      throw Refusal.of('picture.too-large', { found, greatest: `${MOST_PIXELS / 1e6} megapixels` });
    }
    return { width, height };
  }

  private async write(bytes: Buffer, hash: string, width: number): Promise<void> {
    const image = sharp(bytes, { limitInputPixels: MOST_PIXELS }).autoOrient();
    const webp = await image.resize({ width, withoutEnlargement: true }).webp({ quality: WEBP_QUALITY }).toBuffer();
    const file = join(this.folder, `${hash}-${width}.webp`);
    // Written aside first: a stop in between leaves no half picture under its name.
    await writeFile(`${file}.part`, webp);
    await rename(`${file}.part`, file);
  }
}
