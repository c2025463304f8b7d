import type { Design, KeptFrame } from '@plindo/core/design';
import { makeFrame } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { FrameDesigner } from './frame-designer';

const kept: KeptFrame = {
  ...{ id: 3, version: 4, type: 'frame', kindId: null, position: 1 },
  definition: makeFrame({
    ...{ name: 'Ours', hasOwnMenu: true, line: 'The end' },
    menu: [
      { words: 'Stay', address: '/berths', below: [] },
      { words: 'Learn', address: '/courses', below: [] },
    ],
  }),
};

describe('The designer of header and footer', () => {
  let server: DeskServer;
  let shown: Shown<FrameDesigner>;

  async function open(designs: readonly Design[]): Promise<void> {
    shown = await Shown.of(FrameDesigner, {});
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    await server.answer('GET', '/api/designs', designs);
    await server.answer('GET', '/api/drafts', []);
    await shown.settled();
  }
  const menu = (): string[] => shown.texts('pl-site-header nav > a, pl-site-header summary');

  beforeEach(() => {
    localStorage.clear();
    server = new DeskServer('editor');
  });

  it('shows them as they will be, with entries that go below the one before', async () => {
    await open([kept]);
    expect(menu()).toEqual(['Stay', 'Learn']);
    expect(shown.texts('pl-site-footer .line')).toEqual(['The end']);
    await shown.press('Below the one before: Learn');
    expect(menu()).toEqual(['Stay']);
    expect(shown.texts('pl-site-header .below a')).toEqual(['Stay', 'Learn']);
    await shown.press('Undo');
    expect(menu()).toEqual(['Stay', 'Learn']);
  });

  it('begins a menu of one’s own with what the menu has by itself, and adds the first design of a site', async () => {
    await open([]);
    expect(menu()).toEqual(['Berths']);
    await shown.press('Make a menu of your own');
    await shown.press('Add an entry');
    expect(menu()).toEqual(['Berths', 'New']);
    await shown.press('Add a column');
    await shown.press('Save and publish');
    const [sent] = (await server.answer('POST', '/api/designs', { changeId: 1, result: kept })) as Partial<KeptFrame>[];
    expect([sent?.type, sent?.definition?.menu.length, sent?.definition?.columns.length]).toEqual(['frame', 2, 1]);
  });

  it('says what is wrong, and saves only without it', async () => {
    await open([kept]);
    const address = shown.all<HTMLInputElement>('input[aria-label="Address of Stay"]')[0]!;
    address.value = 'nowhere';
    address.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(shown.texts('.issues li')[0]).toContain('“Stay” leads nowhere');
    await shown.press('Save and publish');
    expect(server.waiting('PUT', '/api/designs/3')).toEqual([]);
  });
});
