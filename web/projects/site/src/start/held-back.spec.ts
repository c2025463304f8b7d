import { HeldBack } from './held-back';

describe('What visitors do before the program has started', () => {
  let page: HTMLElement;
  let done: string[];

  beforeEach(() => {
    page = document.createElement('div');
    page.innerHTML = `
      <button type="button">Filters</button><a data-needs-program href="/picture.jpeg">Look</a><a href="#b">Berths</a>
      <input type="search" name="q" /><input type="checkbox" name="type" value="quay" />
      <select name="sort"><option>a</option><option>b</option></select><input aria-label="no part of a form" />`;
    document.body.append(page);
    done = [];
  });
  afterEach(() => page.remove());

  const one = <Of extends Element>(selector: string): Of => page.querySelector<Of>(selector)!;
  /** The program: it hears everything once it has started. */
  const starts = (heldBack: HeldBack): void => {
    for (const type of ['click', 'input', 'change'] as const) {
      page.addEventListener(type, (event) => {
        event.preventDefault();
        done.push(`${type} ${(event.target as HTMLInputElement).name || (event.target as Element).tagName}`);
      });
    }
    heldBack.doAgain();
  };

  it('is done again: the last button or link that needs it, while other links lead on by themselves', () => {
    const heldBack = new HeldBack(document);
    const passed: boolean[] = [];
    page.addEventListener('click', (event) => passed.push(!event.defaultPrevented), { once: false });
    for (const selector of ['a[href="#b"]', 'a[data-needs-program]', 'button']) one<HTMLElement>(selector).click();
    expect(passed).toEqual([true, false, false]);
    starts(heldBack);
    expect(done).toEqual(['click BUTTON']);
    one<HTMLElement>('a[href="#b"]').click();
    expect(done).toEqual(['click BUTTON', 'click A']);
  });

  it('is done again for every button that keeps a listing, but those that were pressed twice', () => {
    page.innerHTML = ['1', '2', '3'].map((id) => `<button type="button" data-keep="${id}">Keep</button>`).join('');
    const heldBack = new HeldBack(document);
    for (const id of ['1', '2', '3', '2']) one<HTMLElement>(`[data-keep="${id}"]`).click();
    const kept: (string | undefined)[] = [];
    page.addEventListener('click', (event) => kept.push((event.target as HTMLElement).dataset['keep']));
    heldBack.doAgain();
    expect(kept).toEqual(['1', '3']);
  });

  it('stays: what was opened, where the program has folded it as the page came', () => {
    page.innerHTML = '<details><summary>Correct it</summary>A form</details>';
    const heldBack = new HeldBack(document);
    const details = one<HTMLDetailsElement>('details');
    one<HTMLElement>('summary').click();
    details.open = false;
    heldBack.doAgain();
    expect(details.open).toBe(true);
  });

  it('stays: words, ticks and choices are put back where the program has put what the page came with', () => {
    const heldBack = new HeldBack(document);
    const [search, tick, sort] = [
      one<HTMLInputElement>('[name=q]'),
      one<HTMLInputElement>('[name=type]'),
      one<HTMLSelectElement>('select'),
    ];
    search.value = 'quay';
    search.dispatchEvent(new Event('input', { bubbles: true }));
    tick.click();
    sort.value = 'b';
    sort.dispatchEvent(new Event('change', { bubbles: true }));
    search.value = '';
    tick.checked = false;
    sort.value = 'a';
    starts(heldBack);
    expect([search.value, tick.checked, sort.value]).toEqual(['quay', true, 'b']);
    expect(done).toEqual(['input q', 'change type', 'change sort']);
  });

  it('leaves alone what is gone since, and what is no part of a form', () => {
    const heldBack = new HeldBack(document);
    const [sort, other] = [one<HTMLSelectElement>('select'), one<HTMLInputElement>('[aria-label]')];
    for (const control of [sort, other]) control.dispatchEvent(new Event('change', { bubbles: true }));
    sort.remove();
    starts(heldBack);
    expect(done).toEqual([]);
  });
});
