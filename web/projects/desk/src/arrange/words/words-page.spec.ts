import type { Design } from '@plindo/core/design';
import { makeWords } from '@plindo/core/design';
import { DeskServer } from '../../../../../harness/desk';
import { Shown } from '../../../../../harness/shown';
import { WordsPage } from './words-page';

const FRAME = { id: 7, version: 3, type: 'words', kindId: null, position: 1 } as const;
const kept: Design = { ...FRAME, definition: makeWords({ name: 'Ours', said: { 'pager.next': 'Onwards' } }) };

describe('The words of a site', () => {
  let server: DeskServer;
  let shown: Shown<WordsPage>;

  async function open(designs: readonly Design[]): Promise<void> {
    server = new DeskServer('editor');
    shown = await Shown.of(WordsPage, {});
    await server.answer('GET', '/api/designs', designs);
    await shown.settled();
  }
  const field = (shipped: string): HTMLInputElement =>
    shown
      .all<HTMLLabelElement>('li label')
      .find((label) => label.querySelector('span')?.textContent?.trim() === shipped)!
      .querySelector('input')!;
  async function write(shipped: string, text: string): Promise<void> {
    field(shipped).value = text;
    field(shipped).dispatchEvent(new Event('change'));
    await shown.settled();
  }

  it('are read beside what the publisher says instead', async () => {
    await open([kept]);
    expect(field('Next').value).toBe('Onwards');
    expect(field('Previous').value).toBe('');
    expect(shown.texts('mat-checkbox')[0]).toContain('(1)');
  });

  it('are changed one by one, from the first on in a design of their own', async () => {
    await open([]);
    await write('Next', 'Onwards');
    const [added] = await server.answer('POST', '/api/designs', { changeId: 1, result: kept });
    expect(added).toEqual({
      ...{ type: 'words', kindId: null },
      definition: makeWords({ name: 'Words in English', said: { 'pager.next': 'Onwards' } }),
    });
    await server.answer('GET', '/api/designs', [kept]);
    await shown.settled();
    await write('Next', '');
    const [saved] = await server.answer('PUT', '/api/designs/7', { changeId: 2, result: kept });
    expect(saved).toEqual({ type: 'words', version: 3, definition: makeWords({ name: 'Ours' }) });
  });

  it('stay in their field with the reason when they cannot be said', async () => {
    await open([]);
    await write('See all {count}', 'All {number}');
    expect(shown.texts('[role=alert]')).toEqual([
      'The new wording of “See all {count}” cannot have {number}. It can have {count}.',
    ]);
    expect([field('See all {count}').value, server.waiting('POST', '/api/designs').length]).toEqual([
      'All {number}',
      0,
    ]);
  });
});
