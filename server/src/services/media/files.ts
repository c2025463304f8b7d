import { createHash } from 'node:crypto';
import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { KeptFile } from '@plindo/core/structure';
import { normaliseLine, Refusal, sizeWords } from '@plindo/core/values';
import { fileTypeFromBuffer } from 'file-type';
import type { Store } from '../../store/index.js';
import { writeWhole } from '../../store/index.js';

export const LARGEST_FILE_IN_BYTES = 25 * 1024 * 1024;

/** Media types that may be kept beside plain text; told by the content, never by the name. */
const KEPT_TYPES = new Set([
  'application/pdf',
  'application/zip',
  'application/epub+zip',
  'application/rtf',
  'application/vnd.oasis.opendocument.text',
  'application/vnd.oasis.opendocument.spreadsheet',
  'application/vnd.oasis.opendocument.presentation',
  'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  'application/vnd.openxmlformats-officedocument.presentationml.presentation',
  'audio/mpeg',
  'audio/ogg',
  'audio/wav',
  'audio/x-m4a',
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/avif',
  'image/gif',
  'video/mp4',
  'video/webm',
]);

/** Files that listings offer to be fetched. They are only ever sent as attachments, so none is opened as a page. */
export class Files {
  constructor(
    private readonly store: Store,
    readonly folder: string,
    private readonly clock: () => Date,
  ) {}

  /**
   * Keeps a file; the same bytes are kept once, under the name that they came with first. Refused by `file.too-big`.
   */
  async add(bytes: Buffer, name: string): Promise<KeptFile> {
    if (bytes.length > LARGEST_FILE_IN_BYTES) {
      const [found, greatest] = [sizeWords(bytes.length), sizeWords(LARGEST_FILE_IN_BYTES)];
      throw Refusal.of('file.too-big', { found, greatest });
    }
    const hash = createHash('sha256').update(bytes).digest('hex').slice(0, 32);
    const known = await this.store.files.find(hash);
    if (known) return { ...known, name: plainName(name) };
    const file: KeptFile = { hash, name: plainName(name), type: await typeOf(bytes), bytes: bytes.length };
    await mkdir(this.folder, { recursive: true });
    await writeWhole(join(this.folder, hash), bytes);
    await this.store.files.add(file, this.clock().getTime());
    return file;
  }

  /** Keeps a file that was kept elsewhere; null when it isn't the one that its hash names. */
  async addKept(bytes: Buffer, hash: string): Promise<KeptFile | null> {
    const kept = await this.add(bytes, hash);
    return kept.hash === hash ? kept : null;
  }

  /** Where the bytes of a kept file lie, with its type; null when there is no such file. */
  async find(hash: string): Promise<{ path: string; type: string; name: string } | null> {
    const file = /^[0-9a-f]{32}$/.test(hash) ? await this.store.files.find(hash) : null;
    return file && { path: join(this.folder, hash), type: file.type, name: file.name };
  }
}

/** A file's name without folders and without what would break a header or a line. */
function plainName(name: string): string {
  const last = name.split(/[\\/]/).at(-1) ?? '';
  return normaliseLine(last.replace(/[\p{Cc}"<>|*?:]/gu, ' ')).slice(0, 200) || 'file';
}

async function typeOf(bytes: Buffer): Promise<string> {
  const found = await fileTypeFromBuffer(bytes);
  if (found && KEPT_TYPES.has(found.mime)) return found.mime;
  if (!found && isText(bytes)) return 'text/plain';
  throw Refusal.of('file.type');
}

function isText(bytes: Buffer): boolean {
  if (bytes.includes(0)) return false;
  try {
    new TextDecoder('utf-8', { fatal: true }).decode(bytes);
    return true;
  } catch {
    return false;
  }
}
