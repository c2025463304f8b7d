import type { PageDesign } from '@plindo/core/design';
import { makePage } from '@plindo/core/design';
import type { Piece } from './page-parts.js';
import { heading } from './page-parts.js';

/** What the office wants everybody to know: designed once, at the end of many pages. */
export function officePart(): PageDesign {
  return makePage({
    name: 'A word from the office',
    purpose: 'How prices come about, and where to say that something has changed',
    serves: 'part',
    strips: [
      {
        name: 'A word from the office',
        tone: 'tinted',
        columns: [
          {
            share: 2,
            pieces: [
              heading('A word from the office'),
              {
                type: 'rich-text',
                settings: {
                  html: '<p>Prices in this guide are those that we paid ourselves. We visit every harbour each spring, and a berth whose depth we have not sounded says so.</p>',
                },
              },
            ],
          },
          {
            share: 1,
            pieces: [
              {
                type: 'rich-text',
                settings: {
                  html: '<p>Did you find something changed? <strong>Tell us</strong>, and the next boat will know.</p>',
                },
              },
              {
                type: 'buttons',
                settings: {
                  look: 'plain',
                  buttons: [
                    { words: 'Tell the office', address: 'mailto:office@merrowsound.example', field: '' },
                    { words: 'Who we are', address: '/about', field: '' },
                  ],
                },
              },
            ],
          },
        ],
      },
    ],
  });
}

/** The part in a place; its number is that of the design. */
export function officeWord(office: number): Piece {
  return { type: 'part', settings: { of: office } };
}
