import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { DesignSamples } from '@plindo/core/contract';
import type { Design, KeptCard } from '@plindo/core/design';
import { firstCard } from '@plindo/core/design';
import { BLANK_CONTENT } from '@plindo/core/listings';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { CardDesigner } from './card-designer';

const summary = kindSummary();
const kept: KeptCard = {
  ...{ id: 5, version: 2, type: 'card', kindId: 1, position: 1 },
  definition: firstCard(summary.kind),
};
const stamps = { address: 'quay', version: 1, createdAt: 1, changedAt: 1, publishedAt: 1, binnedAt: null };
const samples: DesignSamples = {
  samples: [
    {
      listing: {
        ...{ id: 9, kindId: 1, ...stamps, ...BLANK_CONTENT, title: 'Quay', slug: 'quay', status: 'live' },
        values: { price: { minor: 1200, currency: 'EUR' } },
      },
      why: ['longest-title', 'no-picture'],
    },
  ],
  linked: [],
};

const GONE_IN_MS = 300;

describe('The card designer', () => {
  let server: DeskServer;
  let shown: Shown<CardDesigner>;

  async function open(cardId: string, designs: readonly Design[] = [kept]): Promise<void> {
    shown = await Shown.of(CardDesigner, { kindId: '1', cardId });
    await server.answer('GET', '/api/kinds', [summary]);
    await server.answer('GET', '/api/designs', designs);
    await server.answer('GET', '/api/drafts', []);
    await server.answer('GET', '/api/selections', []);
    await server.answer('GET', '/api/kinds/1/samples', samples);
    await shown.settled();
  }
  const outline = (): string[] => shown.texts('pl-card-outline li button:first-of-type');
  const press = async (key: string, more: KeyboardEventInit = {}, at: EventTarget = document): Promise<void> => {
    at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
    await shown.settled();
  };
  const row = (name: string): HTMLElement =>
    shown.all('pl-card-outline li button:first-of-type').find((one) => one.textContent?.trim() === name)!;
  const add = (zone: string, value: string): Promise<void> => shown.choose(`Add to: ${zone}`, value);

  beforeEach(() => {
    localStorage.clear();
    server = new DeskServer('editor');
    TestBed.inject(Router).resetConfig([{ path: '**', children: [] }]);
  });

  it('shows the card with real listings, and why each is worth looking at', async () => {
    await open('5');
    expect(shown.texts('.why')).toEqual(['Longest title, No picture']);
    expect(shown.texts('pl-card h3')).toEqual(['Quay']);
    expect(outline()).toEqual(['Featured', 'Title', 'Summary', 'Distance', 'Price']);
  });

  it('adds, moves, doubles and takes out by keys, each to be undone and done again', async () => {
    await open('5');
    await add('Foot', 'price');
    expect(shown.texts('.foot')).toEqual(['€12']);
    row('Summary').click();
    await press('ArrowUp', { altKey: true }, row('Summary'));
    await press('d', { ctrlKey: true }, row('Summary'));
    await press('Delete', {}, row('Distance'));
    expect(outline()).toEqual(['Featured', 'Summary', 'Summary', 'Title', 'Price', 'Price']);
    for (let at = 0; at < 4; at++) await press('z', { ctrlKey: true });
    expect(outline()).toEqual(['Featured', 'Title', 'Summary', 'Distance', 'Price']);
    await press('z', { ctrlKey: true, shiftKey: true });
    expect(outline()).toEqual(['Featured', 'Title', 'Summary', 'Distance', 'Price', 'Price']);
  });

  it('chooses what is pointed at on the card, and shows every setting at once', async () => {
    await open('5');
    shown.all('pl-live-cards [data-slot=price]')[0]!.click();
    await shown.settled();
    expect(shown.texts('.settings h2')).toEqual(['Price']);
    const before = shown.all<HTMLInputElement>('pl-value-settings input')[0]!;
    before.value = 'from ';
    before.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(shown.texts('pl-card dd')).toEqual(['from €12']);
  });

  it('moves what is dragged on the card itself before or after what it is dropped on', async () => {
    await open('5');
    await add('Foot', 'price');
    const on = (key: string): HTMLElement => shown.all(`pl-live-cards [data-slot=${key}]`)[0]!;
    const drag = async (from: string, to: string, isBehind: boolean): Promise<void> => {
      const { top, bottom } = on(to).getBoundingClientRect();
      const at = { bubbles: true, cancelable: true, clientY: isBehind ? bottom - 1 : top + 1 };
      on(from).dispatchEvent(new DragEvent('dragstart', { bubbles: true, dataTransfer: new DataTransfer() }));
      on(to).dispatchEvent(new DragEvent('dragover', at));
      expect(on(to).className).toContain(isBehind ? 'drop-after' : 'drop-before');
      on(to).dispatchEvent(new DragEvent('drop', at));
      await shown.settled();
    };
    await drag('price-2', 'title', false);
    expect(outline()).toEqual(['Featured', 'Price', 'Title', 'Summary', 'Distance', 'Price']);
    await drag('price-2', 'title', true);
    expect(outline()).toEqual(['Featured', 'Title', 'Price', 'Summary', 'Distance', 'Price']);
    expect(shown.all('.drop-before, .drop-after').length).toBe(0);
  });

  it('takes what is typed one letter after the other as one step', async () => {
    await open('5');
    const name = shown.all<HTMLInputElement>('pl-frame-settings input')[0]!;
    for (const text of ['B', 'Be', 'Bed']) {
      name.value = text;
      name.dispatchEvent(new Event('input'));
      await shown.settled();
    }
    expect(shown.texts('h1')).toEqual(['Bed']);
    await press('z', { ctrlKey: true });
    expect(shown.texts('h1')).toEqual(['Berth card']);
  });

  it('names what is wrong, and cannot be saved until it is mended', async () => {
    await open('5');
    await press('Delete', {}, row('Title'));
    expect(shown.texts('.issues li')[0]).toContain('it needs the title once');
    await shown.press('Save and publish');
    expect(server.waiting('PUT', '/api/designs/5')).toEqual([]);
    await press('z', { ctrlKey: true });
    expect(shown.all('.issues').length).toBe(0);
  });

  it('saves with the version that was seen; of a card that nobody has designed it makes the first one', async () => {
    await open('5');
    await add('Foot', 'price');
    await press('s', { ctrlKey: true });
    const [sent] = (await server.answer('PUT', '/api/designs/5', { changeId: 7, result: kept })) as Partial<KeptCard>[];
    expect([sent?.version, sent?.definition?.zones.foot.length]).toEqual([2, 1]);
    await open('main', []);
    await shown.press('Save and publish');
    const [added] = (await server.answer('POST', '/api/designs', { changeId: 8, result: kept })) as Partial<Design>[];
    expect([added?.type, added?.kindId, added?.definition?.name]).toEqual(['card', 1, 'Berth card']);
  });

  it('brings back work that was not saved, and throws it away when told', async () => {
    await open('5');
    await add('Foot', 'price');
    await open('5');
    expect(outline().length).toBe(6);
    expect(shown.texts('.told')[0]).toContain('was brought back');
    await shown.press('Throw it away');
    expect(outline().length).toBe(5);
  });

  it('shows another listing that is looked for', async () => {
    await open('5');
    shown.component['pick']({ id: 12, kindId: 1, title: 'Other' } as never);
    const [first] = samples.samples;
    const other = { samples: [{ listing: { ...first!.listing, id: 12, title: 'Other' }, why: [] }], linked: [] };
    await server.answer('GET', '/api/listings/12/sample', other);
    await shown.settled();
    expect(shown.texts('pl-card h3')).toEqual(['Other', 'Quay']);
  });

  it('begins anew with a card for listings of some sort, a step like any other; what a kind lacks is said', async () => {
    await open('5');
    const before = outline();
    await shown.press('Begin with …');
    const items = [...document.querySelectorAll<HTMLButtonElement>('.starters .mat-mdc-menu-item')];
    const words = items.map((item) => item.textContent?.replace(/\s+/g, ' ').trim() ?? '');
    expect(words[0]).toContain('Places to stay');
    expect(words.find((line) => line.includes('Courses and dates'))).toContain('Needs a date');
    items.find((item) => item.textContent?.includes('Places to stay'))!.click();
    await shown.settled();
    // What goes where is asked first; a part can be left out.
    const cast = document.querySelector<HTMLElement>('pl-starter-cast')!;
    expect(cast.querySelector('tbody tr')!.textContent).toContain('a price');
    const price = cast.querySelector('select')!;
    expect(price.value).toBe('price');
    price.value = '';
    price.dispatchEvent(new Event('change'));
    await shown.settled();
    expect(cast.textContent).toContain('It is worth little without.');
    price.value = 'price';
    price.dispatchEvent(new Event('change'));
    await shown.settled();
    [...cast.querySelectorAll('button')].find((button) => button.textContent?.trim() === 'Begin with it')!.click();
    // The dialog tells of it once it has gone.
    await new Promise((resolve) => setTimeout(resolve, GONE_IN_MS));
    await shown.settled();
    expect(outline()).toEqual(['Featured', 'Title', 'Summary', 'Price']);
    await shown.press('Undo');
    expect(outline()).toEqual(before);
  });
});
