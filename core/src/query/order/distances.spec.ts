import fc from 'fast-check';
import { contextIn, makeKind, makeListing } from '../../../testing/builders.js';
import { buildCatalog } from '../../catalog/index.js';
import type { Listing } from '../../listings/index.js';
import type { Kind } from '../../structure/index.js';
import { makeFacet, makeField } from '../../structure/index.js';
import { distanceInMetres } from '../../values/index.js';
import type { Query, QueryScene } from '../index.js';
import { BLANK_QUERY, listOfKind, runQuery } from '../index.js';

const CONTEXT = contextIn();
const HARBOURS = [201, 202, 203, 204];
const facetOf = (through: string[]) =>
  makeFacet({ key: 'near', label: 'Near', through, field: '@place', control: 'distance' });
const HARBOUR: Kind = makeKind([], { id: 2, slug: 'harbours', parts: ['place'], facets: [facetOf([])] });
const BERTH: Kind = makeKind(
  [
    makeField({
      key: 'harbour',
      label: 'Harbour',
      type: 'link',
      settings: { link: 1, side: 'a', linked: { kindId: 2, many: true, hasNotes: false } },
    }),
  ],
  { facets: [facetOf(['harbour'])], pageSize: 50 },
);

// Apart by whole steps, so that no two distances are the same but for rounding.
const place = fc
  .record({ latitude: fc.integer({ min: -3, max: 3 }), longitude: fc.integer({ min: -5, max: 5 }) })
  .map((point) => ({ ...point, address: '' }));
const harbourOf = (id: number): fc.Arbitrary<Listing> =>
  fc
    .record({ place: fc.option(place), status: fc.constantFrom('live' as const, 'live' as const, 'hidden' as const) })
    .map((given) => makeListing({ id, kindId: 2, ...given }));
const siteArbitrary = fc.record({
  harbours: fc.tuple(...HARBOURS.map(harbourOf)),
  links: fc.array(fc.subarray(HARBOURS), { maxLength: 30 }),
});
const question = fc.record({
  at: fc.constantFrom('0.5,0.5', '-3,5', 'listing-201', 'nowhere at all'),
  metres: fc.option(fc.constantFrom(0, 150_000, 400_000)),
});

type Site = typeof siteArbitrary extends fc.Arbitrary<infer Made> ? Made : never;

function sceneOfSite({ harbours, links }: Site): { scene: QueryScene; berths: Listing[] } {
  const berths = links.map((linked, at) => {
    const values = linked.map((id) => ({ id, note: '', title: '', slug: `listing-${id}`, href: null, onSite: true }));
    return makeListing({ id: at + 1, values: linked.length > 0 ? { harbour: values } : {} });
  });
  const catalogs = [buildCatalog(BERTH, berths, 'en'), buildCatalog(HARBOUR, harbours, 'en')];
  const scene = {
    context: CONTEXT,
    catalogOf: (id: number) => catalogs.find(({ kind }) => kind.id === id),
    catalogs: () => catalogs,
  };
  return { scene, berths };
}

const queryOf = (at: string, metres: number | null): Query => ({
  ...BLANK_QUERY,
  choices: new Map([['near', { kind: 'near', at, metres }]]),
});

describe('Distances from a place', () => {
  it('keep, order and tell by the nearest place on the site that a listing has or is linked with', () => {
    fc.assert(
      fc.property(siteArbitrary, question, fc.boolean(), (site, { at, metres }, isThrough) => {
        const { scene, berths } = sceneOfSite(site);
        const shown = site.harbours.filter(({ status, place: own }) => status === 'live' && own);
        const named = shown.find(({ slug }) => slug === at)?.place;
        const [latitude, longitude] = at.split(',').map(Number);
        const from = at.includes(',') ? { latitude: latitude!, longitude: longitude! } : named;
        const metresOf = ({ id }: Listing): number => {
          const own = isThrough ? shown.filter((harbour) => site.links[id - 1]!.includes(harbour.id)) : shown;
          const places = own.filter((harbour) => isThrough || harbour.id === id).map((harbour) => harbour.place!);
          return Math.min(...places.map((one) => distanceInMetres(from!, one)));
        };
        const all = isThrough ? berths : site.harbours.filter(({ status }) => status === 'live');
        const kept = metres === null ? all : all.filter((one) => from && metresOf(one) <= metres);
        const inOrder = from ? [...kept].sort((a, b) => metresOf(a) - metresOf(b) || a.id - b.id) : kept;
        const result = runQuery(listOfKind(scene.catalogOf(isThrough ? 1 : 2)!), queryOf(at, metres), scene);
        expect(result.total).toBe(kept.length);
        if (!from) return;
        expect(result.ids).toEqual(inOrder.map(({ id }) => id));
        const told = inOrder
          .map((one): [number, number] => [one.id, metresOf(one)])
          .filter(([, own]) => own < Infinity);
        expect([...result.near!.metres]).toEqual(told);
      }),
      { numRuns: 200 },
    );
  });
});
