import { REQUEST_CONTEXT, RESPONSE_INIT } from '@angular/core';
import { renderApplication } from '@angular/platform-server';
import bootstrap from './main.server';
import { SlimDocument } from './server/slim-document';
import type { RenderContext } from './site-data.server';

/** A page as it goes out. */
export interface Rendered {
  readonly status: number;
  readonly html: string;
}

/** By what a page is rendered: `page` is the page that the build has made, into which it goes. */
export interface Rendering {
  readonly page: string;
  readonly data: RenderContext;
  /** Whether Angular's own server DOM is used, which the quick one is compared with. */
  readonly isPlain?: boolean;
}

/**
 * Renders the page at an address ("/berths?facility=water") with the data that the server hands over. The host is a
 * fixed one: nothing that a visitor sends as a host name reaches the page.
 */
export async function render(url: string, { page, data, isPlain = false }: Rendering): Promise<Rendered> {
  const response: ResponseInit = { status: 200 };
  const location = `http://localhost${url}`;
  const html = await renderApplication(bootstrap, {
    // The renderer writes into it what it is told, and asks it for nothing but that.
    document: isPlain ? page : (new SlimDocument(page, location) as unknown as Document),
    url: location,
    allowedHosts: ['localhost'],
    platformProviders: [
      { provide: REQUEST_CONTEXT, useValue: data },
      { provide: RESPONSE_INIT, useValue: response },
    ],
  });
  return { status: response.status ?? 200, html };
}
