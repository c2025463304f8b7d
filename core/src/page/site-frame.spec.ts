import { makeKind } from '../../testing/builders.js';
import { checkFrame, makeFrame } from '../design/index.js';
import type { Design } from '../design/index.js';
import { makePage } from '../design/index.js';
import { SiteWords } from '../values/index.js';
import { linksOfSite, siteFrame } from './index.js';

const kind = { ...makeKind([]), published: true };
const kindById = (id: number): typeof kind | undefined => (id === kind.id ? kind : undefined);
const scene = { kindById, words: new SiteWords('en-GB') };
const links = [{ label: 'Berths', href: '/berths' }];

describe('Header and footer', () => {
  it('have the lists of all kinds and the pages that stand in the menu, as long as nobody has designed them', () => {
    const page = (id: number, name: string, inMenu: boolean): Design => ({
      ...{ id, version: 1, type: 'page', kindId: null, position: id },
      definition: makePage({ name, serves: 'free', address: name.toLowerCase(), inMenu, strips: [] }),
    });
    const all = linksOfSite([kind], [page(1, 'About', true), page(2, 'Hidden', false)]);
    expect(all).toEqual([
      { label: kind.many, href: `/${kind.slug}` },
      { label: 'About', href: '/about' },
    ]);
    expect(siteFrame(undefined, links, scene)).toEqual({
      header: { logo: null, menu: [{ label: 'Berths', href: '/berths', below: [] }], search: null, shortlist: null },
      footer: null,
    });
  });

  it('have a menu with a level below, a search and columns of their own, and no harmful HTML', () => {
    const below = [{ words: 'Cheap ones', address: '/berths?sort=price' }];
    const frame = makeFrame({
      ...{ name: 'Ours', hasOwnMenu: true, menu: [{ words: 'Stay', address: '', below }], searchIn: kind.id },
      ...{ columns: [{ heading: 'Office', html: '<p>Open</p><script>x</script>', links: [] }], line: 'The end' },
    });
    const { header, footer } = siteFrame(frame, links, scene);
    expect(header.menu).toEqual([
      { label: 'Stay', href: '', below: [{ label: 'Cheap ones', href: '/berths?sort=price' }] },
    ]);
    expect(header.search).toEqual({ label: `Search ${kind.many.toLowerCase()}`, href: `/${kind.slug}` });
    expect(footer).toEqual({ columns: [{ heading: 'Office', html: '<p>Open</p>', links: [] }], line: 'The end' });
    // A menu that was designed waits while the one that makes itself is wanted.
    expect(siteFrame({ ...frame, hasOwnMenu: false }, links, scene).header.menu.length).toBe(1);
    expect(siteFrame({ ...frame, hasOwnMenu: false }, links, scene).header.menu[0]!.label).toBe('Berths');
  });

  it('are refused with a link that has no words or leads nowhere, without their logo, or with a kind that is gone', () => {
    const entry = { words: 'Stay', address: '', below: [] };
    const wrong = (given: Parameters<typeof makeFrame>[0]): (string | undefined)[] =>
      checkFrame(makeFrame({ name: 'Ours', ...given }), kindById).map(({ field }) => field);
    expect(wrong({})).toEqual([]);
    expect(wrong({ menu: [entry] })).toEqual([]);
    expect(wrong({ hasOwnMenu: true, menu: [entry] })).toEqual(['menu.1']);
    expect(wrong({ hasOwnMenu: true, menu: [{ ...entry, below: [{ words: ' ', address: '/x' }] }] })).toEqual([
      'menu.1.below.1',
    ]);
    expect(wrong({ hasOwnMenu: true, menu: [{ ...entry, address: 'javascript:alert(1)' }] })).toEqual(['menu.1']);
    expect(wrong({ brand: 'logo' })).toEqual(['logo']);
    expect(wrong({ searchIn: 77 })).toEqual(['searchIn']);
    const column = { heading: '', html: '', links: [{ words: 'Out', address: '//evil.example' }] };
    expect(wrong({ columns: [column] })).toEqual(['columns.1.links.1']);
  });
});
