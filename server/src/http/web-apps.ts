import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { Router } from 'express';
import type { Response } from 'express';
import { FILE_NAME, builtFiles } from './built-files.js';
import { NONCE_MARK, nonceOf } from './security.js';

export interface WebFolders {
  /** The build of the site, with `browser` and `server` below it. */
  readonly site: string;
  /** The build of the Desk, with `browser` below it. */
  readonly desk: string;
}

/** The signed-in side: one page for every address below /desk. */
export async function deskRouter(folder: string): Promise<Router> {
  const router = Router();
  const browser = join(folder, 'browser');
  const shell = await readFile(join(browser, 'index.html'), 'utf8');
  router.use(builtFiles(browser));
  router.get('/{*path}', (request, response) => {
    // A file that isn't there is not a page of the Desk.
    if (FILE_NAME.test(request.path)) response.status(404).end();
    else sendHtml(response, 200, shell);
  });
  return router;
}

function sendHtml(response: Response, status: number, html: string): void {
  response.status(status).type('html').set('Cache-Control', 'no-cache');
  response.send(html.replaceAll(NONCE_MARK, nonceOf(response)));
}
