import type { SlotForm } from '@plindo/core/page';

/** Slots are made once a design and shown many times, so that their classes are put together once as well. */
const KNOWN = new WeakMap<SlotForm, string>();

/** The classes by which the sheet knows how a slot stands. */
export function classOfSlot(slot: SlotForm): string {
  const known = KNOWN.get(slot);
  if (known !== undefined) return known;
  const { form, size, tone, isBold, lines } = slot;
  const classes = [
    `size-${size}`,
    `tone-${tone}`,
    `as-${form}`,
    isBold && 'bold',
    lines !== null && `lines lines-${lines}`,
  ];
  const made = classes.filter(Boolean).join(' ');
  KNOWN.set(slot, made);
  return made;
}
