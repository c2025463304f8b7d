import type { CardDesign } from '@plindo/core/design';
import { firstCard } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';

/** The fields on the cards of each kind, by its slug. */
const ON_CARDS: Readonly<Record<string, readonly string[]>> = {
  harbours: ['region', 'facilities', 'fuel', 'visitor_berths'],
  berths: ['harbour', 'type', 'price', 'length'],
  boatyards: ['serves', 'services', 'lift', 'rating'],
  courses: ['held_at', 'taught_by', 'starts', 'days', 'level', 'price'],
  instructors: ['certificates', 'languages'],
};

/** The card of a kind of the guide. */
export function guideCard(kind: Kind): CardDesign {
  return firstCard(kind, ON_CARDS[kind.slug]);
}
