import { Injectable, inject, signal } from '@angular/core';
import type { GuidePage } from '@plindo/api';
import { GUIDE_FOLDER, GuideApi } from '@plindo/api';
import { firstValueFrom } from 'rxjs';

/** The guide that ships with the Desk, and which of its pages stands beside the work. */
@Injectable({ providedIn: 'root' })
export class GuidePages {
  private readonly api = inject(GuideApi);
  readonly pages = signal<readonly GuidePage[]>([]);
  /** Name of the page that is shown; '' for all of them, null for none. */
  readonly shown = signal<string | null>(null);

  /** Reads which pages there are, once. */
  async load(): Promise<readonly GuidePage[]> {
    if (this.pages().length === 0) {
      this.pages.set(await firstValueFrom(this.api.pages()));
    }
    return this.pages();
  }

  /** The text of a page, in Markdown, with its pictures where they are served. */
  async textOf(name: string): Promise<string> {
    const text = await firstValueFrom(this.api.text(name));
    return text.replaceAll('](../screenshots/', `](${GUIDE_FOLDER}/screenshots/`);
  }

  /** Shows the page that explains an address of the Desk, or all pages where none does. */
  async showFor(url: string): Promise<void> {
    const page = pageFor(url, await this.load());
    this.shown.set(page?.name ?? '');
  }
}

/** The page that explains an address: the one that names it most exactly. */
export function pageFor(url: string, pages: readonly GuidePage[]): GuidePage | undefined {
  const parts = partsOf(url);
  let best: GuidePage | undefined;
  let bestScore = -1;
  for (const page of pages) {
    for (const pattern of page.explains) {
      const wanted = partsOf(pattern);
      const fits = wanted.length === parts.length && wanted.every((part, at) => part === '*' || part === parts[at]);
      const score = wanted.filter((part) => part !== '*').length;
      if (fits && score > bestScore) [best, bestScore] = [page, score];
    }
  }
  return best;
}

function partsOf(url: string): string[] {
  return (url.split(/[?#]/)[0] ?? '').split('/').filter((part) => part !== '');
}
