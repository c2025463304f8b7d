import type { Browser, Page } from 'playwright-core';
import { openBrowser, openPage } from './browser.js';
import { DEMO_OWNER, Desk } from './desk.js';
import { TestServer } from './server.js';

/** A server of the demo with a browser in which its owner is signed in; questions of the page are agreed to. */
export class DemoDesk {
  private constructor(
    readonly server: TestServer,
    readonly browser: Browser,
    readonly page: Page & { complaints: string[] },
    readonly desk: Desk,
  ) {}

  static async open(): Promise<DemoDesk> {
    const server = await TestServer.startDemo();
    const browser = await openBrowser();
    const page = await openPage(browser);
    page.on('dialog', (dialog) => void dialog.accept());
    const desk = new Desk(page, server);
    await desk.signIn(DEMO_OWNER);
    return new DemoDesk(server, browser, page, desk);
  }

  async close(): Promise<void> {
    await this.browser.close();
    await this.server.stop();
  }
}
