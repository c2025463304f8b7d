import type { FormDesign, PageDesign } from '@plindo/core/design';
import { makeForm, makePage, makeText } from '@plindo/core/design';
import { heading } from './page-parts.js';

/** With which skippers tell the office of a boatyard. */
export function yardForm(): FormDesign {
  return makeForm({
    name: 'Tell us of a boatyard',
    purpose: 'For skippers who found a yard that the guide does not have',
    steps: [
      {
        title: 'The yard',
        help: 'What it is called and what it does. Two minutes are enough.',
        questions: [
          { field: '@title', label: 'What is it called?', isRequired: true },
          { field: '@summary', label: 'What should other skippers know?', help: 'One or two sentences.' },
          { field: 'services', label: 'What do they do?' },
          { field: 'shed', label: 'Their shed', help: 'Leave it empty if you do not know.' },
          {
            field: 'lift',
            label: 'How much can they lift?',
            help: 'In tonnes, if you know.',
            showWhen: { join: 'any', of: [{ field: 'services', op: 'is-one-of', value: ['hull'] }] },
          },
        ],
      },
      {
        title: 'Where and how to reach it',
        questions: [
          { field: 'serves', label: 'Which harbours do they serve?' },
          { field: 'phone', label: 'Telephone' },
          { field: 'website', label: 'Website' },
        ],
      },
      {
        title: 'A picture',
        questions: [{ field: '@picture', label: 'A picture of the yard', help: 'From the water is best.' }],
      },
    ],
    consents: [
      { words: 'The guide may publish this, and the pictures are mine or I may hand them on.', isRequired: true },
      { words: 'The office may ask me about it by e-mail.', isRequired: false },
    ],
    thanks: 'Thank you. One of us will look at it, mostly within two days.',
  });
}

/** `form` is the number of the form. */
export function sendInPage(form: number): PageDesign {
  return makePage({
    name: 'Tell us of a boatyard',
    purpose: 'Where skippers send in yards',
    serves: 'free',
    address: 'tell-us',
    title: makeText(['Tell us of a boatyard']),
    description: makeText(['Send in a boatyard that the guide does not have yet.']),
    strips: [
      {
        columns: [
          {
            share: 2,
            pieces: [heading('Tell us of a boatyard', 1), { type: 'form', settings: { of: form } }],
          },
          {
            share: 1,
            pieces: [
              heading('What happens then'),
              {
                type: 'rich-text',
                settings: {
                  html: '<p>One of us looks at what you send before it stands in the guide. We write to you when it does, or when something is missing.</p><p>With the link that you get you can look at it, correct it, or take it back.</p>',
                },
              },
            ],
          },
        ],
      },
    ],
  });
}
