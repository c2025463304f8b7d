import type { PageDesign } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import { heading } from './page-parts.js';

export function aboutPage(): PageDesign {
  return makePage({
    name: 'About the guide',
    purpose: 'Who makes it, and how',
    serves: 'free',
    address: 'about',
    inMenu: true,
    title: makeText(['About the guide']),
    description: makeText(['Who makes the Merrow Sound Waterside Guide, and how its prices and depths come about.']),
    strips: [
      {
        columns: [
          {
            share: 2,
            pieces: [
              heading('About the guide', 1),
              {
                type: 'rich-text',
                settings: {
                  html: '<p>Three of us keep this guide, from an office above the chandlery at Greyfin Marina. One sounds depths, one eats pies, one writes.</p><h2>How prices come about</h2><p>We ask every harbour in January, and pay our way from March to October. Where the two differ, the guide has what we paid.</p><h2>How depths come about</h2><p>By lead line, at the lowest tide of the month. Where we have not been, the guide says that the depth is not known.</p>',
                },
              },
            ],
          },
          {
            share: 1,
            pieces: [
              heading('Write to us'),
              {
                type: 'buttons',
                settings: {
                  buttons: [{ words: 'Send an e-mail', address: 'mailto:office@merrowsound.example', field: '' }],
                },
              },
            ],
          },
        ],
      },
    ],
  });
}
