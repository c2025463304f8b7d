import { createApplication } from '@angular/platform-browser';
import { siteConfig } from '../app.config';
import { Site } from '../site';

/** Lets what visitors do meanwhile go first: each part of the start is a task of its own. */
const pause = (): Promise<void> => new Promise((resolve) => setTimeout(resolve));

/** Starts the program on the page that came from the server, until it is ready for what visitors do. */
export async function start(): Promise<void> {
  await pause();
  const site = await createApplication(siteConfig);
  await pause();
  site.bootstrap(Site);
  await site.whenStable();
}
