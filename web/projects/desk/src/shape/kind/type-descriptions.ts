import type { FieldTypeName } from '@plindo/core/structure';

/** What each type of field is for, and the group that it is offered in. */
export const TYPE_GROUPS: readonly { readonly label: string; readonly types: readonly FieldTypeName[] }[] = [
  { label: 'Text', types: ['short-text', 'long-text', 'rich-text'] },
  { label: 'Numbers', types: ['whole-number', 'decimal', 'money', 'measure', 'range', 'rating', 'computed'] },
  { label: 'Choices', types: ['yes-no', 'one-choice', 'several-choices', 'categories', 'colour'] },
  { label: 'Time', types: ['date', 'date-time', 'time-of-day'] },
  { label: 'Contact and place', types: ['web-address', 'email', 'phone', 'place'] },
  { label: 'Pictures and files', types: ['picture', 'pictures', 'file'] },
  { label: 'More', types: ['reference', 'group', 'rows'] },
];

export const TYPE_USES: Readonly<Record<FieldTypeName, string>> = {
  'short-text': 'One line, such as a name',
  'long-text': 'Paragraphs without formatting',
  'rich-text': 'Headings, lists and links',
  'whole-number': 'Counted things',
  decimal: 'Any number',
  money: 'An amount in one currency',
  measure: 'A number with a unit, shown in any unit',
  range: 'From one value to another',
  'yes-no': 'A plain answer',
  'one-choice': 'One of a list',
  'several-choices': 'Any of a list',
  date: 'A day',
  'date-time': 'A moment, in the site’s time zone',
  'time-of-day': 'Such as an opening time',
  'web-address': 'A link to a page',
  email: 'A checked e-mail address',
  phone: 'A number that can be called',
  picture: 'One picture beside the lead picture',
  pictures: 'Several, in an order',
  file: 'A file to download, such as a PDF',
  place: 'A point on the map with an address',
  categories: 'From a tree that kinds can share',
  colour: 'Picked or typed',
  rating: 'Stars, in halves',
  reference: 'A number that Plindo gives out, each once',
  link: 'Listings of another kind',
  group: 'Several values under one label',
  rows: 'Several values, any number of times',
  computed: 'Worked out from other fields',
};
