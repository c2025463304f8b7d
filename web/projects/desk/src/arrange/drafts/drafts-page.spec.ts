import { MATERIAL_ANIMATIONS } from '@angular/material/core';
import type { KeptDraft } from '@plindo/core/contract';
import type { KeptPage } from '@plindo/core/design';
import { makePage, makeText } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { makeIndexPage } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { DraftsPage } from './drafts-page';

const page = (id: number, words: string, draft?: KeptPage['draft']): KeptPage => ({
  ...{ id, version: 4, type: 'page', kindId: null, position: 1, ...(draft && { draft }) },
  definition: makePage({
    ...{ name: 'About', serves: 'free', address: 'about' },
    strips: [
      {
        key: 's',
        columns: [{ key: 'c', pieces: [{ key: 'h', type: 'heading', settings: { text: makeText([words]) } }] }],
      },
    ],
  }),
});
const draft = { of: 3, basedOn: 4, publishAt: null, fault: '' };

describe('The page of all drafts', () => {
  let server: DeskServer;
  let shown: Shown<DraftsPage>;

  async function open(drafts: readonly KeptDraft[]): Promise<void> {
    server = new DeskServer('editor', [{ provide: MATERIAL_ANIMATIONS, useValue: { animationsDisabled: true } }]);
    shown = await Shown.of(DraftsPage, {});
    await server.answer('GET', '/api/kinds', []);
    await server.answer('GET', '/api/selections', []);
    await answer(drafts);
  }
  async function answer(drafts: readonly KeptDraft[]): Promise<void> {
    await server.answer('GET', '/api/designs', [page(3, 'Old')]);
    await server.answer('GET', '/api/drafts', drafts);
    await shown.settled();
  }
  const kept = (more: Partial<NonNullable<KeptPage['draft']>> = {}): KeptDraft => ({
    ...{ design: page(8, 'New', { ...draft, ...more }), at: '2026-11-20T10:00:00Z', who: 'Ana' },
  });

  it('says what of each is otherwise, and what stands in the way', async () => {
    await open([kept({ basedOn: 2, fault: 'Its kind is gone.' })]);
    expect(shown.texts('section li')).toEqual(['Changed: “Heading: New”.']);
    expect(shown.texts('.fault').join(' ')).toMatch(
      /could not be published.*Its kind is gone.*Somebody has changed what visitors see/,
    );
  });

  it('shows the page before and after, and publishes what is ticked', async () => {
    await open([kept(), { ...kept(), design: page(9, 'Other', { ...draft, of: null }) }]);
    await shown.press('Before and after');
    const models = makeIndexPage();
    for (const request of server.waiting('GET', '/api/page')) request.flush(models);
    await shown.settled();
    expect(shown.texts('figcaption')).toEqual(['As visitors see it', 'With the drafts']);
    const boxes = shown.all<HTMLInputElement>('.head input');
    boxes[1]!.click();
    await shown.settled();
    await shown.press('Publish 1 now');
    expect(await server.answer('POST', '/api/drafts/publish', { changeId: 1, result: [] })).toEqual([{ ids: [8] }]);
  });

  it('sets a moment by the clock of the site', async () => {
    await open([kept()]);
    const [day, time] = shown.all<HTMLInputElement>('pl-moment-input input');
    for (const [half, text] of [
      [day!, '2026-12-24'],
      [time!, '18:00'],
    ] as const) {
      half.value = text;
      half.dispatchEvent(new Event('input'));
      await shown.settled();
    }
    await shown.settled();
    await shown.press('Publish then');
    const sent = await server.answer('POST', '/api/drafts/moment', { changeId: 2, result: [] });
    expect(sent).toEqual([{ ids: [8], at: '2026-12-24T18:00:00.000Z' }]);
    await answer([kept({ publishAt: '2026-12-24T18:00:00.000Z' })]);
    expect(shown.texts('section p')[0]).toContain('Will be published');
  });
});
