import { HeldBack } from './start/held-back';
import { whenWanted } from './start/when-wanted';

/** Pages work as they come; the program is fetched beside them, and begins when there is something for it to do. */
async function begin(): Promise<void> {
  const heldBack = new HeldBack(document);
  try {
    await whenWanted();
    const { start } = await import('./start/start');
    await start();
  } catch (error) {
    // The page goes on without it, as it does where no scripts run.
    document.documentElement.classList.add('without-scripts');
    console.error(error);
  }
  heldBack.doAgain();
}

void begin();
