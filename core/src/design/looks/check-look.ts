import type { Issue } from '../../values/index.js';
import { LEAST_CONTRAST, contrastRatio, issue, nearestWithContrast } from '../../values/index.js';
import { nameIssues } from '../check-name.js';
import type { LookDesign } from './look.js';
import { paletteOf } from './look.js';
import type { ColourName } from './palettes.js';
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

/** Everything that is wrong with a look: its name, and colours that cannot be read on one another, with the nearest that can. */
export function checkLook(look: LookDesign): Issue[] {
  const issues = nameIssues(look);
  const palette = paletteOf(look);
  for (const scheme of ['light', 'dark'] as const) {
    const colours = palette[scheme];
    for (const [text, ground] of COLOUR_PAIRS) {
      const ratio = contrastRatio(colours[text], colours[ground]);
      if (ratio >= LEAST_CONTRAST) continue;
      // Rounded down, so that what falls short never reads as if it were enough.
      const params = {
        ...{ text: COLOUR_LABELS[text], ground: COLOUR_LABELS[ground], scheme },
        ...{ ratio: (Math.floor(ratio * 100) / 100).toFixed(2), least: LEAST_CONTRAST },
        ...{ found: colours[text], nearest: nearestWithContrast(colours[text], colours[ground]) },
      };
      issues.push(issue('look.contrast', params, { field: `${scheme}.${text}` }));
    }
  }
  return issues;
}
