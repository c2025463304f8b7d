import type { Field, Kind } from '@plindo/core/structure';
import { readContext } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { AskForValue } from './ask-for-value';
import { BulkBar } from './bulk-bar';

const BATCH = '/api/kinds/1/batch';
const choices = ['fuel', 'water'].map((key) => ({ key, label: key.toUpperCase() }));
const KIND: Kind = kindSummary({}, [
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
  { key: 'code', label: 'Code', type: 'short-text', unique: true },
  { key: 'number', label: 'Number', type: 'reference', settings: { pattern: 'B-####' } },
  { key: 'services', label: 'Services', type: 'categories', settings: { set: 3, choices } },
]).kind;

describe('Acts on the chosen listings', () => {
  let server: DeskServer;
  let shown: Shown<BulkBar>;
  let asked: { field: Field; then: (value: unknown) => void }[];
  let done: number;

  beforeEach(async () => {
    const open = ({ field }: { field: Field }, then: (value: unknown) => void): void =>
      void asked.push({ field, then });
    server = new DeskServer('editor', [{ provide: AskForValue, useValue: { open } }]);
    const context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 });
    shown = await Shown.of(BulkBar, { kind: KIND, ids: [4, 7], context, reload: () => undefined });
    [asked, done] = [[], 0];
    shown.component.done.subscribe(() => done++);
  });
  afterEach(() => document.querySelectorAll('.cdk-overlay-container').forEach((overlay) => overlay.remove()));

  /** Presses an entry of a menu that a button opens. */
  async function pick(menu: string, entry: string): Promise<void> {
    await shown.press(menu);
    const entries = [...document.querySelectorAll<HTMLElement>('[mat-menu-item]')];
    entries.find((one) => one.textContent?.trim() === entry)!.click();
    await shown.settled();
  }
  const sent = (): Promise<unknown[]> => server.answer('POST', BATCH, { changeId: 1, result: null });

  it('go to the server as one change of all of them, told with a way back', async () => {
    await shown.press('Feature');
    expect(await sent()).toEqual([{ parts: [4, 7].map((id) => ({ id, input: { featured: true } })) }]);
    expect(done).toBe(1);
    expect(document.body.textContent).toContain('Featured 2 listings');
  });

  it('set a status, the bin among them', async () => {
    await pick('Set status', 'Hidden');
    await shown.press('Bin');
    const statuses = (await sent()).map((body) => (body as { parts: { input: object }[] }).parts[0]!.input);
    expect(statuses).toEqual([{ status: 'hidden' }, { status: 'binned' }]);
  });

  it('offer the fields of which many can have the same value, and set one to what is typed', async () => {
    await shown.press('Set a field');
    const offered = [...document.querySelectorAll('[mat-menu-item]')].map((entry) => entry.textContent?.trim());
    expect(offered).toEqual(['Price', 'Services']);
    await pick('Set a field', 'Price');
    expect(shown.texts('.field span')).toEqual(['Price of 2 listings becomes']);
    const field = shown.all<HTMLInputElement>('.field input')[0]!;
    field.value = '12';
    field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter' }));
    await shown.settled();
    const values = { price: { minor: 1200, currency: 'EUR' } };
    expect(await sent()).toEqual([{ parts: [4, 7].map((id) => ({ id, input: { values } })) }]);
    expect(shown.all('.field').length).toBe(0);
  });

  it('add categories to what each has, and do nothing when none is chosen', async () => {
    await pick('Categories', 'Add to Services …');
    asked[0]!.then([]);
    expect(await sent()).toEqual([]);
    asked[0]!.then(['fuel']);
    const [body] = (await sent()) as { categories: unknown }[];
    expect(body?.categories).toEqual({ field: 'services', add: ['fuel'], remove: [] });
    expect(document.body.textContent).toContain('Added FUEL to 2 listings');
  });

  it('say why one was refused, and leave the listings chosen', async () => {
    await shown.press('Bin');
    server.refuse('POST', BATCH, { code: 'change.conflict', message: 'Berth 4 has been changed by somebody else.' });
    await shown.settled();
    expect([done, document.body.textContent?.includes('has been changed by somebody else')]).toEqual([0, true]);
  });
});
