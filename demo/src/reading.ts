import type { Field, KindDefinition } from '@plindo/core/structure';
import {
  choicesFromLabels,
  makeFacet,
  makeField,
  makeKindDefinition,
  proposeSortChoices,
} from '@plindo/core/structure';
import { SiteWords } from '@plindo/core/values';
import type { Services } from '@plindo/server/http/services';
import type { KeptPicture } from './guide-parts.js';
import { HARBOURS } from './places.js';

/** What there is to read in the guide: ranked lists, and a reference list of channels and lights. */

const money = { currency: 'EUR', least: 0 } as const;

export const GUIDE_KIND: KindDefinition = makeKindDefinition({
  ...{ slug: 'guides', one: 'Guide', many: 'Guides', icon: 'menu_book', published: true, startStatus: 'live' },
  intro: 'Lists that the office has put together after many nights afloat.',
  parts: ['picture', 'summary', 'body', 'dates', 'author'],
  fields: [
    makeField({
      ...{ key: 'places', label: 'Places', type: 'rows', inTable: false },
      settings: {
        fields: [
          makeField({ key: 'name', label: 'Name', type: 'short-text', required: true }),
          makeField({ key: 'picture', label: 'Picture', type: 'picture' }),
          makeField({ key: 'why', label: 'Why', type: 'short-text' }),
          makeField({ key: 'price', label: 'A night', type: 'money', settings: money }),
          makeField({ key: 'booking', label: 'Booking', type: 'web-address' }),
        ],
      },
    }),
  ],
});

const MARKS = ['Radio channel', 'Light', 'Sound signal'] as const;

const CHANNEL_FIELDS: readonly Field[] = [
  makeField({ key: 'number', label: 'Number', type: 'reference', settings: { pattern: 'R-###' } }),
  makeField({ key: 'sort', label: 'Signal', type: 'one-choice', settings: { choices: choicesFromLabels([...MARKS]) } }),
  makeField({ key: 'channel', label: 'Channel', type: 'short-text', searchWeight: 1 }),
  makeField({ key: 'characteristic', label: 'Characteristic', type: 'short-text', searchWeight: 1 }),
  makeField({ key: 'note', label: 'Note', type: 'short-text', searchWeight: 1 }),
];

export const CHANNEL_KIND: KindDefinition = makeKindDefinition({
  ...{ slug: 'channels-and-lights', one: 'Channel or light', many: 'Radio channels and lights', icon: 'cell_tower' },
  ...{ published: true, startStatus: 'live', parts: [], hasListingPages: false, pageSize: 50 },
  intro: 'What to call, what to look for and what to listen for, from the sea to the upper reach.',
  fields: CHANNEL_FIELDS,
  facets: [makeFacet({ key: 'mark', label: 'Signal', field: 'sort', control: 'chips', valueOrder: 'defined' })],
  sortChoices: proposeSortChoices(CHANNEL_FIELDS, new SiteWords('en-GB')),
});

const WHY = [
  'The last light goes out at ten, and then there is only the tide.',
  'Moorings far apart, and nobody runs an engine.',
  'You wake to herons.',
  'Behind the island no wash reaches you.',
  'Steep gardens on three sides keep the wind away.',
  'Dries at low water, so nobody passes by night.',
  'The ferry sleeps on the other shore.',
  'Six berths, and a bench above them.',
  'Stars down to the horizon.',
  'Far from the road, near the bakery.',
];

/** Writes the ranked list and the reference list. */
export async function fillReading(
  { listings }: Services,
  { guide, channel }: { readonly guide: number; readonly channel: number },
  pictures: readonly KeptPicture[],
): Promise<void> {
  const places = WHY.map((why, at) => {
    const { name } = HARBOURS[(at * 5 + 2) % HARBOURS.length]!;
    const slug = name.toLowerCase().replaceAll(' ', '-');
    const picture = pictures[(at * 3 + 1) % pictures.length];
    return { name, picture, why, price: 14 + ((at * 7) % 23), booking: `https://${slug}.example/book` };
  });
  await listings.add(null, guide, {
    title: 'Ten quiet nights',
    summary: 'Where you hear the water and little else, the quietest first.',
    picture: pictures[6],
    author: 'The office',
    body: '<p>We slept in every harbour of the sound, twice, in June and in October. These ten let us sleep longest.</p>',
    status: 'live',
    featured: true,
    values: { places },
  });
  for (const { title, values } of REFERENCES) await listings.add(null, channel, { title, status: 'live', values });
}

const REFERENCES: readonly { title: string; values: Readonly<Record<string, string>> }[] = [
  ...HARBOURS.map(({ name, channel }) => ({
    title: `${name} harbour office`,
    values: { sort: 'Radio channel', channel: String(channel), note: 'In office hours' },
  })),
  ...HARBOURS.filter((_, at) => at % 2 === 0).map(({ name }, at) => ({
    title: `${name} pier head`,
    values: {
      sort: 'Light',
      characteristic: ['Fl G 3s', 'Fl R 3s', 'Q G', 'Iso W 4s', 'Fl(2) R 6s', 'Oc W 8s'][at % 6]!,
      note: at % 2 === 0 ? 'Keep it to starboard when you come in' : 'Keep it to port when you come in',
    },
  })),
  {
    title: 'Sound traffic',
    values: { sort: 'Radio channel', channel: '12', note: 'Call before you enter the narrows' },
  },
  { title: 'Kessel fog horn', values: { sort: 'Sound signal', characteristic: 'Horn(1) 30s', note: 'In fog only' } },
];
