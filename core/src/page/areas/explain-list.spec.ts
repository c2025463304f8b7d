import fc from 'fast-check';
import { bruteForce, isShownAt } from '../../../testing/brute-force.js';
import { BERTH_FIELDS, contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import {
  berthsArbitrary,
  catalogsOf,
  contextArbitrary,
  kindsArbitrary,
  neighboursArbitrary,
  queryArbitrary,
} from '../../../testing/sites.js';
import { buildCatalog } from '../../catalog/index.js';
import type { Query } from '../../query/index.js';
import { BLANK_QUERY, listOfKind, listOfSelection, sceneOf, withChoice } from '../../query/index.js';
import { makeSelection } from '../../structure/index.js';
import type { ListInState } from './explain-list.js';
import { explainInList, justMissingInList } from './explain-list.js';

describe('Why a listing isn’t on a public list', () => {
  it('is told for exactly those that the reference leaves out, by the facets that it leaves them out for', () => {
    fc.assert(
      fc.property(
        berthsArbitrary,
        neighboursArbitrary,
        kindsArbitrary,
        queryArbitrary,
        contextArbitrary,
        (berths, neighbours, [berthKind, harbours, third], asked, context) => {
          const kind = { ...berthKind, published: true, grouping: null, pageSize: 3 };
          const query = { ...asked, page: 1, fromFirst: false };
          const site = {
            kinds: [kind, { ...harbours, published: true }, third],
            listings: [...berths, ...neighbours],
            context,
          };
          const { catalogs, scene } = catalogsOf(site);
          const catalog = catalogs[0]!;
          const list: ListInState = { list: listOfKind(catalog), query, selection: null };
          const order = kind.sortChoices[0]!.order;
          const idsOf = (state: Query): readonly number[] =>
            bruteForce({ ...kind, pageSize: 1000 }, state, order, site).ids;
          const shown = idsOf(query);
          for (const listing of berths) {
            const { reasons, position, page } = explainInList(listing, list, { scene, catalog });
            const at = shown.indexOf(listing.id);
            expect(position).toBe(at < 0 ? null : at + 1);
            expect(page).toBe(at < 0 ? null : Math.floor(at / 3) + 1);
            expect(reasons.length > 0).toBe(at < 0);
            if (!isShownAt(listing, site)) continue;
            const facets = [...query.choices].filter(([key, choice]) => {
              return !idsOf(withChoice(BLANK_QUERY, key, choice)).includes(listing.id);
            });
            const told = reasons.filter(({ about }) => about === 'facet').map(({ place }) => place);
            expect(told.sort()).toEqual(facets.map(([key]) => key).sort());
          }
        },
      ),
      { numRuns: 60 },
    );
  });

  const kind = makeKind(BERTH_FIELDS);
  const listings = [
    makeListing({ id: 1, title: 'Quay one', values: { type: 'quay', price: { minor: 1000, currency: 'EUR' } } }),
    makeListing({ id: 2, title: 'Buoy two', values: { type: 'buoy', price: { minor: 3000, currency: 'EUR' } } }),
    makeListing({ id: 3, title: 'Quay three', status: 'draft', values: { type: 'quay' } }),
  ];
  const catalog = buildCatalog(kind, listings, 'en');
  const scene = sceneOf(catalog, contextIn('en'));
  const typeFacet = kind.facets.find(({ field }) => field === 'type')!;
  const query = withChoice(BLANK_QUERY, typeFacet.key, { kind: 'values', values: ['quay'] });
  const list: ListInState = { list: listOfKind(catalog), query, selection: null };
  const sentences = (id: number, given: Partial<ListInState> = {}): string[] =>
    explainInList(listings[id - 1]!, { ...list, ...given }, { scene, catalog }).reasons.map(({ sentence }) => sentence);

  it('names the value found and what was chosen, the status, and the words that it lacks', () => {
    expect(sentences(2)).toEqual([`${typeFacet.label}: it has “Buoy”; chosen: Quay.`]);
    expect(sentences(3)[0]).toContain('Draft');
    expect(sentences(1, { query: { ...query, text: 'quay lantern one' } })).toEqual([]);
    expect(sentences(2, { query: { ...BLANK_QUERY, text: 'quay' } })).toEqual([
      'It doesn’t have “quay” of the search.',
    ]);
  });

  it('names the conditions of the selection whose page it is, and what its limits cut off', () => {
    const selection = makeSelection({ slug: 'first', name: 'First', kinds: [kind.id], most: 1 });
    const none = { ...list, list: listOfSelection(selection, scene), query: BLANK_QUERY, selection };
    const told = [sentences(1, none), sentences(2, none)].flat();
    expect(told).toEqual(['It stands at 2; at most 1 are shown.']);
  });

  it('lists for each choice what it alone keeps out', () => {
    const missed = justMissingInList({ ...list, query: { ...query, text: 'two' } }, scene, 5);
    expect(missed.map(({ label, total, ids }) => ({ label, total, ids }))).toEqual([
      { label: `${typeFacet.label}: Quay`, total: 1, ids: [2] },
      { label: '“two”', total: 1, ids: [1] },
    ]);
  });
});
