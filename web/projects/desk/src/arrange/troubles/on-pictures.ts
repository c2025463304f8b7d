import { LEAST_CONTRAST, contrastRatio } from '@plindo/core/values';

type Rgba = readonly [red: number, green: number, blue: number, opacity: number];

const GREATEST = 255;
const ANY_PICTURE: readonly Rgba[] = [
  [GREATEST, GREATEST, GREATEST, 1],
  [0, 0, 0, 1],
];

/**
 * Whether words that stand on a picture can hardly be read on some picture: by the contrast of WCAG 2.2 with what lies
 * between, over a white and over a black one.
 */
export function isHardToReadOnPicture(element: HTMLElement): boolean {
  const between = groundOnPicture(element);
  if (!between) return false;
  const ink = coloured(getComputedStyle(element).color);
  return ANY_PICTURE.some((picture) => {
    const ground = over(between, picture);
    return contrastRatio(hexOf(over(ink, ground)), hexOf(ground)) < LEAST_CONTRAST;
  });
}

/** What lies between words and the picture behind them; null where they stand on no picture, or on a ground of their own. */
function groundOnPicture(element: HTMLElement): Rgba | null {
  for (let at: HTMLElement | null = element; at; at = at.parentElement) {
    const own = coloured(getComputedStyle(at).backgroundColor);
    if (own[3] === 1) return null;
    if (at.matches('.picture-behind .words')) return own;
    const behind = at.matches('.on-picture') ? at.querySelector(':scope > .behind') : null;
    if (behind) return coloured(getComputedStyle(behind, '::after').backgroundColor);
  }
  return null;
}

/** A computed colour: rgb(…), rgba(…), or color(srgb …) with parts from 0 to 1. */
function coloured(text: string): Rgba {
  const numbers = (text.replace(/^color\(srgb/, '').match(/[\d.]+/g) ?? []).map(Number);
  const [red = 0, green = 0, blue = 0, opacity = 1] = numbers;
  if (!text.startsWith('color(')) return [red, green, blue, opacity];
  return [red * GREATEST, green * GREATEST, blue * GREATEST, opacity];
}

function over([red, green, blue, opacity]: Rgba, ground: Rgba): Rgba {
  const mixed = [red, green, blue].map((part, at) => part * opacity + ground[at]! * (1 - opacity));
  return [mixed[0]!, mixed[1]!, mixed[2]!, 1];
}

function hexOf([...parts]: Rgba): string {
  return `#${parts
    .slice(0, 3)
    .map((part) => Math.round(part).toString(16).padStart(2, '0'))
    .join('')}`;
}
