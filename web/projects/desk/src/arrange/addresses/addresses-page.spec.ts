import { MATERIAL_ANIMATIONS } from '@angular/material/core';
import type { KeptRedirects, Redirect } from '@plindo/core/design';
import { makeRedirects } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { Shown } from '../../../../../harness/shown';
import { AddressesPage } from './addresses-page';

const PAUSE_IN_MS = 500;
const kept = (entries: readonly Redirect[]): KeptRedirects => ({
  ...{ id: 5, version: 2, type: 'redirects', kindId: null, position: 1 },
  definition: makeRedirects({ name: 'Redirects', entries }),
});

describe('The page of addresses', () => {
  let server: DeskServer;
  let shown: Shown<AddressesPage>;

  beforeEach(() => {
    localStorage.clear();
    server = new DeskServer('editor', [{ provide: MATERIAL_ANIMATIONS, useValue: { animationsDisabled: true } }]);
  });
  async function open(entries: readonly Redirect[] = []): Promise<void> {
    shown = await Shown.of(AddressesPage, {});
    await server.answer('GET', '/api/kinds', []);
    await server.answer('GET', '/api/designs', entries.length > 0 ? [kept(entries)] : []);
    await server.answer('GET', '/api/drafts', []);
    await shown.settled();
  }
  const later = async (): Promise<void> => {
    await new Promise((resolve) => setTimeout(resolve, PAUSE_IN_MS));
    await shown.settled();
  };

  it('says of each redirect what is there, and what stands in the way', async () => {
    await open([
      { from: '/old', to: '/berths' },
      { from: '/about', to: '/nowhere' },
    ]);
    await later();
    const look = (address: string, isThere: boolean) => ({ address, isThere, leadsTo: null });
    await server.answer('POST', '/api/addresses/look', [
      ...[look('/old', false), look('/berths', true), look('/about', true), look('/nowhere', false)],
    ]);
    await shown.settled();
    const told = shown.all('tbody tr').map((row) => row.querySelector('td:last-child > span')?.textContent ?? '');
    expect(told).toEqual(['', 'A page has this address now, so the redirect does nothing.']);
    const to = shown.all<HTMLInputElement>('input[aria-label="Where 1 leads"]')[0]!;
    to.value = 'nowhere';
    to.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(shown.texts('.wrong').join()).toContain('leads nowhere');
    await shown.press('Save and publish');
    expect(server.waiting('PUT', '/api/designs/5')).toEqual([]);
  });

  it('takes redirects from a file, with the lines that it left out, and saves them', async () => {
    await open();
    const input = shown.all<HTMLInputElement>('input[type=file]')[0]!;
    const files = new DataTransfer();
    files.items.add(new File(['from,to\n/a,/b\nx,/c\n'], 'old.csv'));
    input.files = files.files;
    input.dispatchEvent(new Event('change'));
    await later();
    expect(shown.texts('.left li')).toEqual(['Line 3 was left out: “x” is no address: it begins with / or https://.']);
    await shown.press('Save and publish');
    const sent = (await server.answer('POST', '/api/designs', { changeId: 1, result: kept([]) })) as KeptRedirects[];
    expect(sent[0]!.definition.entries).toEqual([{ from: '/a', to: '/b' }]);
  });
});
