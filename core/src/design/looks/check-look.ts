import type { Issue } from '../../values/index.js';
import { LEAST_CONTRAST, contrastRatio, issue, nearestWithContrast } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import { wrong } from '../pages/check-shown.js';
import type { LookDesign } from './look.js';
import { paletteOf } from './look.js';
import { ownCssFaults } from './own-css.js';
import type { ColourName, Palette } from './palettes.js';
import { COLOUR_PAIRS } from './palettes.js';

/** What the colours are called. */
export const COLOUR_LABELS: Readonly<Record<ColourName, string>> = {
  paper: 'the ground',
  raised: 'raised things',
  ink: 'text',
  quiet: 'quiet text',
  line: 'lines',
  accent: 'links and what is chosen',
  wash: 'the tinted ground',
  signal: 'the one thing to do',
  onSignal: 'text on the one thing to do',
  warm: 'what is featured',
  warmWash: 'the warm ground',
};

/** A colour of text that cannot be read on its ground, and the nearest one that can. */
export interface Unreadable {
  readonly scheme: keyof Palette;
  readonly text: ColourName;
  readonly ground: ColourName;
  /** By the formula of WCAG 2.2, from 1 to 21. */
  readonly ratio: number;
  readonly nearest: string;
}

/** Everything of a look that cannot be read. */
export function unreadable(look: LookDesign): Unreadable[] {
  const palette = paletteOf(look);
  return (['light', 'dark'] as const).flatMap((scheme) => {
    const colours = palette[scheme];
    return COLOUR_PAIRS.flatMap(([text, ground]): Unreadable[] => {
      const ratio = contrastRatio(colours[text], colours[ground]);
      if (ratio >= LEAST_CONTRAST) return [];
      return [{ scheme, text, ground, ratio, nearest: nearestWithContrast(colours[text], colours[ground]) }];
    });
  });
}

/**
 * Everything that is wrong with a look: its name, and colours that cannot be read on one another, with the nearest that
 * can. Told as `look.contrast`.
 */
export function checkLook(look: LookDesign): Issue[] {
  const palette = paletteOf(look);
  const issues = unreadable(look).map(({ scheme, text, ground, ratio, nearest }) => {
    // Rounded down, so that what falls short never reads as if it were enough.
    const params = {
      ...{ text: COLOUR_LABELS[text], ground: COLOUR_LABELS[ground], scheme },
      ...{ ratio: (Math.floor(ratio * 100) / 100).toFixed(2), least: LEAST_CONTRAST },
      ...{ found: palette[scheme][text], nearest },
    };
    return issue('look.contrast', params, { field: `${scheme}.${text}` });
  });
  const own = ownCssFaults(look.css).map(({ line, why }) => wrong('Own CSS', `line ${line}: ${why}`, 'css'));
  return [...nameIssues(look), ...issues, ...own];
}
