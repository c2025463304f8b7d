import type { KeptDraft } from '@plindo/core/contract';
import { MATERIAL_ANIMATIONS } from '@angular/material/core';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { DraftedPage } from '@plindo/api';
import type { Design, KeptPage } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import type { DesignedPage } from '@plindo/core/page';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary, makeIndexPage } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { PageDesigner } from './page-designer';

const summary = kindSummary();
const kept: KeptPage = {
  ...{ id: 9, version: 3, type: 'page', kindId: null, position: 1 },
  definition: makePage({
    ...{ name: 'About us', serves: 'free', address: 'about' },
    strips: [
      {
        ...{ key: 'top', name: 'Top' },
        columns: [
          {
            key: 'only',
            pieces: [
              { key: 'h', type: 'heading', settings: { text: makeText(['Welcome']) } },
              { key: 'd', type: 'divider' },
              { key: 's', type: 'space' },
            ],
          },
        ],
      },
    ],
  }),
};
const model: DesignedPage = {
  ...makeIndexPage(),
  areas: [],
  strips: [
    {
      ...{ key: 'top', width: 'content', tone: 'plain', picture: null, space: 'normal', anchor: '' },
      columns: [
        {
          ...{ key: 'only', share: 1, rem: 0, order: 1 },
          pieces: [
            { key: 'h', type: 'heading', text: 'Welcome', level: 2, href: '' },
            { key: 'd', type: 'divider' },
          ],
        },
      ],
    },
  ],
};

/** In which a dialog tells what was chosen in it. */
const GONE_IN_MS = 300;
type DraftSent = Partial<KeptPage> & { readonly of: number | null };

