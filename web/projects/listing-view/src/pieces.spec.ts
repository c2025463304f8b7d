import type { Type } from '@angular/core';
import type { Picture } from '@plindo/core/structure';
import { FIELD_TYPE_NAMES, fieldType } from '@plindo/core/structure';
import { Shown } from '../../../harness/shown';
import { Icon } from './icons/icon';
import { ICON_NAMES } from './icons/icon-names';
import sheet from './icons/icons.svg' with { loader: 'text' };
import { PictureView } from './picture';

const show = async <T>(component: Type<T>, inputs: Record<string, unknown>): Promise<HTMLElement> =>
  (await Shown.of(component, inputs)).element;

const picture: Picture = { hash: 'a'.repeat(32), width: 1000, height: 1500, alt: 'A pier' };

describe('A picture', () => {
  it('comes in several widths and formats, never wider than it is, with its size for the layout', async () => {
    const shown = await show(PictureView, { picture });
    const image = shown.querySelector('img')!;
    const name = `/pictures/${picture.hash}`;
    const [avif, webp] = [...shown.querySelectorAll('source')];
    expect([avif?.type, webp?.type]).toEqual(['image/avif', 'image/webp']);
    expect(webp?.srcset).toBe(`${name}-400.webp 400w, ${name}-800.webp 800w, ${name}-1600.webp 1000w`);
    expect(image.getAttribute('src')).toBe(`${name}-800.jpeg`);
    const attributes = ['width', 'height', 'alt', 'loading'].map((name) => image.getAttribute(name));
    expect(attributes).toEqual(['1000', '1500', 'A pier', 'lazy']);
  });

  it('is drawn where there is none, always the same for the same title', async () => {
    const first = await show(PictureView, { picture: null, title: 'élan' });
    const second = await show(PictureView, { picture: null, title: 'élan' });
    expect(first.querySelector('text')?.textContent).toBe('É');
    expect(first.innerHTML).toBe(second.innerHTML);
  });
});

describe('An icon', () => {
  it('is there for each field type', () => {
    const names: readonly string[] = ICON_NAMES;
    expect(FIELD_TYPE_NAMES.map((name) => fieldType(name).icon).filter((icon) => !names.includes(icon))).toEqual([]);
  });

  it('is drawn from the one sheet, which has all of the set, and hidden from screen readers', async () => {
    const icon = await show(Icon, { name: 'search' });
    expect(icon.querySelector('use')?.getAttribute('href')).toMatch(/\.svg#search$/);
    expect(icon.querySelector('svg')?.getAttribute('aria-hidden')).toBe('true');
    const drawn = [...new DOMParser().parseFromString(sheet, 'image/svg+xml').querySelectorAll('symbol')];
    expect(drawn.map(({ id }) => id)).toEqual([...ICON_NAMES]);
    expect(drawn.filter((symbol) => !symbol.querySelector('path')?.getAttribute('d'))).toEqual([]);
  });
});
