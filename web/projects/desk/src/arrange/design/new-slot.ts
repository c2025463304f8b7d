import type { CardZone, Slot } from '@plindo/core/design';
import { CORNER_ZONES, makeSlot, slotOfField } from '@plindo/core/design';
import type { Showable } from './showable';

/** Types that show more in their own manner than as words. */
const SHOWN_IN_OWN_MANNER: readonly string[] = ['rating', 'colour', 'picture', 'pictures'];

/** A new slot that shows something, as it is likely to be wanted in a place: among values with its label, else without. */
export function slotShowing({ through, field }: Showable, zone: CardZone): Slot {
  const isValue = zone === 'body';
  const base = slotOfField(field.key, { label: isValue ? null : '', icon: isValue ? null : '' });
  const isOnPicture = CORNER_ZONES.some((corner) => corner === zone);
  const isTitle = field.key === '@title' && through.length === 0;
  return makeSlot({
    ...base,
    text: [{ field: field.key, through }],
    form: SHOWN_IN_OWN_MANNER.includes(field.type) ? 'own' : 'words',
    ...(isTitle && { label: '', icon: '', size: 'large', isBold: true }),
    ...(isOnPicture && { size: 'tiny', isBold: true }),
    ...(field.key === '@summary' && { lines: 3, tone: 'quiet' }),
  });
}
