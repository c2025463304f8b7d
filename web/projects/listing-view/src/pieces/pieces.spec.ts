import type { DesignedPage, ListModel, PieceModel, ShownSlot } from '@plindo/core/page';
import { CARD_FORMS, makeCard } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { DesignedPageView } from './designed-page';

const picture = (letter: string) => ({ hash: letter.repeat(32), width: 3, height: 2, alt: `Picture ${letter}` });
const slot = (key: string, label: string, text: string): ShownSlot => ({
  form: {
    ...{ key, form: 'words', size: 'normal', isBold: false, tone: 'plain', lines: null, label },
    ...{ name: label, icon: 'straighten', isTitle: key === 'title' },
  },
  value: { text, shape: 'text' },
});

type Keyless = PieceModel extends infer One ? (One extends PieceModel ? Omit<One, 'key'> : never) : never;

/** A page with pieces in one column. */
function page(pieces: readonly Keyless[], strip: Partial<DesignedPage['strips'][number]> = {}): DesignedPage {
  const keyed = pieces.map((piece, at) => ({ ...piece, key: `p${at}` }) as PieceModel);
  return {
    ...{
      type: 'designed',
      serves: 'listing',
      dependsOnViewer: false,
      look: '',
      ownSheet: '',
      words: { locale: 'en-GB', said: {} },
      listing: null,
      over: '',
      areas: [],
      cardForms: CARD_FORMS,
      now: '',
      title: '',
      description: '',
    },
    ...{
      canonical: '/',
      header: { logo: null, menu: [], search: null, shortlist: null },
      footer: null,
      forMachines: { data: '', picture: '' },
      site: { name: 'Guide', tagline: '', locale: 'en-GB', zone: 'UTC' },
    },
    strips: [
      {
        ...{ key: 's', width: 'content', tone: 'plain', picture: null, space: 'normal', anchor: '' },
        columns: [{ key: 'c', share: 1, rem: 0, order: 1, pieces: keyed }],
        ...strip,
      },
    ],
  };
}
const show = (...pieces: readonly Keyless[]): Promise<Shown<DesignedPageView>> =>
  Shown.of(DesignedPageView, { model: page(pieces) });

describe('A designed page', () => {
  it('has its strips with anchors, and columns by their shares and widths', async () => {
    const columns = [
      { key: 'a', share: 2, rem: 0, order: 2, pieces: [{ type: 'divider', key: 'x' } as const] },
      { key: 'b', share: 1, rem: 20, order: 1, pieces: [{ type: 'space', size: 'large', key: 'y' } as const] },
    ];
    const shown = await Shown.of(DesignedPageView, { model: page([], { anchor: 'prices', tone: 'tinted', columns }) });
    expect(shown.all('section#prices.tone-tinted hr').length).toBe(1);
    const style = getComputedStyle(shown.all('.columns')[0]!);
    expect(style.getPropertyValue('--columns')).toBe('minmax(0, 2fr) 20rem');
    expect(shown.all('pl-space-piece.space-large').length).toBe(1);
  });

  it('shows headings at their level, lines, sentences and what leads on', async () => {
    const shown = await show(
      { type: 'breadcrumb', label: 'Where you are', words: 'All berths', href: '/berths' },
      { type: 'heading', level: 1, text: 'Quay', href: null },
      { type: 'heading', level: 2, text: 'More', href: '/more' },
      { type: 'text', slots: [slot('a', 'Length', '12 m')] },
      { type: 'rich-text', html: '<p>Well <strong>kept</strong></p>' },
      { type: 'buttons', look: 'filled', buttons: [{ words: 'Call', href: 'tel:1' }] },
      { type: 'byline', text: 'By Ana' },
      { type: 'nothing', sentence: 'No course.' },
    );
    expect([shown.texts('h1'), shown.texts('h2')]).toEqual([['Quay'], ['More']]);
    expect(shown.texts('a')).toEqual(['All berths', 'More', 'Call']);
    expect(shown.texts('p')).toEqual(['Length 12 m', 'Well kept', 'By Ana', 'No course.']);
  });

  it('shows values as a table, as tiles, and under headings of their own', async () => {
    const slots = [slot('a', 'Length', '12 m'), slot('b', '', 'Deep')];
    const table = await show({ type: 'values', layout: 'table', columns: 0, slots });
    expect(table.texts('dl.table dt, dl.table dd')).toEqual(['Length', '12 m', '', 'Deep']);
    const tiles = await show({ type: 'values', layout: 'tiles', columns: 2, slots });
    expect(tiles.all('dl.tiles.columns-2').length).toBe(1);
    const sections = await show({ type: 'values', layout: 'sections', columns: 0, slots });
    expect(sections.texts('pl-values-piece section')).toEqual(['Length 12 m', 'Deep']);
  });

  it('shows rows as a table, and as places that are numbered for those who see them', async () => {
    const rows = { columns: [{ key: 'a', label: 'Season' }], rows: [['Winter']] };
    const table = await show({ type: 'specification', layout: 'table', rows, entries: [], button: '' });
    expect(table.texts('th, td')).toEqual(['Season', 'Winter']);
    const entry = {
      title: 'Quay',
      picture: picture('a'),
      href: 'https://example.org',
      facts: [{ label: 'A night', text: '€9' }],
    };
    const none = { columns: [], rows: [] };
    const ranked = await show({
      type: 'specification',
      layout: 'ranked',
      rows: none,
      entries: [entry],
      button: 'Book',
    });
    expect(ranked.texts('.place')).toEqual(['1']);
    expect(ranked.texts('.button')).toEqual(['Book: Quay']);
  });
});

