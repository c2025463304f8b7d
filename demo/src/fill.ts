import { resolve } from 'node:path';
import { assemble } from '@plindo/server/assemble';
import type { Services } from '@plindo/server/http/services';
import { BERTH_KIND, HARBOUR_KIND } from './kinds.js';
import { drawScene } from './pictures.js';
import { BERTH_FACILITIES, BERTH_TYPES, HARBOURS } from './places.js';
import { Dice } from './random.js';

export const DEMO_OWNER = { email: 'editor@merrowsound.example', password: 'merrow-sound-demo' };

const PICTURES = 28;
const BERTHS_WITHOUT_PICTURE = 0.2;
const DAY_IN_MS = 86_400_000;

interface KeptPicture {
  readonly hash: string;
  readonly width: number;
  readonly height: number;
  readonly alt: string;
}

/** Fills an empty store with the invented guide to Merrow Sound. */
async function fill(folder: string): Promise<void> {
  const { services, store } = await assemble(folder, () => new Date());
  if (await services.accounts.needsOwner()) {
    await services.site.save(null, {
      name: 'Merrow Sound Waterside Guide',
      tagline: 'Where to lie, what it costs and what you find ashore, from the upper reach to the Skerry coast.',
      locale: 'en-GB',
      zone: 'Europe/Lisbon',
    });
    const pictures = await keepPictures(services);
    await fillHarbours(services, pictures);
    await fillBerths(services, pictures);
    // Last, as a store that has its owner is taken to be full.
    await services.accounts.addUser({ ...DEMO_OWNER, name: 'Merrow Sound office', role: 'owner' });
  }
  await store.close();
}

async function keepPictures({ pictures }: Services): Promise<KeptPicture[]> {
  const kept: KeptPicture[] = [];
  for (let number = 0; number < PICTURES; number++) {
    const { png, alt } = await drawScene(number);
    const { hash, width, height } = await pictures.add(png, `scene-${number + 1}.png`);
    kept.push({ hash, width, height, alt });
  }
  return kept;
}

async function fillHarbours({ kinds, listings }: Services, pictures: readonly KeptPicture[]): Promise<void> {
  const { result: kind } = await kinds.add(null, HARBOUR_KIND);
  for (const [at, harbour] of HARBOURS.entries()) {
    const domain = `${harbour.name.toLowerCase().replaceAll(' ', '-')}.example`;
    await listings.add(null, kind.id, {
      title: harbour.name,
      summary: harbour.summary,
      picture: pictures[at],
      status: 'live',
      featured: at === 3 || at === 7,
      values: {
        region: harbour.region,
        facilities: harbour.facilities,
        fuel: harbour.fuel,
        visitor_berths: harbour.berths,
        channel: String(harbour.channel),
        phone: `+00 555 01${String(at + 10)}`,
        email: `office@${domain}`,
        website: `https://${domain}`,
        place: { latitude: harbour.latitude, longitude: harbour.longitude, address: '' },
        about: harbour.about,
      },
    });
  }
}

async function fillBerths({ kinds, listings }: Services, pictures: readonly KeptPicture[]): Promise<void> {
  const { result: kind } = await kinds.add(null, BERTH_KIND);
  const dice = new Dice(20261);
  const today = Date.now();
  for (const harbour of HARBOURS) {
    for (let number = 1; number <= harbour.berths; number++) {
      const type = dice.pick(BERTH_TYPES);
      const length = dice.whole(14, 48) / 2;
      const isFeatured = dice.chance(0.03);
      await listings.add(null, kind.id, {
        title: `${harbour.name}, berth ${number}`,
        summary: summaryOf(dice, type),
        picture: dice.chance(BERTHS_WITHOUT_PICTURE) ? null : dice.pick(pictures),
        status: dice.chance(0.04) ? 'draft' : 'live',
        featured: isFeatured,
        handOrder: isFeatured ? number * 10 : null,
        values: {
          harbour: harbour.name,
          type,
          price: `${dice.whole(9, 60)}.${dice.pick(['00', '50'])}`,
          length: `${length} m`,
          // Some are known only in feet, as the chart has them; some not at all.
          draught: dice.chance(0.1)
            ? null
            : dice.chance(0.3)
              ? `${dice.whole(4, 14)} ft`
              : `${dice.whole(12, 45) / 10} m`,
          facility: dice.some(BERTH_FACILITIES, 0.45),
          nearby: dice.chance(0.15) ? null : dice.chance(0.6),
          checked: new Date(today - dice.whole(3, 400) * DAY_IN_MS).toISOString().slice(0, 10),
        },
      });
    }
  }
}

function summaryOf(dice: Dice, type: string): string {
  const where = dice.pick([
    'Close to the harbour office',
    'At the quiet end',
    'By the entrance',
    'Below the town',
    'Along the outer arm',
  ]);
  const what = dice.pick([
    'sheltered from westerlies',
    'some wash from the ferry',
    'with room to turn',
    'good holding at all tides',
    'a short row from the steps',
  ]);
  return `${type} ${where.toLowerCase()}, ${what}.`;
}

const folder = process.argv[2];
if (!folder) throw new Error('Say which folder is to be filled.');
await fill(resolve(folder));
