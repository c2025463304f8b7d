import type { Browser } from 'playwright-core';
import { openBrowser, openPage } from './browser.js';
import { TestServer } from './server.js';

/** A server of the demo with a browser for its visitors. */
export class DemoSite {
  private constructor(
    readonly server: TestServer,
    private readonly browser: Browser,
  ) {}

  static async start(): Promise<DemoSite> {
    return new DemoSite(await TestServer.startDemo(), await openBrowser());
  }

  /** A new page at an address of the site, loaded with all that it asks for; other addresses of it may begin with "/". */
  async open(path: string, options: Parameters<typeof openPage>[1] = {}): ReturnType<typeof openPage> {
    const page = await openPage(this.browser, { baseURL: this.server.address, ...options });
    await page.goto(path, { waitUntil: 'networkidle' });
    return page;
  }

  async stop(): Promise<void> {
    await this.browser.close();
    await this.server.stop();
  }
}
