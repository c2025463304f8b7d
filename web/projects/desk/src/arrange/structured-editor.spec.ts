import type { StructuredKind } from '@plindo/core/structure';
import { kindSummary } from '../../../../harness/models';
import { Shown } from '../../../../harness/shown';
import { StructuredEditor } from './structured-editor';

const { kind } = kindSummary({ one: 'Event', many: 'Events' }, [
  { key: 'on', label: 'Starts', type: 'date' },
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
]);

describe('What search engines are told of a kind', () => {
  let shown: Shown<StructuredEditor>;
  let told: StructuredKind | null | undefined;

  beforeEach(async () => {
    told = undefined;
    shown = await Shown.of(StructuredEditor, { kind });
    shown.component.structuredChange.subscribe((structured) => (told = structured));
  });
  const choose = async (at: number, value: string): Promise<void> => {
    const list = shown.all<HTMLSelectElement>('select')[at]!;
    list.value = value;
    list.dispatchEvent(new Event('change'));
    await shown.settled();
  };

  it('is what Plindo proposes, with what is missing said', () => {
    expect(shown.all<HTMLSelectElement>('select').map(({ value }) => value)).toEqual(['Event', 'on', '', 'price']);
    expect(shown.texts('.missing')).toEqual(['Search engines want a place as well.']);
  });

  it('is changed property by property, to another type with what fits it, and back', async () => {
    await choose(3, '');
    expect(told).toEqual({ type: 'Event', fields: { startDate: 'on' } });
    await choose(0, 'Product');
    expect(told).toEqual({ type: 'Product', fields: { offers: 'price' } });
    await choose(0, '');
    expect(told).toEqual({ type: '', fields: {} });
    await shown.set({ kind: { ...kind, structured: told } });
    await shown.press('Take what Plindo proposes');
    expect(told).toBeNull();
  });
});
