/** Runs in a thread of its own: renders pages of the site with the models that the server hands over. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import { LRUCache } from 'lru-cache';
import type { PageModel } from '@plindo/core/page';
import type { FromRenderer, RenderedPage, ToRenderer } from './render-messages.js';

/** What the built site gives: it renders an address into its page, with what it asks for of the data. */
interface BuiltSite {
  render(
    url: string,
    rendering: {
      page: string;
      isPlain: boolean;
      data: { page(url: string): Promise<PageModel>; cards: LRUCache<string, string> | null };
    },
  ): Promise<RenderedPage>;
}

/** Of all cards that a thread keeps: those of some ten thousand listings. */
const MOST_CARDS_IN_CHARACTERS = 24_000_000;

const folder = workerData as string;
const site = import(pathToFileURL(join(folder, 'server', 'server.mjs')).href) as Promise<BuiltSite>;
const page = readFile(join(folder, 'server', 'index.server.html'), 'utf8');
/** The plain way is there to compare with. */
const isPlain = process.env['PLINDO_PLAIN_RENDERING'] === 'yes';
/** HTML of cards that pages have had lately. */
const cards = isPlain
  ? null
  : new LRUCache<string, string>({
      maxSize: MOST_CARDS_IN_CHARACTERS,
      sizeCalculation: (html, key) => html.length + key.length,
    });
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
    const data = { page: (asked: string): Promise<PageModel> => ask(id, asked), cards };
    tell({ kind: 'rendered', id, page: await (await site).render(url, { page: await page, isPlain, data }) });
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
