import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import { hashesIn } from '@plindo/core/exchange';
import type { Blueprint } from '@plindo/core/exchange';
import { Refusal, sizeWords } from '@plindo/core/values';
import type yauzl from 'yauzl';
import { ZipFile } from 'yazl';
import type { Store } from '../../store/index.js';
import { entriesOf, openZip, streamOf } from '../zip-reading.js';
import type { Files } from '../media/files.js';
import type { Pictures } from '../media/pictures.js';

/** What the entries of a blueprint zip are called; a picture or file stands under its hash. */
const DOCUMENT = 'blueprint.json';
/** File names of the pictures by hash, for the people who keep them. */
const PICTURE_NAMES = 'picture-names.json';
const PICTURE = /^pictures\/([0-9a-f]{32})\.webp$/;
const FILE = /^files\/([0-9a-f]{32})$/;

const LARGEST_DOCUMENT_IN_BYTES = 64 * 1024 * 1024;
const LARGEST_ENTRY_IN_BYTES = 32 * 1024 * 1024;
const MOST_ENTRIES = 200_000;

/** Pictures and files that come with a blueprint. */
export interface BroughtThings {
  readonly hashes: ReadonlySet<string>;
  /** Keeps those of the named ones that aren't kept yet, and answers the hashes of the new ones. */
  keep(named: ReadonlySet<string>): Promise<string[]>;
}

export const NOTHING_BROUGHT: BroughtThings = { hashes: new Set(), keep: () => Promise.resolve([]) };

/** A blueprint with its pictures and files as one zip. */
export class BlueprintZips {
  constructor(
    private readonly store: Store,
    private readonly pictures: Pictures,
    private readonly files: Files,
  ) {}

  /** The zip of a blueprint, as a stream. */
  async write(blueprint: Blueprint): Promise<Readable> {
    const zip = new ZipFile();
    zip.addBuffer(Buffer.from(`${JSON.stringify(blueprint, null, 2)}\n`), DOCUMENT);
    const names: Record<string, string> = {};
    for (const hash of new Set(hashesIn(blueprint))) {
      const picture = await this.store.pictures.find(hash);
      const path = picture ? await this.pictures.keptFile(hash) : ((await this.files.find(hash))?.path ?? null);
      if (path === null) continue;
      // Both are as small as they get.
      zip.addFile(path, picture ? `pictures/${hash}.webp` : `files/${hash}`, { compress: false });
      if (picture) names[hash] = picture.fileName;
    }
    zip.addBuffer(Buffer.from(JSON.stringify(names)), PICTURE_NAMES);
    zip.end();
    return zip.outputStream as Readable;
  }

  /**
   * Opens a zip for the time of `work`, which gets the document in it and what comes with it. Refused by
   * `blueprint.zip`.
   */
  async read<T>(path: string, work: (document: unknown, things: BroughtThings) => Promise<T>): Promise<T> {
    const zip = await openZip(path, notAZip);
    try {
      const entries = await entriesOf(zip, MOST_ENTRIES, notAZip);
      const document = await parsedEntry(zip, entries.get(DOCUMENT), LARGEST_DOCUMENT_IN_BYTES);
      if (document === null) throw Refusal.of('blueprint.zip', { reason: `there is no ${DOCUMENT} in it.` });
      return await work(document, await this.thingsIn(zip, entries));
    } finally {
      zip.close();
    }
  }

  private async thingsIn(zip: yauzl.ZipFile, entries: ReadonlyMap<string, yauzl.Entry>): Promise<BroughtThings> {
    const names = (await parsedEntry(zip, entries.get(PICTURE_NAMES), LARGEST_ENTRY_IN_BYTES)) ?? {};
    const byHash = new Map<string, yauzl.Entry>();
    for (const [name, entry] of entries) {
      const [, hash] = PICTURE.exec(name) ?? FILE.exec(name) ?? [];
      if (hash) byHash.set(hash, entry);
    }
    return {
      hashes: new Set(byHash.keys()),
      keep: async (named) => {
        const added: string[] = [];
        for (const [hash, entry] of byHash) {
          if (!named.has(hash) || (await this.isKept(hash))) continue;
          await this.keepOne(hash, await dataOf(zip, entry, LARGEST_ENTRY_IN_BYTES), entry.fileName, names);
          added.push(hash);
        }
        return added;
      },
    };
  }

  private async keepOne(hash: string, data: Buffer, entry: string, names: unknown): Promise<void> {
    const isPicture = PICTURE.test(entry);
    const name = (names as Record<string, unknown>)[hash];
    const kept = isPicture
      ? await this.pictures.addKept(data, hash, typeof name === 'string' ? name : `${hash}.webp`)
      : await this.files.addKept(data, hash);
    if (!kept) throw Refusal.of('blueprint.zip', { reason: `${entry} is not what its name says.` });
  }

  private async isKept(hash: string): Promise<boolean> {
    return ((await this.store.pictures.find(hash)) ?? (await this.store.files.find(hash))) !== null;
  }
}

async function dataOf(zip: yauzl.ZipFile, entry: yauzl.Entry, largest: number): Promise<Buffer> {
  if (entry.uncompressedSize > largest) {
    throw Refusal.of('blueprint.zip', { reason: `${entry.fileName} is larger than ${sizeWords(largest)}.` });
  }
  const stream = await streamOf(zip, entry, notAZip);
  // The reader ends with an error when more comes out than the entry promised.
  return buffer(stream).catch((error: unknown) => Promise.reject(notAZip(error)));
}

async function parsedEntry(zip: yauzl.ZipFile, entry: yauzl.Entry | undefined, largest: number): Promise<unknown> {
  if (!entry) return null;
  const data = await dataOf(zip, entry, largest);
  try {
    return JSON.parse(data.toString('utf8')) as unknown;
  } catch {
    throw Refusal.of('blueprint.zip', { reason: `${entry.fileName} in it is no JSON document.` });
  }
}

function notAZip(error: unknown): Refusal {
  const found = error instanceof Error ? error.message.replace(/\.$/, '') : 'it cannot be read';
  return Refusal.of('blueprint.zip', { reason: `${found}.` });
}
