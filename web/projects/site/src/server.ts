import { AngularAppEngine } from '@angular/ssr';
import type { RenderContext } from './site-data.server';

const engine = new AngularAppEngine();

/**
 * Renders the page at an address ("/berths?facility=water") with the data that the server hands over. The host in the
 * request is a fixed one: nothing that a visitor sends as a host name reaches the page.
 */
export function render(url: string, data: RenderContext): Promise<Response | null> {
  return engine.handle(new Request(`http://localhost${url}`), data);
}
