import { REQUEST_CONTEXT, TransferState, inject } from '@angular/core';
import type { PageModel } from '@plindo/core/page';
import type { SiteData } from './site-data';
import { keepFirstPage } from './site-data';

/** What the server hands to a rendering. */
export interface RenderContext {
  page(url: string): Promise<PageModel>;
}

/** On the server: straight from what the server hands over, without HTTP. */
export function dataFromServer(): SiteData {
  const context = inject(REQUEST_CONTEXT) as RenderContext | null;
  const state = inject(TransferState);
  return {
    async page(url) {
      if (!context) throw new Error('The site is rendered without the data of the server.');
      const model = await context.page(url);
      keepFirstPage(state, model);
      return model;
    },
    // Nothing is typed while a page is rendered on the server.
    suggestions: () => Promise.resolve([]),
    places: () => Promise.resolve([]),
  };
}
