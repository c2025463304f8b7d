import { Refusal, sizeWords } from '@plindo/core/values';
import { createHash } from 'node:crypto';
import { access, mkdir, readdir, rm, stat } from 'node:fs/promises';
import { join } from 'node:path';
import type { Metadata } from 'sharp';
import sharp from 'sharp';
import type { PictureRecord } from '@plindo/core/structure';
import type { Store } from '../../store/index.js';
import { Turns, writeWhole } from '../../store/index.js';

/** Widths in pixels at which every picture is offered; a smaller one is offered in its own size under each. */
export const PICTURE_WIDTHS = [400, 800, 1600] as const;
/** Each in these formats; browsers take the first that they know. */
export const PICTURE_FORMATS = ['avif', 'webp', 'jpeg'] as const;
export type PictureFormat = (typeof PICTURE_FORMATS)[number];
export const LARGEST_PICTURE_IN_BYTES = 25 * 1024 * 1024;
const MOST_PIXELS = 50_000_000;
const LONGEST_SIDE = 30_000;
const SENT_FORMATS = new Set(['jpeg', 'png', 'webp', 'avif', 'heif', 'gif']);
/** The kept picture is at most so wide and so high. */
const KEPT_SIDE = 3200;
const KEPT_QUALITY = 90;
/** By eye on the demo's pictures: alike in all three formats at 400 pixels. */
const QUALITIES: Readonly<Record<PictureFormat, number>> = { avif: 55, webp: 78, jpeg: 80 };
const AVIF_EFFORT = 3;
const DELETED_KEPT_IN_MS = 30 * 86_400_000;

/** A file of a picture; `isAsAsked` is whether it has the width and format that were asked for. */
export interface PictureVariant {
  readonly path: string;
  readonly format: PictureFormat;
  readonly isAsAsked: boolean;
}

/**
 * Pictures. Each is written anew as one WebP, upright and without what was hidden in the sent file (such as where it
 * was taken), and named by the hash of that; the widths that pages show are made from it: in WebP at once, in AVIF and
 * JPEG when they are first asked for, since AVIF takes long.
 */
export class Pictures {
  /** Widths that are being made or wait for it; one is made at a time, so that all of them take one core at most. */
  private readonly making = new Map<string, Promise<void>>();
  private readonly turns = new Turns();

  constructor(
    private readonly store: Store,
    readonly folder: string,
    private readonly clock: () => Date,
    private readonly tell: (error: unknown, sentence: string) => void = () => undefined,
  ) {}

  /** Keeps a picture; the same bytes, and pictures that come to the same, are kept once. */
  async add(bytes: Buffer, fileName: string): Promise<PictureRecord> {
    const known = await this.store.pictures.bySource(hashOf(bytes));
    if (known) return known;
    await this.inspect(bytes);
    return this.addAs(bytes, fileName);
  }

  private async addAs(bytes: Buffer, fileName: string): Promise<PictureRecord> {
    const { data, info } = await sharp(bytes, { limitInputPixels: MOST_PIXELS })
      .autoOrient()
      .resize({ width: KEPT_SIDE, height: KEPT_SIDE, fit: 'inside', withoutEnlargement: true })
      .webp({ quality: KEPT_QUALITY })
      .toBuffer({ resolveWithObject: true })
      // It says what it is and how large; what is behind that only shows now.
      .catch(() => {
        throw Refusal.of('picture.type');
      });
    return this.keep(data, { width: info.width, height: info.height, fileName, source: hashOf(bytes) });
  }

  /** Keeps a drawing of Plindo's own; SVG from elsewhere is never read. */
  async addDrawing(svg: string, fileName: string): Promise<PictureRecord> {
    const bytes = Buffer.from(svg);
    return (await this.store.pictures.bySource(hashOf(bytes))) ?? this.addAs(bytes, fileName);
  }

  /**
   * Keeps a picture that was written by Plindo, elsewhere, as it is; null when it isn't the one that its hash names or
   * carries anything beside the picture.
   */
  async addKept(data: Buffer, hash: string, fileName: string): Promise<PictureRecord | null> {
    if (hashOf(data) !== hash) return null;
    const known = await this.store.pictures.find(hash);
    if (known) return known;
    const metadata = await metadataOf(data);
    const isPlain = metadata?.format === 'webp' && !metadata.exif && !metadata.xmp && !metadata.iptc;
    if (!metadata || !isPlain || metadata.width > KEPT_SIDE || metadata.height > KEPT_SIDE) return null;
    return this.keep(data, { width: metadata.width, height: metadata.height, fileName, source: hash });
  }

  private async keep(
    data: Buffer,
    given: { width: number; height: number; fileName: string; source: string },
  ): Promise<PictureRecord> {
    const hash = hashOf(data);
    await mkdir(this.folder, { recursive: true });
    await this.write(`${hash}.webp`, data);
    for (const width of PICTURE_WIDTHS) await this.write(...(await variantOf(data, hash, width, 'webp')));
    const fileName = given.fileName.slice(0, 300);
    const record = { ...given, hash, fileName, bytes: data.length, createdAt: this.clock().getTime() };
    return this.store.pictures.add(record);
  }

