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

  static async open(environment: Readonly<Record<string, string>> = {}): Promise<DemoDesk> {
    return DemoDesk.with(await TestServer.startDemo(environment), (desk) => desk.signIn(DEMO_OWNER));
  }

  /** The same of a site in which nothing is yet, with an owner who has just been made. */
  static async empty(): Promise<DemoDesk> {
    return DemoDesk.with(await TestServer.start(), (desk) => desk.makeOwner());
  }

  private static async with(server: TestServer, enter: (desk: Desk) => Promise<void>): Promise<DemoDesk> {
    const browser = await openBrowser();
    const page = await openPage(browser);
    page.on('dialog', (dialog) => void dialog.accept());
    const desk = new Desk(page, server);
    await enter(desk);
    return new DemoDesk(server, browser, page, desk);
  }

  async close(): Promise<void> {
    await this.browser.close();
    await this.server.stop();
  }
}