describe('The page designer', () => {
  let server: DeskServer;
  let shown: Shown<PageDesigner>;

  async function open(
    inputs: Record<string, string> = { pageId: '9' },
    designs: readonly Design[] = [kept],
    drafts: readonly KeptDraft[] = [],
  ): Promise<void> {
    shown = await Shown.of(PageDesigner, inputs);
    await server.answer('GET', '/api/kinds', [summary]);
    await server.answer('GET', '/api/designs', designs);
    await server.answer('GET', '/api/drafts', drafts);
    await server.answer('GET', '/api/selections', []);
    await shown.settled();
    await preview();
  }
  /** Answers what is asked for the live page, and gives the last question. */
  async function preview(): Promise<DraftedPage | undefined> {
    const asked = server.waiting('POST', '/api/designs/preview').filter(({ cancelled }) => !cancelled);
    for (const request of asked) request.flush(model);
    await new Promise((resolve) => setTimeout(resolve));
    await shown.settled();
    // What stands on the page is marked once it is drawn.
    await new Promise((resolve) => setTimeout(resolve));
    return asked.at(-1)?.request.body as DraftedPage | undefined;
  }
  const outline = (): string[] =>
    shown.texts('pl-page-outline .name').map((name) => name.replace(/, not shown here$/, ''));
  const row = (name: string): HTMLElement =>
    shown.all('pl-page-outline .name').find((one) => one.textContent?.includes(name))!;
  const press = async (key: string, more: KeyboardEventInit = {}, at: EventTarget = document): Promise<void> => {
    at.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more }));
    await shown.settled();
  };

  beforeEach(() => {
    localStorage.clear();
    server = new DeskServer('editor', [{ provide: MATERIAL_ANIMATIONS, useValue: { animationsDisabled: true } }]);
    TestBed.inject(Router).resetConfig([{ path: '**', children: [] }]);
  });

  it('shows all of the page as a tree, and says what of it is not shown', async () => {
    await open();
    expect(outline()).toEqual(['Top', 'Heading: Welcome', 'Divider', 'Space']);
    expect(shown.texts('pl-page-outline .absent')).toEqual(['Space, not shown here']);
    expect(shown.texts('pl-live-page h2')).toEqual(['Welcome']);
  });

  it('chooses in the tree what is pointed at on the page, and in the page what is chosen in the tree', async () => {
    await open();
    shown.all('pl-live-page pl-heading-piece')[0]!.click();
    await shown.settled();
    expect(shown.texts('[settings] h2')[0]).toBe('Heading: Welcome');
    row('Divider').click();
    await shown.settled();
    await new Promise((resolve) => setTimeout(resolve));
    expect(shown.all('.chosen-part').map(({ localName }) => localName)).toEqual(['pl-divider-piece']);
  });

  it('moves, doubles, cuts and pastes by keys, each to be undone; a copy can be pasted on another page', async () => {
    await open();
    await press('ArrowUp', { altKey: true }, row('Divider'));
    await press('d', { ctrlKey: true }, row('Divider'));
    expect(outline()).toEqual(['Top', 'Divider', 'Divider', 'Heading: Welcome', 'Space']);
    await press('x', { ctrlKey: true }, row('Heading'));
    await press('v', { ctrlKey: true }, row('Space'));
    expect(outline()).toEqual(['Top', 'Divider', 'Divider', 'Space', 'Heading: Welcome']);
    for (let at = 0; at < 4; at++) await press('z', { ctrlKey: true });
    expect(outline()).toEqual(['Top', 'Heading: Welcome', 'Divider', 'Space']);
    await press('c', { ctrlKey: true }, row('Top'));
    await open({ pageId: 'new', serves: 'part' }, []);
    await press('v', { ctrlKey: true }, row('Strip 1'));
    expect(outline().slice(-4)).toEqual(['Top', 'Heading: Welcome', 'Divider', 'Space']);
  });

  it('asks for the page anew with every change, as it would be', async () => {
    await open();
    row('Space').click();
    await shown.settled();
    const size = shown.all<HTMLSelectElement>('pl-piece-settings select')[0]!;
    size.value = 'large';
    size.dispatchEvent(new Event('change'));
    await shown.settled();
    const asked = await preview();
    const settings = asked?.definition.strips[0]!.columns[0]!.pieces.map((piece) => piece.settings as object);
    expect(settings?.[2]).toEqual({ size: 'large' });
  });

  it('adds a piece that is picked, with its pictures; what the page lacks for others is said', async () => {
    await open();
    await shown.press('Add a piece to Top');
    const tile = (name: string): HTMLButtonElement =>
      [...document.querySelectorAll<HTMLButtonElement>('pl-piece-picker li button')].find((button) =>
        button.querySelector('.label')?.textContent?.includes(name),
      )!;
    expect(tile('Facets').textContent).toContain('Needs a list that visitors can steer');
    expect(tile('Facets').disabled).toBeTrue();
    tile('Buttons').click();
    await new Promise((resolve) => setTimeout(resolve));
    await shown.settled();
    expect(outline().at(-1)).toBe('Buttons');
    expect(shown.texts('pl-buttons-editor legend')).toEqual(['Button 1']);
  });

  it('says what is wrong and saves only without it, with the version that was seen', async () => {
    await open();
    const address = shown.all<HTMLInputElement>('pl-page-settings input').find(({ value }) => value === 'about')!;
    address.value = 'berths';
    address.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(shown.texts('.issues li').join()).toContain('berths');
    await shown.press('Save and publish');
    expect(server.waiting('PUT', '/api/designs/9')).toEqual([]);
    address.value = 'office';
    address.dispatchEvent(new Event('input'));
    await shown.settled();
    await press('s', { ctrlKey: true });
    const [sent] = (await server.answer('PUT', '/api/designs/9', { changeId: 7, result: kept })) as Partial<KeptPage>[];
    expect([sent?.version, sent?.definition?.address]).toEqual([3, 'office']);
  });

  it('begins with the page that Plindo makes where nobody has designed one', async () => {
    await open({ pageId: 'new', serves: 'index', kind: '1' }, []);
    expect(shown.texts('.told')[0]).toContain('Plindo makes this page');
    expect(outline()).toContain('Heading: Berths');
    await shown.press('Save and publish');
    const [added] = (await server.answer('POST', '/api/designs', { changeId: 8, result: kept })) as Partial<Design>[];
    expect([added?.type, added?.kindId]).toEqual(['page', 1]);
  });

  it('keeps a draft even with something wrong, goes on with it, and publishes it in the place of what visitors see', async () => {
    await open();
    const address = shown.all<HTMLInputElement>('pl-page-settings input').find(({ value }) => value === 'about')!;
    address.value = 'berths';
    address.dispatchEvent(new Event('input'));
    await shown.settled();
    await shown.press('Keep as a draft');
    const [sent] = (await server.answer('POST', '/api/drafts', { changeId: 7, result: kept })) as DraftSent[];
    expect([sent?.of, sent?.definition?.address]).toEqual([9, 'berths']);

    localStorage.clear();
    const draft = { ...kept, id: 30, version: 2, draft: { of: 9, basedOn: 3, publishAt: null, fault: '' } };
    const definition = { ...kept.definition, name: 'Who we are' };
    await open({ pageId: '9' }, [kept], [{ design: { ...draft, definition }, at: null, who: 'Ana' }]);
    expect(shown.texts('.told')[0]).toContain('visitors do not see it yet');
    expect(shown.texts('h1')).toEqual(['Who we are']);
    await shown.press('Save and publish');
    expect(await server.answer('POST', '/api/drafts/publish', { changeId: 8, result: [kept] })).toEqual([
      { ids: [30] },
    ]);
  });

  it('leads to the home page that is there, as there is one only', async () => {
    const home: KeptPage = { ...kept, id: 12, definition: { ...kept.definition, serves: 'home', address: '' } };
    const led = spyOn(TestBed.inject(Router), 'navigate').and.resolveTo(true);
    await open({ pageId: 'new', serves: 'home' }, [home]);
    expect(led).toHaveBeenCalledWith(['/arrange/pages', 12], { replaceUrl: true });
    expect(shown.all('pl-page-outline').length).toBe(0);
  });

  it('brings in an earlier state as a step, which is kept only once it is saved', async () => {
    await open();
    await shown.press('Earlier versions');
    const version = { version: 1, at: '2026-11-20T10:00:00Z', who: 'Ana', sentence: 'Added the page About us' };
    const definition = { ...kept.definition, strips: [] };
    await server.answer('GET', '/api/designs/9/versions', [{ ...version, definition }]);
    await shown.settled();
    const items = [...document.querySelectorAll<HTMLElement>('.mat-mdc-menu-item')];
    items.find((item) => item.textContent?.includes('Added the page About us'))!.click();
    await shown.settled();
    expect(outline()).toEqual([]);
    expect(server.waiting('PUT', '/api/designs/9')).toEqual([]);
    await press('z', { ctrlKey: true });
    expect(outline().length).toBe(4);
  });

  it('begins with a page for kinds of some sort, those first that fit; what the kind lacks is said', async () => {
    await open({ pageId: 'new', serves: 'index', kind: '1' }, []);
    await shown.press('Begin with …');
    const items = [...document.querySelectorAll<HTMLButtonElement>('.starters .mat-mdc-menu-item')];
    const found = (label: string): HTMLButtonElement => items.find((item) => item.textContent?.includes(label))!;
    expect(found('A map beside the list').textContent).toContain('Needs a place');
    found('A table to search').click();
    await shown.settled();
    const buttons = [...document.querySelectorAll<HTMLElement>('pl-starter-cast button')];
    buttons.find((button) => button.textContent?.trim() === 'Begin with it')!.click();
    await new Promise((resolve) => setTimeout(resolve, GONE_IN_MS));
    await shown.settled();
    expect(outline()).toContain('Listings');
    expect(outline()).not.toContain('Facets');
    await press('z', { ctrlKey: true });
    expect(outline()).toContain('Facets');
  });
});
