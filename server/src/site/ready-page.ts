import { createHash } from 'node:crypto';
import { promisify } from 'node:util';
import { brotliCompress, constants, gzip } from 'node:zlib';
import type { RenderedPage } from './render-messages.js';

/** How a body may be sent, the best first. */
export const ENCODINGS = ['br', 'gzip', 'identity'] as const;
export type Encoding = (typeof ENCODINGS)[number];

/** Quick, as somebody waits for it; 4 % larger than gzip. */
const BROTLI_AT_ONCE = 1;
/** For a page that is asked for again; some 15 % smaller. */
const BROTLI_AGAIN = 5;

/** Header names and values in turn, as Node.js takes them without looking at each. */
export type FlatHeaders = string[];

/**
 * The headers of a page, given the hashes of the scripts that stand in it, as they stand in a policy ('sha256-…'), and the
 * origin from which its maps fetch pictures; null for none.
 */
export type HeadersOf = (scripts: readonly string[], pictures: string | null) => FlatHeaders;

/** Where a page stands, and what it fetches from elsewhere. */
export interface PageSetting {
  /** Its one path, where it doesn't say by itself at which address it stands; null where it does. */
  readonly path: string | null;
  readonly pictures: string | null;
  /** Whether it is for one visitor alone: nobody keeps it, and no search engine lists it. */
  readonly isPrivate?: boolean;
}

const PRIVATE_HEADERS = ['Cache-Control', 'no-store', 'X-Robots-Tag', 'noindex', 'Referrer-Policy', 'no-referrer'];

/** Headers of a page that is for one visitor alone. */
function privately(headers: FlatHeaders): FlatHeaders {
  const others = headers.flatMap((name, at) =>
    at % 2 === 0 && !PRIVATE_HEADERS.some((own) => own.toLowerCase() === name.toLowerCase())
      ? [name, headers[at + 1]!]
      : [],
  );
  return [...others, ...PRIVATE_HEADERS];
}

/** A body with its headers, to be sent as they are. */
export interface Sendable {
  readonly headers: FlatHeaders;
  readonly body: Buffer;
}

const compressed = { gzip: promisify(gzip), br: promisify(brotliCompress) };

/** A rendered page, ready to be sent. */
export class ReadyPage {
  private readonly sendable = new Map<Encoding, Sendable>();
  private timesSent = 0;

  private constructor(
    readonly status: number,
    private readonly html: Buffer,
    /** Of its HTML, whatever it is packed as; to be compared weakly. */
    readonly etag: string,
    /** What it is sent with in every case, and all that a visitor is told who has it already. */
    readonly headers: FlatHeaders,
    /** Its one path, where it doesn't say by itself at which address it stands; null where it does. */
    readonly path: string | null,
  ) {}

  static async of(
    { status, html: text }: RenderedPage,
    headersOf: HeadersOf,
    { path, pictures, isPrivate = false }: PageSetting = { path: null, pictures: null },
  ): Promise<ReadyPage> {
    const html = Buffer.from(text);
    const etag = `W/"${createHash('sha256').update(html).digest('base64url').slice(0, 27)}"`;
    const plain = headersOf(scriptsIn(text), pictures);
    const headers = isPrivate ? privately(plain) : [...plain, 'ETag', etag];
    const page = new ReadyPage(status, html, etag, headers, path);
    await page.as('br');
    return page;
  }

  /** Bytes that it takes. */
  get size(): number {
    return [...this.sendable.values()].reduce((sum, { body }) => sum + body.length, this.html.length);
  }

  /** The page in an encoding, when it was made already. */
  madeAs(encoding: Encoding): Sendable | undefined {
    this.timesSent++;
    // Whoever asks now needn't wait for it.
    if (this.timesSent === 2) void this.make('br', BROTLI_AGAIN);
    return this.sendable.get(encoding);
  }

  async as(encoding: Encoding): Promise<Sendable> {
    return this.sendable.get(encoding) ?? this.make(encoding, BROTLI_AT_ONCE);
  }

  private async make(encoding: Encoding, quality: number): Promise<Sendable> {
    const body = await packed(this.html, encoding, quality);
    const length = ['Content-Length', String(body.length)];
    const told = encoding === 'identity' ? [] : ['Content-Encoding', encoding];
    const made = { headers: [...this.headers, ...told, ...length], body };
    this.sendable.set(encoding, made);
    return made;
  }
}

/** Scripts that stand in a page itself; what carries data is none. */
const INLINE_SCRIPT = /<script(?![^>]*(?:\ssrc=|application\/json))[^>]*>(.*?)<\/script>/gs;

function scriptsIn(html: string): string[] {
  return Array.from(html.matchAll(INLINE_SCRIPT), ([, script = '']) => {
    return `'sha256-${createHash('sha256').update(script).digest('base64')}'`;
  });
}

async function packed(html: Buffer, encoding: Encoding, quality: number): Promise<Buffer> {
  if (encoding === 'identity') return html;
  if (encoding === 'gzip') return compressed.gzip(html);
  return compressed.br(html, {
    params: {
      [constants.BROTLI_PARAM_MODE]: constants.BROTLI_MODE_TEXT,
      [constants.BROTLI_PARAM_QUALITY]: quality,
      [constants.BROTLI_PARAM_SIZE_HINT]: html.length,
    },
  });
}

/** Whether a visitor who says so in If-None-Match has a page with a tag: one of a list, compared weakly (RFC 9110, 13.1.2). */
export function isMatched(ifNoneMatch: string | undefined, etag: string): boolean {
  if (ifNoneMatch === undefined) return false;
  if (ifNoneMatch === etag) return true;
  const opaque = (tag: string): string => tag.trim().replace(/^W\//, '');
  return ifNoneMatch.split(',').some((tag) => tag.trim() === '*' || opaque(tag) === opaque(etag));
}
