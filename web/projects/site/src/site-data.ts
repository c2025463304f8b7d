import { InjectionToken, inject, makeStateKey, TransferState } from '@angular/core';
import { VisitorApi } from '@plindo/api/visitor-api';
import { showsDrafts } from '@plindo/api/shown-drafts';
import type { PageLink, PageModel, SuggestionModel } from '@plindo/core/page';
import { sleepingPage } from '@plindo/core/page';
import { firstValueFrom } from 'rxjs';

/** Where page models come from: on the server from the catalog itself, in the browser over HTTP. */
export interface SiteData {
  page(url: string): Promise<PageModel>;
  /** What fits words that are being typed on a list of the page at a path. */
  suggestions(path: string, area: string, text: string): Promise<readonly SuggestionModel[]>;
  /** Pages whose names are near to an address that leads nowhere. */
  near(url: string): Promise<readonly PageLink[]>;
  /** Titles of places that fit words that are being typed. */
  places(text: string): Promise<readonly string[]>;
}

const FIRST_PAGE = makeStateKey<PageModel>('first-page');

/** In the browser: the first page comes with the document, whatever address led to it; every other one from the API. */
function dataFromApi(): SiteData {
  const api = inject(VisitorApi);
  const state = inject(TransferState);
  return {
    page(url) {
      const first = state.get(FIRST_PAGE, null);
      state.remove(FIRST_PAGE);
      // In a task of its own: what visitors do meanwhile goes first.
      return first
        ? new Promise((resolve) => setTimeout(() => resolve(first)))
        : firstValueFrom(api.page(url, showsDrafts()));
    },
    suggestions: (path, area, text) => firstValueFrom(api.suggestions(path, area, text)),
    near: (url) => firstValueFrom(api.near(url)),
    places: (text) => firstValueFrom(api.places(text)),
  };
}

export const SITE_DATA = new InjectionToken<SiteData>('SiteData', { providedIn: 'root', factory: dataFromApi });

/** Keeps the page that the server has rendered for the browser to begin with. */
export function keepFirstPage(state: TransferState, model: PageModel): void {
  state.set(FIRST_PAGE, sleepingPage(model));
}
