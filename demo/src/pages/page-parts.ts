import type { PageSketch, Slot, SlotSketch } from '@plindo/core/design';
import { makeSlot, makeText, slotOfField } from '@plindo/core/design';

/** What the pages of the guide are put together of. */

/** A piece as the guide's pages sketch it. */
export type Piece = PageSketch['strips'][number]['columns'][number]['pieces'][number];
export const slot = (given: Partial<SlotSketch> & Pick<SlotSketch, 'text'>): Slot =>
  makeSlot({ key: 'line', ...given });
export const lines = (...slots: Slot[]): Piece => ({
  type: 'text',
  settings: { slots: slots.map((one, at) => ({ ...one, key: `line-${at + 1}` })) },
});
export const heading = (text: string, level: 1 | 2 = 2): Piece => ({
  type: 'heading',
  settings: { text: makeText([text]), level },
});
export const title: Piece = { type: 'heading', settings: { text: makeText([{ field: '@title' }]), level: 1 } };
export const summary = slot({ text: [{ field: '@summary' }], size: 'large', tone: 'quiet' });
export const flag = slot({ text: [{ field: '@featured' }], icon: null, isBold: true, tone: 'warm', size: 'small' });
export const value = (field: string, more: Partial<Slot> = {}): Slot => slotOfField(field, { form: 'own', ...more });
export const linked = (field: string, words: string, more: object = {}): Piece => ({
  type: 'list',
  settings: { from: 'linked', fields: [field], heading: makeText([words]), most: 24, ...more },
});
export const head = (...more: Piece[]): PageSketch['strips'][number] => ({
  space: 'small',
  columns: [{ pieces: [{ type: 'breadcrumb' }, lines(flag), title, ...more] }],
});
