import type { KindDefinition } from '../../structure/index.js';
import { fieldType, hasPart } from '../../structure/index.js';
import { slotOfField } from '../slots/slot.js';
import type { CardDesign } from './card.js';
import { makeCard } from './card.js';

const MOST_FIRST_VALUES = 4;

/** The fields that stand on a card for which nobody has chosen any: the first few short ones. */
function proposedCardFields({ fields }: Pick<KindDefinition, 'fields'>): string[] {
  return fields
    .filter(({ type }) => fieldType(type).short)
    .slice(0, MOST_FIRST_VALUES)
    .map(({ key }) => key);
}

/**
 * The card of a kind for which none has been designed: picture, flag, title, summary, distance and labelled values. It
 * follows the kind until somebody changes it, from when on it is kept.
 */
export function firstCard(
  kind: Pick<KindDefinition, 'fields' | 'parts' | 'one'>,
  onCard: readonly string[] = proposedCardFields(kind),
): CardDesign {
  return makeCard({
    name: `${kind.one} card`,
    purpose: 'Wherever listings of the kind stand in a list',
    picture: { stands: hasPart(kind, 'picture') ? 'above' : 'none' },
    zones: {
      heading: [
        slotOfField('@featured', { label: '', size: 'tiny', isBold: true, tone: 'warm' }),
        slotOfField('@title', { label: '', icon: '', size: 'large', isBold: true }),
        ...(hasPart(kind, 'summary')
          ? [slotOfField('@summary', { label: '', icon: '', tone: 'quiet' as const, lines: 3 })]
          : []),
        slotOfField('@distance', { label: '', size: 'small' }),
      ],
      body: onCard.map((key) => slotOfField(key)),
    },
  });
}
