/** Runs in a thread of its own: renders pages of the site with the models that the server hands over. */
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { parentPort, workerData } from 'node:worker_threads';
import { LRUCache } from 'lru-cache';
import type { PageModel } from '@plindo/core/page';
import { readTemplate, withFaces } from './page-template.js';
import type { FromRenderer, RenderedPage, ToRenderer } from './render-messages.js';
import { letTimersBeginAtOnce } from './timers-at-once.js';

/** What the built site gives: it renders an address into its page, with what it asks for of the data. */
interface BuiltSite {
  render(
    url: string,
    rendering: {
      page: string;
      isPlain: boolean;
      data: {
        page(url: string): Promise<PageModel>;
        cards: LRUCache<string, string> | null;
        words: Map<string, unknown> | null;
      };
    },
  ): Promise<RenderedPage>;
}

/** Of all cards that a thread keeps: those of some ten thousand listings. */
const MOST_CARDS_IN_CHARACTERS = 24_000_000;

/** The plain way is there to compare with. */
const isPlain = process.env['PLINDO_PLAIN_RENDERING'] === 'yes';
if (!isPlain) letTimersBeginAtOnce();

const folder = workerData as string;
const site = import(pathToFileURL(join(folder, 'server', 'server.mjs')).href) as Promise<BuiltSite>;
const template = readTemplate(folder);
/** HTML of cards that pages have had lately. */
const cards = isPlain
  ? null
  : new LRUCache<string, string>({
      maxSize: MOST_CARDS_IN_CHARACTERS,
      sizeCalculation: (html, key) => html.length + key.length,
    });
/** The words of the site, as its program keeps them. */
const words = isPlain ? null : new Map<string, unknown>();
/** By number of a rendering, who waits for a model. */
const waiting = new Map<number, (model: string | null) => void>();

parentPort!.on('message', (message: ToRenderer) => {
  if (message.kind === 'render') void render(message.id, message.url);
  else waiting.get(message.id)?.(message.model);
});

function tell(message: FromRenderer): void {
  parentPort!.postMessage(message);
}

async function render(id: number, url: string): Promise<void> {
  try {
    let look = '';
    const page = async (asked: string): Promise<PageModel> => {
      const model = await ask(id, asked);
      look = model.look;
      return model;
    };
    const { document, faces } = await template;
    const rendered = await (await site).render(url, { page: document, isPlain, data: { page, cards, words } });
    tell({ kind: 'rendered', id, page: { ...rendered, html: withFaces(rendered.html, look, faces) } });
  } catch (error) {
    tell({ kind: 'failed', id, reason: error instanceof Error ? (error.stack ?? error.message) : String(error) });
  }
}

async function ask(id: number, url: string): Promise<PageModel> {
  tell({ kind: 'ask', id, url });
  const model = await new Promise<string | null>((resolve) => waiting.set(id, resolve));
  waiting.delete(id);
  if (model === null) throw new Error(`There is no model for ${url}.`);
  return JSON.parse(model) as PageModel;
}
