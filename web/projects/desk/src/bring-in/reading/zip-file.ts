import { unzipSync } from 'fflate';

const MOST_ENTRIES = 20_000;
const LARGEST_ENTRY_IN_BYTES = 50 * 1024 * 1024;
const DATA = /\.(csv|tsv|txt|xlsx|xls|ods|json|ndjson|jsonl|geojson)$/i;
const PICTURE = /\.(jpe?g|png|webp|avif|gif)$/i;

/** A file of listings with the pictures that it names, in one zip. Only what is asked for is unfolded. */
export class ZipFile {
  private constructor(
    private readonly bytes: Uint8Array,
    /** The file with the listings. */
    readonly dataName: string,
    /** Paths of pictures in the zip by their names, without folders and in lower case. */
    private readonly pictures: ReadonlyMap<string, string>,
  ) {}

  /** Null for what is no zip, for a workbook, which is a zip as well, and for one without a file of listings. */
  static open(bytes: Uint8Array): ZipFile | null {
    if (bytes[0] !== 0x50 || bytes[1] !== 0x4b) return null;
    const names: string[] = [];
    try {
      unzipSync(bytes, {
        filter: ({ name, originalSize }) => {
          const isHidden = /(^|\/)(\.|__MACOSX\/)/.test(name);
          if (!isHidden && originalSize <= LARGEST_ENTRY_IN_BYTES && names.length < MOST_ENTRIES) names.push(name);
          return false;
        },
      });
    } catch {
      return null;
    }
    if (names.includes('[Content_Types].xml') || names.includes('mimetype')) return null;
    const data = names.find((name) => DATA.test(name));
    if (data === undefined) return null;
    const pictures = names.filter((name) => PICTURE.test(name)).map((name) => [nameOf(name), name] as const);
    return new ZipFile(bytes, data, new Map(pictures));
  }

  get data(): Uint8Array {
    return this.unfold(this.dataName)!;
  }

  has(name: string): boolean {
    return this.pictures.has(nameOf(name));
  }

  /** The bytes of a picture; null where there is none of that name. */
  picture(name: string): Uint8Array | null {
    const path = this.pictures.get(nameOf(name));
    return path === undefined ? null : this.unfold(path);
  }

  private unfold(path: string): Uint8Array | null {
    return unzipSync(this.bytes, { filter: ({ name }) => name === path })[path] ?? null;
  }
}

/** As files name pictures: with or without a folder, in any case. */
function nameOf(path: string): string {
  return (path.split(/[/\\]/).at(-1) ?? '').trim().toLowerCase();
}
