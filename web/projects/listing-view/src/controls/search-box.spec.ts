import { Shown } from '../../../../harness/shown';
import { SearchBox } from './search-box';

const suggestion = (label: string, count: number | null = null) => ({
  label,
  about: count === null ? 'Berth' : 'Type',
  count,
  href: `/berths/${label}`,
});

describe('The search of a page', () => {
  let shown: Shown<SearchBox>;
  let chosen: string[];
  const field = (): HTMLInputElement => shown.all<HTMLInputElement>('input')[0]!;

  async function open(interactive = true): Promise<void> {
    const suggestions = [suggestion('quay', 12), suggestion('quay-4')];
    shown = await Shown.of(SearchBox, {
      form: 'find',
      name: 'q',
      text: '',
      label: 'Search berths',
      interactive,
      suggestions,
    });
    chosen = [];
    shown.component.chosen.subscribe((href) => chosen.push(href));
  }
  async function type(text: string): Promise<void> {
    field().value = text;
    field().dispatchEvent(new Event('input'));
    await shown.settled();
  }
  /** Whether the form would be sent: a key that the box takes for itself is prevented. */
  async function press(key: string): Promise<boolean> {
    const passed = field().dispatchEvent(new KeyboardEvent('keydown', { key, cancelable: true, bubbles: true }));
    await shown.settled();
    return passed;
  }
  const current = (): string => shown.texts('[aria-selected=true] .label').join();

  it('keeps what was typed since, when the answer to earlier words is late', async () => {
    await open();
    await type('lighth');
    await type('lightho');
    await shown.set({ text: 'lighth' });
    expect(field().value).toBe('lightho');
    await type('lighthou');
    await shown.set({ text: 'lighthou' });
    expect(field().value).toBe('lighthou');
  });

  it('shows the words of another address, also those that were typed before', async () => {
    await open();
    await type('quay');
    await shown.set({ text: 'quay' });
    await type('quay 4');
    await shown.set({ text: 'quay 4' });
    await shown.set({ text: 'quay' });
    expect(field().value).toBe('quay');
    await shown.set({ text: '' });
    expect(field().value).toBe('');
  });

  it('is a plain field of its form without scripts', async () => {
    await open(false);
    await type('quay');
    expect([field().name, field().getAttribute('role'), shown.all('li').length]).toEqual(['q', null, 0]);
  });

  it('shows what fits once something is typed, with what it is and how many it stands for', async () => {
    await open();
    expect(shown.all('li').length).toBe(0);
    await type('qu');
    expect(shown.texts('li')).toEqual(['quay Type, 12', 'quay-4 Berth']);
    expect(field().getAttribute('aria-expanded')).toBe('true');
    await type(' ');
    expect(shown.all('li').length).toBe(0);
  });

  it('goes through them with the arrows, round and past the field itself, and takes one with Enter', async () => {
    await open();
    await type('qu');
    const seen: string[] = [];
    for (const key of ['ArrowDown', 'ArrowDown', 'ArrowDown', 'ArrowUp']) {
      expect(await press(key)).toBeFalse();
      seen.push(current());
    }
    expect(seen).toEqual(['quay', 'quay-4', '', 'quay-4']);
    expect(field().getAttribute('aria-activedescendant')).toBe('find-suggestion-1');
    expect(await press('Enter')).toBeFalse();
    expect([chosen, shown.all('li').length]).toEqual([['/berths/quay-4'], 0]);
  });

  it('leaves Enter to the form while none is chosen, and closes with Escape before anything else does', async () => {
    await open();
    await type('qu');
    expect(await press('Enter')).toBeTrue();
    await type('qua');
    expect(await press('Escape')).toBeFalse();
    expect(shown.all('li').length).toBe(0);
    expect(await press('Escape')).toBeTrue();
  });

  it('begins again when others come, and closes when the field is left', async () => {
    await open();
    await type('qu');
    await press('ArrowDown');
    await shown.set({ suggestions: [suggestion('quarry')] });
    expect(current()).toBe('');
    field().dispatchEvent(new Event('blur'));
    await shown.settled();
    expect(shown.all('li').length).toBe(0);
  });
});
