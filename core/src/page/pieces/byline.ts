import type { Listing } from '../../listings/index.js';
import type { KindDefinition } from '../../structure/index.js';
import { hasPart } from '../../structure/index.js';
import type { Formats } from '../../values/index.js';
import type { PieceMaker } from './piece-maker.js';

export const byline: PieceMaker<'byline'> = {
  make(_, { page, shown }) {
    const text = shown ? bylineOf(shown.kind, shown.listing, page.context.formats) : '';
    return text === '' ? null : { type: 'byline', text };
  },
};

/** "By Ana, 4 December 2026, changed 6 December 2026". */
function bylineOf(kind: KindDefinition, { author, createdAt, changedAt }: Listing, formats: Formats): string {
  const { words } = formats;
  const parts: string[] = [];
  if (hasPart(kind, 'author') && author !== '') parts.push(words.say('byline.by', { author }));
  if (hasPart(kind, 'dates')) {
    const [made, changed] = [createdAt, changedAt].map((moment) => formats.day(moment));
    parts.push(made!);
    if (changed !== made) parts.push(words.say('byline.changed', { day: changed! }));
  }
  return parts.join(', ');
}
