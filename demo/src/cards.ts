import type { CardDesign, SlotSketch } from '@plindo/core/design';
import { firstCard, makeCard } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';

const TITLE: SlotSketch = { key: 'title', text: [{ field: '@title' }], size: 'large', isBold: true };
const SUMMARY: SlotSketch = { key: 'summary', text: [{ field: '@summary' }], tone: 'quiet', lines: 2 };
const DISTANCE: SlotSketch = { key: 'distance', text: [{ field: '@distance' }], size: 'small', icon: null };
const FLAG: SlotSketch = {
  ...{ key: 'featured', text: [{ field: '@featured' }], icon: null },
  ...{ size: 'tiny', isBold: true, tone: 'warm' },
};
const labelled = (field: string, more: Partial<SlotSketch> = {}): SlotSketch => ({
  ...{ key: field, text: [{ field }], label: null, icon: null },
  ...more,
});

/** How the listings of the guide look in lists, by the slug of their kind. */
const CARDS: Readonly<Record<string, CardDesign>> = {
  harbours: makeCard({
    name: 'Harbour card',
    purpose: 'Where a boat can lie: region, room and fuel at a glance',
    canBeKept: true,
    zones: {
      topStart: [FLAG],
      heading: [
        TITLE,
        { key: 'region', text: [{ field: 'region' }], size: 'small', tone: 'accent' },
        SUMMARY,
        DISTANCE,
      ],
      body: [labelled('visitor_berths', { label: 'Berths' }), labelled('channel', { label: 'Channel' })],
      foot: [
        {
          ...{ key: 'fuel', text: ['Sells fuel'], form: 'tag', size: 'small' },
          showWhen: { join: 'all', of: [{ field: 'fuel', op: 'is', value: true }] },
        },
        {
          ...{ key: 'offers', size: 'small', tone: 'quiet' },
          text: [{ field: 'facilities', many: 'count', before: 'Facilities: ' }],
        },
      ],
    },
  }),
  berths: makeCard({
    name: 'Berth card',
    purpose: 'What it costs, what fits in, and where it is',
    canBeKept: true,
    zones: {
      topStart: [FLAG],
      heading: [
        TITLE,
        {
          ...{ key: 'where', size: 'small', tone: 'quiet' },
          text: [{ field: 'type' }, { field: 'region', through: ['harbour'], before: ', ' }],
        },
        DISTANCE,
      ],
      body: [
        labelled('length', { label: 'Length' }),
        labelled('draught', { label: 'Draught', text: [{ field: 'draught', digits: 1 }], instead: 'not known' }),
      ],
      foot: [
        { key: 'price', text: [{ field: 'price', after: ' a night' }], size: 'large', isBold: true },
        {
          ...{ key: 'nearby', text: ['Services nearby'], form: 'tag', size: 'tiny' },
          showWhen: { join: 'all', of: [{ field: 'nearby', op: 'is', value: true }] },
        },
      ],
    },
  }),
  boatyards: makeCard({
    name: 'Boatyard card',
    purpose: 'Logo, rating and what the yard does',
    canBeKept: true,
    picture: { stands: 'start', field: 'logo', ratio: '1:1', fit: 'whole' },
    zones: {
      heading: [
        FLAG,
        TITLE,
        { key: 'rating', text: [{ field: 'rating' }], form: 'own', size: 'small', instead: 'Not rated yet' },
        { ...SUMMARY, lines: 3 },
      ],
      body: [
        labelled('lift', { label: 'Lifts up to', instead: 'no lift' }),
        labelled('serves', { label: 'Harbours', text: [{ field: 'serves', many: 'count' }] }),
      ],
    },
  }),
  courses: makeCard({
    name: 'Course card',
    purpose: 'When, where, for whom and for how much',
    canBeKept: true,
    picture: { stands: 'above', ratio: '16:9' },
    zones: {
      topStart: [FLAG],
      bottomStart: [{ key: 'date', text: [{ field: 'starts', dates: 'weekday-short' }], size: 'small', isBold: true }],
      heading: [TITLE, { ...SUMMARY, lines: 1 }],
      body: [labelled('level'), labelled('days'), labelled('taught_by', { instead: 'to be told', lines: 2 })],
      foot: [
        { key: 'price', text: [{ field: 'price' }], size: 'large', isBold: true },
        { key: 'seats', text: [{ field: 'seats', after: ' places' }], size: 'small', tone: 'quiet' },
      ],
    },
  }),
  instructors: makeCard({
    name: 'Instructor card',
    purpose: 'A face, and what it teaches',
    picture: { stands: 'above', ratio: '4:5' },
    surface: 'plain',
    zones: {
      heading: [
        TITLE,
        { key: 'certificates', text: [{ field: 'certificates' }], size: 'small', tone: 'quiet', lines: 2 },
        { key: 'years', text: [{ field: 'years', after: ' years of teaching' }], size: 'small' },
      ],
      foot: [{ key: 'languages', text: [{ field: 'languages', before: 'Speaks ' }], size: 'small', tone: 'quiet' }],
    },
  }),
  guides: makeCard({
    name: 'Guide card',
    purpose: 'A picture that makes you want to read on',
    picture: { stands: 'behind', ratio: '3:2' },
    zones: { heading: [{ ...TITLE, size: 'larger' }, SUMMARY] },
  }),
  'channels-and-lights': makeCard({
    name: 'Channel card',
    purpose: 'One entry of the reference list',
    picture: { stands: 'none' },
    zones: { heading: [TITLE], body: [labelled('channel'), labelled('characteristic'), labelled('number')] },
  }),
};

/** The card of a kind of the guide. */
export function guideCard(kind: Kind): CardDesign {
  return CARDS[kind.slug] ?? firstCard(kind);
}
