import { makeField } from '../fields/field.js';
import { SiteWords } from '../../values/index.js';
import { facetFor, proposeFacets, proposeSortChoices, sortChoicesFor, withProposedUses } from './proposed-design.js';

const field = (label: string, type: Parameters<typeof makeField>[0]['type']) =>
  makeField({ key: label.toLowerCase().replaceAll(' ', '_'), label, type });

describe('What Plindo proposes for the fields of a kind', () => {
  const fields = [
    field('Price', 'money'),
    field('Open', 'yes-no'),
    field('Type', 'one-choice'),
    field('Name', 'short-text'),
    field('Post code', 'whole-number'),
    field('Since', 'date'),
    field('Photo', 'picture'),
    field('Place', 'place'),
  ];

  it('is a facet over what can be counted, choices first, none over codes, texts and pictures', () => {
    expect(proposeFacets(fields).map(({ key, control }) => `${key}: ${control}`)).toEqual([
      'type: ticks',
      'open: yes-no',
      'price: range',
      'since: dates',
    ]);
    expect(facetFor(field('Sort', 'one-choice'))?.key).toBe('sort-is');
    expect(facetFor(field('Name', 'short-text'))?.control).toBe('letters');
    expect(facetFor(field('About', 'rich-text'))).toBeNull();
  });

  it('is a sort choice both ways over numbers and dates, in the words that fit', () => {
    expect(proposeSortChoices(fields, new SiteWords('en-GB')).map(({ label }) => label)).toEqual([
      'Title, A to Z',
      'Newest first',
      'Price, lowest first',
      'Price, highest first',
      'Since, earliest first',
      'Since, latest first',
    ]);
    expect(sortChoicesFor(field('Type', 'one-choice'), new SiteWords('en-GB'))).toEqual([]);
    const labels = sortChoicesFor(field('Preis', 'money'), new SiteWords('de-DE')).map(({ label }) => label);
    expect(labels).toEqual(['Preis, niedrigste zuerst', 'Preis, höchste zuerst']);
  });

  it('is four short values on cards, and texts in the search', () => {
    const used = withProposedUses(fields);
    expect(used.filter(({ searchWeight }) => searchWeight > 0).map(({ label }) => label)).toEqual([
      'Type',
      'Name',
      'Place',
    ]);
  });
});
