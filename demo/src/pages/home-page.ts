import type { PageDesign, PageSketch } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import type { GuideNumbers, KeptPicture } from '../guide-parts.js';
import { officeWord } from './office-part.js';
import { heading, lines, slot, value } from './page-parts.js';

export function homePage(numbers: GuideNumbers, pictures: readonly KeptPicture[]): PageDesign {
  return makePage({
    name: 'Home page',
    purpose: 'What a visitor who has just arrived wants: a berth, a course, a harbour',
    serves: 'home',
    description: makeText([
      'Berths, boatyards, courses and harbours of Merrow Sound, with prices and what there is ashore.',
    ]),
    strips: [
      welcome(pictures),
      featuredBerths(numbers),
      nextCourses(numbers),
      yardServices(numbers),
      lookedAtMost(numbers),
      newestFromYou(numbers),
      harboursOnMap(numbers),
      toRead(numbers),
    ],
  });
}

function welcome(pictures: readonly KeptPicture[]): PageSketch['strips'][number] {
  return {
    name: 'Welcome',
    width: 'full',
    picture: pictures[3] ?? null,
    columns: [
      {
        pieces: [
          heading('Merrow Sound Waterside Guide', 1),
          lines(slot({ text: ['Where to lie, what it costs and what you find ashore.'], size: 'large' })),
          {
            type: 'buttons',
            settings: {
              buttons: [
                { words: 'Find a berth', address: '/berths', field: '' },
                { words: 'Join a course', address: '/courses', field: '' },
              ],
            },
          },
        ],
      },
    ],
  };
}

function featuredBerths(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'Featured berths',
    space: 'large',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{
                from: 'selection',
                of: numbers.selections.get('featured-berths')!,
                most: 8,
                layout: 'scrolling',
                width: 18,
              },
              ...{ heading: makeText(['Berths that we like']), leadsOn: true },
            },
          },
        ],
      },
    ],
  };
}

function nextCourses(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'Next courses',
    tone: 'tinted',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'selection', of: numbers.selections.get('next-courses')!, most: 4, width: 15 },
              ...{ heading: makeText(['Next courses']), leadsOn: true },
            },
            nothing: 'No course begins in the coming weeks.',
          },
        ],
      },
    ],
  };
}

function yardServices(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'What yards do',
    columns: [
      {
        pieces: [
          {
            type: 'categories',
            settings: {
              of: numbers.yard,
              facet: 'services',
              layout: 'tiles',
              heading: makeText(['Is something broken?']),
            },
          },
        ],
      },
    ],
  };
}

function lookedAtMost(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'Looked at most',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'selection', of: numbers.selections.get('most-viewed-berths')!, most: 4, width: 17 },
              ...{ heading: makeText(['Looked at most']), intro: 'In the last 30 days.', leadsOn: true },
            },
          },
        ],
      },
    ],
  };
}

function newestFromYou(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'Newest from you',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'selection', of: numbers.selections.get('newest-boatyards')!, most: 4, width: 17 },
              ...{ heading: makeText(['Newest from you']), intro: 'Boatyards that the guide got last.', leadsOn: true },
            },
          },
          {
            type: 'buttons',
            settings: { look: 'plain', buttons: [{ words: 'Tell us of a boatyard', address: '/tell-us', field: '' }] },
          },
        ],
      },
    ],
  };
}

function harboursOnMap(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'Harbours on a map',
    space: 'large',
    columns: [
      { share: 3, pieces: [{ type: 'map', settings: { area: 'harbours', height: 'large' } }] },
      {
        share: 2,
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'kind', of: numbers.harbour, steered: true, name: 'harbours', most: 12, layout: 'table' },
              columns: [
                value('@title', { label: 'Harbour', icon: '' }),
                value('region', { label: 'On', icon: '' }),
                value('visitor_berths', { label: 'Berths', icon: '' }),
              ],
              ...{ heading: makeText(['Harbours']), intro: 'Twelve places to lie safely.', leadsOn: true },
            },
          },
        ],
      },
    ],
  };
}

function toRead(numbers: GuideNumbers): PageSketch['strips'][number] {
  return {
    name: 'To read, and a word from the office',
    columns: [
      {
        pieces: [
          {
            type: 'list',
            settings: {
              ...{ from: 'kind', of: numbers.guide, most: 1, layout: 'rows' },
              ...{ heading: makeText(['To read']), leadsOn: true },
            },
          },
        ],
      },
      { pieces: [officeWord(numbers.office)] },
    ],
  };
}
