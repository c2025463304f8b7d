/** Runs in a thread of its own: renders pages of the site with the models that the server hands over. */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import type { PageModel } from '@plindo/core/page';
import type { FromRenderer, ToRenderer } from './render-messages.js';

/** What the built site gives: it renders an address with what it asks for of the data. */
interface BuiltSite {
  render(url: string, data: { page(url: string): Promise<PageModel> }): Promise<globalThis.Response | null>;
}

const folder = workerData as string;
const site = import(pathToFileURL(join(folder, 'server', 'server.mjs')).href) as Promise<BuiltSite>;
/** By number of a rendering, who waits for a model. */
const waiting = new Map<number, (model: PageModel | null) => void>();

parentPort!.on('message', (message: ToRenderer) => {
  if (message.kind === 'render') void render(message.id, message.url);
  else waiting.get(message.id)?.(message.model);
});

function tell(message: FromRenderer): void {
  parentPort!.postMessage(message);
}

async function render(id: number, url: string): Promise<void> {
  try {
    const rendered = await (await site).render(url, { page: (asked) => ask(id, asked) });
    if (!rendered) throw new Error(`The site has no page at ${url}.`);
    tell({ kind: 'rendered', id, page: { status: rendered.status, html: await rendered.text() } });
  } catch (error) {
    tell({ kind: 'failed', id, reason: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
}

async function ask(id: number, url: string): Promise<PageModel> {
  tell({ kind: 'ask', id, url });
  const model = await new Promise<PageModel | null>((resolve) => waiting.set(id, resolve));
  waiting.delete(id);
  if (!model) throw new Error(`There is no model for ${url}.`);
  return model;
}
