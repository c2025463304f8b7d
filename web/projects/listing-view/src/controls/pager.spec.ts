import type { PagerModel } from '@plindo/core/page';
import { Shown } from '../../../../harness/shown';
import { Pager } from './pager';

const PAGES: PagerModel = {
  mode: 'numbered',
  more: null,
  page: 2,
  pages: 9,
  previous: '/berths',
  next: '/berths?page=3',
  links: [{ page: 1, href: '/berths' }, { page: 2, href: '/berths?page=2' }, null, { page: 9, href: '/berths?page=9' }],
};
const MORE: PagerModel = {
  ...PAGES,
  mode: 'more',
  more: { href: '/berths?page=2', count: 24 },
  page: 1,
  previous: null,
};

describe('A pager', () => {
  async function open(pager: PagerModel, interactive = true): Promise<{ shown: Shown<Pager>; asked: string[] }> {
    const shown = await Shown.of(Pager, { pager, interactive });
    const asked: string[] = [];
    shown.component.more.subscribe((href) => asked.push(href));
    return { shown, asked };
  }
  const click = (shown: Shown<Pager>, given: MouseEventInit = {}): boolean => {
    const event = new MouseEvent('click', { cancelable: true, bubbles: true, ...given });
    // So that the page of the tests stays where it is.
    shown.element.addEventListener('click', (late) => late.preventDefault(), { once: true });
    const link = shown.all('.more a')[0]!;
    let passed = true;
    link.addEventListener('click', (own) => (passed = !own.defaultPrevented), { once: true });
    link.dispatchEvent(event);
    return passed;
  };

  it('with numbers says which page is shown and where pages are left out', async () => {
    const { shown } = await open(PAGES);
    const names = shown.all('nav > *').map((one) => one.ariaLabel ?? one.textContent?.trim());
    expect(names).toEqual(['Previous', 'Page 1', 'Page 2', '…', 'Page 9', 'Next']);
    expect(shown.all('[aria-current=page]').map(({ ariaLabel }) => ariaLabel)).toEqual(['Page 2']);
  });

  it('is not there for a single page', async () => {
    const { shown } = await open({ ...PAGES, page: 1, pages: 1, previous: null, next: null, links: [] });
    expect(shown.all('nav').length).toBe(0);
  });

  it('that shows more says how many, stays a link without scripts, and for whoever wants another tab', async () => {
    const { shown, asked } = await open(MORE);
    expect(shown.texts('.more a')).toEqual(['Show 24 more']);
    expect(click(shown)).toBeFalse();
    expect(click(shown, { ctrlKey: true })).toBeTrue();
    expect(asked).toEqual(['/berths?page=2']);
    const plain = await open(MORE, false);
    expect(click(plain.shown)).toBeTrue();
    expect(plain.asked).toEqual([]);
  });

  it('that goes on by itself waits to be asked after some times, so that the footer can be reached', async () => {
    const watched: IntersectionObserverCallback[] = [];
    class Watch {
      readonly observe = jasmine.createSpy();
      readonly disconnect = jasmine.createSpy();

      constructor(callback: IntersectionObserverCallback) {
        watched.push(callback);
      }
    }
    const original = window.IntersectionObserver;
    window.IntersectionObserver = Watch as unknown as typeof IntersectionObserver;
    const { shown, asked } = await open({ ...MORE, mode: 'endless' });
    const reach = (): void =>
      watched.at(-1)!([{ isIntersecting: true } as IntersectionObserverEntry], {} as IntersectionObserver);
    for (let page = 2; page < 6; page++) {
      reach();
      await shown.set({ pager: { ...MORE, mode: 'endless', more: { href: `/berths?page=${page + 1}`, count: 24 } } });
    }
    expect(asked).toEqual(['/berths?page=2', '/berths?page=3', '/berths?page=4', '/berths?page=5']);
    expect(watched.length).toBe(4);
    click(shown);
    await shown.set({ pager: { ...MORE, mode: 'endless', more: { href: '/berths?page=7', count: 2 } } });
    expect([asked.at(-1), watched.length]).toEqual(['/berths?page=6', 5]);
    window.IntersectionObserver = original;
  });
});
