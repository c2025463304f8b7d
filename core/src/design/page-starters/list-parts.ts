import type { Kind } from '../../structure/index.js';
import type { PageSketch, PieceSketch } from '../pages/page-design.js';
import { slotOfField } from '../slots/slot.js';
import { makeText } from '../slots/text-with-values.js';

type StripSketch = PageSketch['strips'][number];

/** Wide enough for facets, in rem. */
export const FACETS = 16.5;

/** What a list is called and what is said of it. */
export function listHead(kind: Kind): StripSketch {
  const intro = {
    ...slotOfField('intro', { label: '', icon: '', tone: 'quiet', size: 'large' }),
    text: makeText([kind.intro]),
  };
  return {
    name: 'Title',
    space: 'small',
    columns: [
      {
        pieces: [
          { type: 'heading', settings: { text: makeText([kind.many]), level: 1 } },
          ...(kind.intro === '' ? [] : [{ type: 'text' as const, settings: { slots: [intro] } }]),
          { type: 'chosen-category' },
        ],
      },
    ],
  };
}

/** How many are found, in which order, and what is chosen. */
export function listTools(): readonly PieceSketch[] {
  return [{ type: 'count' }, { type: 'sort' }, { type: 'chips' }];
}
