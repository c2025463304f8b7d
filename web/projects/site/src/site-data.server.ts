import { REQUEST_CONTEXT, TransferState, inject } from '@angular/core';
import type { PageModel } from '@plindo/core/page';
import type { SentWords, ViewWords } from '@plindo/core/values';
import { viewWords } from '@plindo/core/values';
import type { KeptCards } from '@plindo/listing-view';
import type { SiteData } from './site-data';
import { keepFirstPage } from './site-data';

/** What the server hands to a rendering. */
export interface RenderContext {
  page(url: string): Promise<PageModel>;
  /** Where the HTML of cards is kept between renderings; null where each is drawn anew. */
  readonly cards: KeptCards | null;
  /** Where the words of pages are kept, by what pages bring of them; null where each page makes its own. */
  readonly words: Map<string, ViewWords> | null;
}

/** A site speaks in one way until somebody changes its words. */
const MOST_WORDS = 4;

/** What the server hands to the rendering that is under way. */
function context(): RenderContext | null {
  return inject(REQUEST_CONTEXT) as RenderContext | null;
}

export function cardsFromServer(): KeptCards | null {
  return context()?.cards ?? null;
}

export function wordsFromServer(): (sent: SentWords) => ViewWords {
  const kept = context()?.words;
  if (!kept) return viewWords;
  return (sent) => {
    const key = JSON.stringify(sent);
    const known = kept.get(key) ?? viewWords(sent);
    if (!kept.has(key) && kept.size >= MOST_WORDS) kept.clear();
    kept.set(key, known);
    return known;
  };
}

/** On the server: straight from what the server hands over, without HTTP. */
export function dataFromServer(): SiteData {
  const given = context();
  const state = inject(TransferState);
  return {
    async page(url) {
      if (!given) throw new Error('The site is rendered without the data of the server.');
      const model = await given.page(url);
      keepFirstPage(state, model);
      return model;
    },
    // Nothing is typed while a page is rendered on the server.
    suggestions: () => Promise.resolve([]),
    near: () => Promise.resolve([]),
    places: () => Promise.resolve([]),
  };
}
