import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import type { Server } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import express from 'express';
import { askRaw, listening } from '../../testing/raw-http.js';
import { builtFiles } from './built-files.js';
import { fileHeaders, securityHeaders } from './security.js';

describe('Files of a build', () => {
  let folder: string;
  let server: Server;

  beforeAll(async () => {
    folder = mkdtempSync(join(tmpdir(), 'plindo-built-'));
    for (const [name, content] of [
      ['main-A.js', 'plain'],
      ['main-A.js.br', 'small'],
      ['main-A.js.gz', 'middle'],
      ['font-A.woff2', 'font'],
    ]) {
      writeFileSync(join(folder, name!), content!);
    }
    const app = express();
    app.use(securityHeaders(), fileHeaders, builtFiles(folder));
    server = await listening(app);
  });
  afterAll(() => {
    server.close();
    rmSync(folder, { recursive: true });
  });

  const get = async (path: string, accepted: string): Promise<readonly unknown[]> => {
    const { status, headers, body } = await askRaw(server, path, { 'Accept-Encoding': accepted });
    const { 'content-encoding': encoding, 'content-type': type, vary, 'cache-control': cache } = headers;
    return [status, body.toString(), encoding, type?.split(';')[0], vary, cache];
  };
  const FOR_A_YEAR = 'public, max-age=31536000, immutable';

  it('go out as the build has packed them, as the visitor can read them', async () => {
    const [type, vary] = ['text/javascript', 'Accept-Encoding'];
    expect(await get('/main-A.js', 'gzip, br')).toEqual([200, 'small', 'br', type, vary, FOR_A_YEAR]);
    expect(await get('/main-A.js', 'gzip')).toEqual([200, 'middle', 'gzip', type, vary, FOR_A_YEAR]);
    expect(await get('/main-A.js', 'br;q=0')).toEqual([200, 'plain', undefined, type, vary, FOR_A_YEAR]);
  });

  it('go out as they are when they were not packed, and are not found when they are not there', async () => {
    expect(await get('/font-A.woff2', 'br')).toEqual([200, 'font', undefined, 'font/woff2', undefined, FOR_A_YEAR]);
    expect((await get('/main-B.js', 'br'))[0]).toBe(404);
    expect((await get('/../main-A.js', 'br'))[0]).not.toBe(500);
  });

  it('bring the headers of security that mean something for a file, and none of those that pages have', async () => {
    const { headers } = await askRaw(server, '/main-A.js', {});
    expect(headers).toEqual(
      jasmine.objectContaining({
        'x-content-type-options': 'nosniff',
        'cross-origin-resource-policy': 'same-origin',
        'content-security-policy': "default-src 'none'",
      }),
    );
    const ofPages = Object.keys(headers).filter((name) =>
      /^(x-(?!content)|referrer|origin-agent|cross-origin-opener)/.test(name),
    );
    expect(ofPages).toEqual([]);
  });
});
