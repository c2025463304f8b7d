import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import { makeFacet } from '../../structure/index.js';
import { listOfKind } from '../lists/asked-list.js';
import { withKnownValues } from './known-values.js';
import type { FacetChoice, Query } from './query.js';
import { BLANK_QUERY } from './query.js';
import { sceneOf } from '../filters/scene.js';
import { urlOfQuery } from './url-state.js';

const proposed = makeKind(BERTH_FIELDS);
const letters = makeFacet({ key: 'letter', label: 'Letter', field: '@title', control: 'letters' });
const kind = { ...proposed, facets: [...proposed.facets, letters] };

describe('An address', () => {
  const catalog = buildCatalog(kind, [makeListing({ id: 1, title: 'Quay', values: { type: 'quay' } })], 'en');
  const known = (choices: Readonly<Record<string, readonly string[] | FacetChoice>>): string => {
    const all = Object.entries(choices).map(([key, given]): readonly [string, FacetChoice] => {
      return [key, 'kind' in given ? given : { kind: 'values', values: given }];
    });
    const query: Query = { ...BLANK_QUERY, choices: new Map(all) };
    const found = withKnownValues(query, listOfKind(catalog), sceneOf(catalog, contextIn('en')));
    return urlOfQuery(found, kind, () => kind);
  };

  it('keeps of the values of a facet those that are defined, also when no listing has one', () => {
    expect(known({ type: ['quay', 'nonsense', 'buoy'] })).toBe('type=quay,buoy');
  });

  it('loses a facet of which no value is known', () => {
    expect(known({ type: ['nonsense'], facilities: ['fuel'] })).toBe('facilities=fuel');
    expect(known({ letter: ['q', '%'] })).toBe('letter=q');
  });

  it('keeps what is no list of values as it is', () => {
    expect(known({ price: { kind: 'range', least: 1000, greatest: null } })).toBe('price=10..');
  });
});