describe('An area of listings', () => {
  const list: Omit<ListModel, 'layout'> = {
    ...{ type: 'list', width: 16, heading: 'Berths', intro: '', all: { href: '/berths', total: 40 } },
    ...{ visitors: null, state: null, cards: [makeCard({ id: 1 }), makeCard({ id: 2 })], columns: [], rows: [] },
  };

  it('shows cards in its layout, and leads to all of them', async () => {
    const grid = await show({ ...list, layout: 'grid' });
    expect(grid.texts('ul.grid h3')).toEqual(['Berth 1', 'Berth 2']);
    expect(grid.texts('.head a')).toEqual(['Berths', 'See all 40']);
    const ranked = await show({ ...list, layout: 'ranked' });
    expect(ranked.texts('.place')).toEqual(['1', '2']);
    const scrolling = await show({ ...list, layout: 'scrolling' });
    expect(scrolling.all('ul.scrolling[tabindex="0"]').length).toBe(1);
  });

  it('as a table leads by the title, or by its first column; each cell knows its head', async () => {
    const columns = [slot('length', 'Length', '').form, slot('title', 'Title', '').form];
    const values = { length: { text: '9 m', shape: 'text' }, title: { text: 'Quay', shape: 'text' } } as const;
    const rows = [{ id: 1, href: '/berths/quay', values }];
    const table = await show({ ...list, layout: 'table', cards: [], columns, rows });
    expect(table.texts('th')).toEqual(['Length', 'Title']);
    expect(table.texts('td a')).toEqual(['Quay']);
    expect(table.all('td').map((cell) => cell.dataset['label'])).toEqual(['Length', 'Title']);
    const without = await show({ ...list, layout: 'table', cards: [], columns: columns.slice(0, 1), rows });
    expect(without.texts('td a')).toEqual(['9 m']);
  });
});

describe('Categories', () => {
  it('lead to their listings, with counts, icons and, as tiles, pictures', async () => {
    const entry = { label: 'Hull', href: '/yards?does=hull', count: 7, depth: 1, icon: 'anchor', colour: '#0f6e6a' };
    const entries = [
      { ...entry, picture: picture('a') },
      { ...entry, href: '/x', icon: '', count: null, picture: null },
    ];
    const tiles = await show({ type: 'categories', layout: 'tiles', heading: 'By work', entries });
    expect(tiles.texts('h2, a')).toEqual(['By work', 'Hull 7', 'Hull']);
    expect([tiles.all('pl-picture').length, tiles.all('pl-icon').length]).toEqual([1, 1]);
    const tree = await show({ type: 'categories', layout: 'tree', heading: '', entries });
    expect([tree.all('pl-picture').length, tree.all('h2').length]).toEqual([0, 0]);
    expect(tree.all('li')[0]!.style.getPropertyValue('--depth')).toBe('1');
  });
});

describe('Share and print', () => {
  it('stand there once scripts run, and hand the address on by the means of the browser', async () => {
    const shared: (string | undefined)[] = [];
    const value = ({ url }: ShareData): Promise<void> => Promise.resolve(void shared.push(url));
    // Not every browser has it.
    Object.defineProperty(navigator, 'share', { configurable: true, value });
    const shown = await show({ type: 'share', canShare: true, canPrint: true });
    expect(shown.texts('button')).toEqual(['Share', 'Print']);
    await shown.press('Share');
    expect(shared).toEqual([location.href]);
  });
});

describe('A gallery', () => {
  it('leads to its pictures, and shows them in large, on with arrows and by swiping', async () => {
    const shown = await show({ type: 'gallery', pictures: [picture('a'), picture('b'), picture('c')] });
    expect(shown.all<HTMLAnchorElement>('li a').map((link) => link.getAttribute('href'))).toEqual(
      ['a', 'b', 'c'].map((letter) => `/pictures/${letter.repeat(32)}-1600.jpeg`),
    );
    shown.all('li a')[1]!.click();
    await shown.settled();
    const dialog = shown.all<HTMLDialogElement>('dialog')[0]!;
    expect([dialog.open, shown.texts('dialog p')]).toEqual([true, ['2 of 3 Picture b']]);
    const press = async (key: string): Promise<void> => {
      dialog.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }));
      await shown.settled();
    };
    await press('ArrowRight');
    await press('ArrowRight');
    expect(shown.texts('dialog p')).toEqual(['1 of 3 Picture a']);
    dialog.dispatchEvent(new PointerEvent('pointerdown', { clientX: 10 }));
    dialog.dispatchEvent(new PointerEvent('pointerup', { clientX: 200 }));
    await shown.settled();
    expect(shown.texts('dialog p')).toEqual(['3 of 3 Picture c']);
    await shown.press('Close');
    expect(dialog.open).toBeFalse();
  });
});
