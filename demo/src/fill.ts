import { readFile } from 'node:fs/promises';
import { resolve } from 'node:path';
import { assemble } from '@plindo/server/assemble';
import type { Services } from '@plindo/server/http/services';
import { fillGuide } from './guide.js';
import type { KeptPicture } from './guide-parts.js';
import { drawScene } from './pictures.js';
import { playVisitors } from './visitors/play.js';
import { playSenders } from './visitors/senders.js';

export const DEMO_OWNER = { email: 'editor@merrowsound.example', password: 'merrow-sound-demo' };

const PICTURES = 28;
/** Fills an empty store with the invented guide to Merrow Sound. */
async function fill(folder: string): Promise<void> {
  const assembly = await assemble({ folder, clock: () => new Date() });
  const { services, clock, close } = assembly;
  if (await services.accounts.needsOwner()) {
    const coast = await readFile(new URL('../base-map.geojson', import.meta.url));
    await services.site.save(null, {
      baseMap: await services.files.add(coast, 'merrow-sound.geojson'),
      name: 'Merrow Sound Waterside Guide',
      tagline: 'Where to lie, what it costs and what you find ashore, from the upper reach to the Skerry coast.',
      locale: 'en-GB',
      zone: 'Europe/Lisbon',
    });
    const pictures = await keepPictures(services);
    await fillGuide(services, pictures);
    await playVisitors(assembly, folder);
    await playSenders(assembly);
    // Last, as a store that has its owner is taken to be full.
    await services.accounts.addUser({ ...DEMO_OWNER, name: 'Merrow Sound office', role: 'owner' });
  }
  // Courses that have begun by now are over when the guide is first looked at.
  await clock.doDue();
  await close();
}

/** All at once, as each is drawn and made smaller by one thread alone. */
function keepPictures({ pictures }: Services): Promise<KeptPicture[]> {
  const keep = async (number: number): Promise<KeptPicture> => {
    const { png, alt, focus } = await drawScene(number);
    const { hash, width, height } = await pictures.add(png, `scene-${number + 1}.png`);
    return { hash, width, height, alt, focus };
  };
  return Promise.all(Array.from({ length: PICTURES }, (_, number) => keep(number)));
}

const folder = process.argv[2];
if (!folder) throw new Error('Say which folder is to be filled.');
await fill(resolve(folder));
