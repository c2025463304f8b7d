import { brotliDecompressSync, gunzipSync } from 'node:zlib';
import { ENCODINGS, ReadyPage, isMatched } from './ready-page.js';

describe('A page that is ready', () => {
  const html = `<p>${'berth '.repeat(500)}</p>`;
  const headersOf = (scripts: readonly string[]): string[] => ['X-Scripts', scripts.join(' ')];
  const unpack = { br: brotliDecompressSync, gzip: gunzipSync, identity: (body: Buffer): Buffer => body };
  const valueOf = (headers: readonly string[], name: string): string | undefined =>
    headers[headers.indexOf(name) + 1 || headers.length];

  it('says the same in each encoding, with its length and its one tag', async () => {
    const page = await ReadyPage.of({ status: 200, html }, headersOf);
    for (const encoding of ENCODINGS) {
      const { headers, body } = await page.as(encoding);
      expect(unpack[encoding](body).toString()).toBe(html);
      expect(valueOf(headers, 'Content-Length')).toBe(String(body.length));
      expect(valueOf(headers, 'Content-Encoding')).toBe(encoding === 'identity' ? undefined : encoding);
      expect(valueOf(headers, 'ETag')).toBe(page.etag);
    }
  });

  it('tells the hashes of the scripts that stand in it, and of no others', async () => {
    const scripts =
      '<script type="application/json">{}</script><script src="a.js"></script><script id="x">alert(1)\n</script>';
    const page = await ReadyPage.of({ status: 200, html: scripts }, headersOf);
    // By `printf 'alert(1)\n' | openssl dgst -sha256 -binary | base64`.
    expect(valueOf(page.headers, 'X-Scripts')).toBe("'sha256-MaeD7tQk/YNyd6Pm9J12ROmv0Z93QwNN4VH7v3gI+RI='");
  });

  it('is packed anew, smaller, when it is asked for again', async () => {
    const words = Array.from({ length: 4000 }, (_, at) => `berth ${(at * 7919) % 1009}`).join(' ');
    const page = await ReadyPage.of({ status: 200, html: words }, headersOf);
    const first = page.madeAs('br')!.body.length;
    page.madeAs('br');
    for (let tries = 0; page.madeAs('br')!.body.length === first && tries < 100; tries++) {
      await new Promise((resolve) => setTimeout(resolve, 10));
    }
    const again = page.madeAs('br')!.body;
    expect(again.length).toBeLessThan(first);
    expect(brotliDecompressSync(again).toString()).toBe(words);
  });

  /** After RFC 9110, 13.1.2 (If-None-Match) and the table of comparisons in 8.8.3.2. */
  it('is known to a visitor who names its tag: weak or strong, alone or in a list, or any', () => {
    for (const [given, expected] of [
      ['W/"1"', true],
      ['"1"', true],
      ['"0", W/"1" , "2"', true],
      ['*', true],
      ['W/"2"', false],
      ['"10"', false],
      [undefined, false],
    ] as const) {
      expect(isMatched(given, 'W/"1"')).withContext(String(given)).toBe(expected);
    }
  });
});