  /**
   * A picture in one width and format; where that isn't made yet, the nearest that there is, while it is made. Null when
   * there is no such picture.
   */
  async variant(hash: string, width: number, format: PictureFormat): Promise<PictureVariant | null> {
    if (!(await this.store.pictures.find(hash))) return null;
    const path = join(this.folder, `${hash}-${width}.${format}`);
    if (await exists(path)) return { path, format, isAsAsked: true };
    const made = this.beginMaking(hash, width, format, path);
    // Of every picture the WebPs are made when it comes.
    const nearest = join(this.folder, `${hash}-${width}.webp`);
    if (await exists(nearest)) return { path: nearest, format: 'webp', isAsAsked: false };
    await made;
    return (await exists(path)) ? { path, format, isAsAsked: true } : null;
  }

  /** When all widths that were asked for are made. */
  idle(): Promise<void> {
    return this.turns.idle();
  }

  private beginMaking(hash: string, width: number, format: PictureFormat, path: string): Promise<void> {
    const known = this.making.get(path);
    if (known) return known;
    const making = this.turns
      .take(() => this.make(hash, width, format))
      // Whoever asks next has it tried again.
      .catch((error: unknown) => this.tell(error, 'A width of a picture could not be made.'))
      .finally(() => this.making.delete(path));
    this.making.set(path, making);
    return making;
  }

  /** The file of the kept picture; of one that is older than these files, its largest width. */
  async keptFile(hash: string): Promise<string | null> {
    const candidates = [`${hash}.webp`, `${hash}-${PICTURE_WIDTHS.at(-1)}.webp`].map((name) => join(this.folder, name));
    for (const path of candidates) if (await exists(path)) return path;
    return null;
  }

  private async make(hash: string, width: number, format: PictureFormat): Promise<void> {
    const kept = await this.keptFile(hash);
    if (kept) await this.write(...(await variantOf(kept, hash, width, format)));
  }

  /** Removes the files of pictures that were deleted long ago; until then deleting can be undone. */
  async purge(): Promise<void> {
    const names = await readdir(this.folder).catch(() => []);
    const known = new Set((await this.store.pictures.all()).map(({ hash }) => hash));
    for (const name of names) {
      // What a stop left half written goes in time too.
      if (known.has(name.slice(0, 32)) && !name.endsWith('.part')) continue;
      const path = join(this.folder, name);
      const { mtimeMs } = await stat(path);
      if (this.clock().getTime() - mtimeMs > DELETED_KEPT_IN_MS) await rm(path, { force: true });
    }
  }

  /** Refuses what is no picture, or too large; its type is told by its content, never by its name. */
  private async inspect(bytes: Buffer): Promise<void> {
    if (bytes.length > LARGEST_PICTURE_IN_BYTES) {
      const [found, greatest] = [sizeWords(bytes.length), sizeWords(LARGEST_PICTURE_IN_BYTES)];
      throw Refusal.of('picture.too-large', { found, greatest });
    }
    // An empty buffer is refused before there is anything to wait for.
    const metadata = bytes.length === 0 ? null : await metadataOf(bytes);
    if (!metadata || !SENT_FORMATS.has(metadata.format)) throw Refusal.of('picture.type');
    const side = Math.max(metadata.width, metadata.height);
    if (side > LONGEST_SIDE) {
      throw Refusal.of('picture.too-large', { found: `a side of ${side} pixels`, greatest: `${LONGEST_SIDE}` });
    }
    const pixels = metadata.width * metadata.height;
    if (pixels > MOST_PIXELS) {
      const found = `${Math.round(pixels / 1e6)} megapixels`;
      throw Refusal.of('picture.too-large', { found, greatest: `${MOST_PIXELS / 1e6} megapixels` });
    }
  }

  private write(name: string, data: Buffer): Promise<void> {
    return writeWhole(join(this.folder, name), data);
  }
}

/** What a picture says of itself; null when it is none. */
function metadataOf(bytes: Buffer): Promise<Metadata | null> {
  return sharp(bytes)
    .metadata()
    .catch(() => null);
}

async function variantOf(
  picture: Buffer | string,
  hash: string,
  width: number,
  format: PictureFormat,
): Promise<[name: string, data: Buffer]> {
  const effort = format === 'avif' ? { effort: AVIF_EFFORT } : {};
  const data = await sharp(picture)
    .resize({ width, withoutEnlargement: true })
    .toFormat(format, { quality: QUALITIES[format], ...effort })
    .toBuffer();
  return [`${hash}-${width}.${format}`, data];
}

function hashOf(bytes: Buffer): string {
  return createHash('sha256').update(bytes).digest('hex').slice(0, 32);
}

async function exists(path: string): Promise<boolean> {
  return access(path).then(
    () => true,
    () => false,
  );
}
