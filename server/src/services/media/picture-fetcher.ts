import { Refusal } from '@plindo/core/values';
import type { LookupAddress } from 'node:dns';
import { lookup } from 'node:dns/promises';
import type { IncomingMessage } from 'node:http';
import { request as askHttp } from 'node:http';
import { request as askHttps } from 'node:https';
import { isPublicAddress } from './public-addresses.js';
import { LARGEST_PICTURE_IN_BYTES } from './pictures.js';

const LONGEST_IN_MS = 15_000;
const MOST_REDIRECTS = 3;
const PORTS = new Set(['', '80', '443']);

/** Whom a fetcher may ask; another one for tests, which have no public internet. */
export interface FetchRules {
  isAllowed(ip: string): boolean;
  isAllowedPort(port: string): boolean;
}

const PUBLIC_ONLY: FetchRules = {
  isAllowed: isPublicAddress,
  isAllowedPort: (port) => PORTS.has(port),
};

/**
 * Fetches pictures that a file names by their addresses: from the public internet alone, by HTTP and HTTPS on their own
 * ports, also after redirects. The name is looked up once, and the address that was found allowed is the one that is asked.
 */
export class PictureFetcher {
  constructor(private readonly rules: FetchRules = PUBLIC_ONLY) {}

  /** The bytes of a picture. Refused by `picture.address`, with why, and `picture.too-large`. */
  async fetch(address: string): Promise<Buffer> {
    let url = this.urlOf(address, address);
    for (let redirects = 0; redirects <= MOST_REDIRECTS; redirects++) {
      const answer = await this.ask(url, address);
      const next = redirectOf(answer);
      if (next === null) return bytesOf(answer, address);
      answer.destroy();
      url = this.urlOf(new URL(next, url).href, address);
    }
    throw refusal(address, 'it leads on and on.');
  }

  private urlOf(text: string, address: string): URL {
    const url = URL.canParse(text) ? new URL(text) : null;
    if (!url || !/^https?:$/.test(url.protocol)) throw refusal(address, 'it is no web address.');
    if (url.username !== '' || url.password !== '') throw refusal(address, 'it holds a password.');
    if (!this.rules.isAllowedPort(url.port)) throw refusal(address, 'its port is not that of the web.');
    return url;
  }

  private async ask(url: URL, address: string): Promise<IncomingMessage> {
    const host = url.hostname.replace(/^\[|\]$/g, '');
    const found: LookupAddress[] = await lookup(host, { all: true }).catch(() => []);
    const allowed = found.find(({ address: ip }) => this.rules.isAllowed(ip));
    if (!allowed)
      throw refusal(address, found.length > 0 ? 'it is not on the public internet.' : 'nobody has that name.');
    const send = url.protocol === 'https:' ? askHttps : askHttp;
    return new Promise((resolve, reject) => {
      const sent = send(url, {
        // What was looked up and allowed, and not what another look would find.
        lookup: (_host, options, done) => {
          if (options.all) done(null, [allowed]);
          else done(null, allowed.address, allowed.family);
        },
        headers: { Accept: 'image/*', 'User-Agent': 'Plindo' },
        signal: AbortSignal.timeout(LONGEST_IN_MS),
      });
      sent.on('response', resolve);
      sent.on('error', (error) => reject(refusal(address, reasonOf(error))));
      sent.end();
    });
  }
}

function redirectOf({ statusCode = 0, headers }: IncomingMessage): string | null {
  return statusCode >= 300 && statusCode < 400 && headers.location ? headers.location : null;
}

async function bytesOf(answer: IncomingMessage, address: string): Promise<Buffer> {
  if (answer.statusCode !== 200) {
    answer.destroy();
    throw refusal(address, `its server answers ${answer.statusCode ?? 0}.`);
  }
  const parts: Buffer[] = [];
  let size = 0;
  try {
    for await (const part of answer as AsyncIterable<Buffer>) {
      size += part.length;
      if (size > LARGEST_PICTURE_IN_BYTES) throw refusal(address, 'it has more than 25 MB.');
      parts.push(part);
    }
  } catch (error) {
    throw error instanceof Refusal ? error : refusal(address, reasonOf(error as Error));
  }
  return Buffer.concat(parts);
}

function reasonOf({ name }: Error): string {
  return name === 'TimeoutError' || name === 'AbortError'
    ? 'its server takes too long.'
    : 'its server cannot be reached.';
}

function refusal(address: string, reason: string): Refusal {
  return Refusal.of('picture.address', { address: address.slice(0, 200), reason });
}
