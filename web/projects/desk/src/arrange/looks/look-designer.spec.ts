import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import type { Design, KeptLook } from '@plindo/core/design';
import { makeLook } from '@plindo/core/design';
import { triedLook } from '@plindo/api/tried-look';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary, makeIndexPage } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { LookDesigner } from './look-designer';

const kept: KeptLook = {
  ...{ id: 4, version: 2, type: 'look', kindId: null, position: 1 },
  definition: makeLook({ name: 'Ours', palette: 'slate' }),
};

describe('The look designer', () => {
  let server: DeskServer;
  let shown: Shown<LookDesigner>;

  async function open(lookId: string, designs: readonly Design[] = [kept]): Promise<void> {
    shown = await Shown.of(LookDesigner, { lookId });
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    await server.answer('GET', '/api/designs', designs);
    await server.answer('GET', '/api/drafts', []);
    await server.answer('GET', '/api/page', makeIndexPage());
    await shown.settled();
  }
  const styles = (): (string | null)[] =>
    shown.all('.looks pl-designed-page').map((page) => page.getAttribute('style'));
  const pick = async (label: string): Promise<void> => {
    shown
      .all<HTMLInputElement>('input[type=radio]')
      .find((radio) => radio.parentElement!.textContent!.includes(label))!
      .click();
    await shown.settled();
  };
  const colour = async (label: string, value: string): Promise<void> => {
    const input = shown
      .all('label.colour')
      .find((one) => one.textContent!.trim() === label)!
      .querySelector('input')!;
    input.value = value;
    input.dispatchEvent(new Event('input'));
    await shown.settled();
  };

  beforeEach(() => {
    localStorage.clear();
    server = new DeskServer('editor');
    TestBed.inject(Router).resetConfig([{ path: '**', children: [] }]);
  });

  it('shows a page of the site in the look, and beside the one that visitors see', async () => {
    await open('4');
    const [slate] = styles();
    await pick('Clay');
    await pick('Library');
    const [clay] = styles();
    expect(clay).not.toBe(slate!);
    expect(clay).toContain('Source Serif');
    shown.all<HTMLInputElement>('.compare input')[0]!.click();
    await shown.settled();
    expect(styles()).toEqual([slate!, clay!]);
  });

  it('refuses what cannot be read, and gives the nearest colour that can be read on everything', async () => {
    await open('4');
    await colour('text', '#bbbbbb');
    expect(shown.texts('.issues li').length).toBeGreaterThan(1);
    await shown.press('Save and publish');
    expect(server.waiting('PUT', '/api/designs/4')).toEqual([]);
    shown.all('.fault button')[0]!.click();
    await shown.settled();
    expect(shown.all('.issues').length).toBe(0);
    await shown.press('Save and publish');
    const [sent] = (await server.answer('PUT', '/api/designs/4', { changeId: 1, result: kept })) as Partial<KeptLook>[];
    expect(sent?.definition?.light.ink).toMatch(/^#[0-9a-f]{6}$/);
  });

  it('begins a new look with that of the site, under a name that is free, and can be worn on the site to try it', async () => {
    await open('new');
    expect(shown.texts('header h1')).toEqual(['Look 1']);
    const opened = spyOn(window, 'open');
    await pick('Heather');
    await shown.press('Try it on the site');
    expect(opened).toHaveBeenCalledWith('/', '_blank', 'noopener');
    expect(triedLook()?.name).toBe('Look 1');
    expect(triedLook()?.style).toBe(styles()[0]!);
  });
});
