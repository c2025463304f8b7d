import { BERTH_FIELDS, contextIn, makeKind } from '../../../testing/builders.js';
import { makeField } from '../../structure/index.js';
import { readListing } from './read-listing.js';

const context = contextIn();
const kind = makeKind([...BERTH_FIELDS, makeField({ key: 'depth', label: 'Depth', type: 'decimal', required: true })]);

describe('Reading a listing', () => {
  it('makes a typed draft of what a form sends', () => {
    const { content, issues } = readListing(
      { title: ' Ferry  Quay 4 ', values: { depth: '2.5', price: '12', type: 'quay' } },
      kind,
      context,
    );
    expect(issues).toEqual([]);
    expect(content).toEqual({
      title: 'Ferry Quay 4',
      slug: 'ferry-quay-4',
      summary: '',
      picture: null,
      values: { depth: 2.5, price: { minor: 1200, currency: 'EUR' }, type: 'quay' },
      status: 'draft',
      shownFrom: null,
      shownUntil: null,
      expiry: null,
      featured: false,
      featuredFrom: null,
      featuredUntil: null,
      handOrder: null,
      body: '',
      place: null,
      author: '',
      aside: {},
    });
  });

  it('tells all that is wrong at once, each at its field', () => {
    const input = {
      status: 'gone',
      featured: 'maybe',
      handOrder: 'first',
      picture: 'x',
      values: { price: 'dear', colour: 'red' },
    };
    const { issues } = readListing(input, kind, context);
    const places = issues.map(({ field }) => field).sort();
    expect(places).toEqual(['colour', 'depth', 'featured', 'handOrder', 'picture', 'price', 'status', 'title']);
  });

  it('leaves alone what is not given, and empties what is given empty', () => {
    const base = readListing({ title: 'Quay', values: { depth: 2, note: 'calm' } }, kind, context).content;
    const changed = readListing({ handOrder: '2.5', values: { note: '' } }, kind, context, base);
    expect(changed).toEqual({ content: { ...base, handOrder: 2.5, values: { depth: 2 } }, issues: [] });
  });

  it('lets a value be changed though another one has become required since', () => {
    const base = { ...readListing({ title: 'Quay', values: { depth: 2 } }, kind, context).content, values: {} };
    expect(readListing({ featured: true }, kind, context, base).issues).toEqual([]);
    expect(readListing({ values: { depth: '' } }, kind, context, base).issues[0]?.message).toBe('Depth is required.');
  });
});
