import type { FrameDesign } from '@plindo/core/design';
import { makeFrame } from '@plindo/core/design';

/** What stands around every page of the guide; `berths` is the number of that kind. */
export function guideFrame(berths: number): FrameDesign {
  return makeFrame({
    name: 'Header and footer of the guide',
    purpose: 'The menu by what people come for, and how to reach the office',
    hasOwnMenu: true,
    menu: [
      entry('Harbours', '/harbours'),
      entry('Berths', '/berths', [
        ['Berths that we like', '/lists/featured-berths'],
        ['Refuel and stay', '/lists/refuel-and-stay'],
      ]),
      entry('Boatyards', '/boatyards', [
        ['Rigging', '/boatyards/rigging'],
        ['Hull', '/boatyards/hull'],
      ]),
      entry('Courses', '/courses', [['Instructors', '/instructors']]),
      entry('To read', '', [
        ['Guides', '/guides'],
        ['Radio channels and lights', '/channels-and-lights'],
        ['About the guide', '/about'],
      ]),
    ],
    searchIn: berths,
    hasShortlist: true,
    columns: [
      {
        heading: 'The office',
        html: '<p>Harbour House, Greyfin Marina. Open from nine to five, in winter on weekdays only.</p>',
        links: [],
      },
      {
        heading: 'For skippers',
        html: '',
        links: [
          link('Berths by price', '/berths?sort=price'),
          link('Radio channels and lights', '/channels-and-lights'),
        ],
      },
      {
        heading: 'For learners',
        html: '',
        links: [link('All courses', '/courses'), link('Who teaches', '/instructors')],
      },
    ],
    line: 'Merrow Sound is invented: its harbours, firms and people exist in this guide only.',
  });
}

type Link = readonly [words: string, address: string];

function entry(words: string, address: string, below: readonly Link[] = []): FrameDesign['menu'][number] {
  return { words, address, below: below.map((one) => link(...one)) };
}

function link(words: string, address: string): FrameDesign['menu'][number]['below'][number] {
  return { words, address };
}
