import type { TextWithValues } from '@plindo/core/design';
import { makeText } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { TextEditor } from './text-editor';

const { kind } = kindSummary({}, [
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
  { key: 'length', label: 'Length', type: 'measure', settings: { unit: 'm' } },
  { key: 'starts', label: 'Starts', type: 'date' },
  { key: 'does', label: 'Does', type: 'several-choices', settings: { choices: [{ key: 'a', label: 'A' }] } },
  {
    key: 'fees',
    label: 'Fees',
    type: 'rows',
    settings: { fields: [{ key: 'what', label: 'What', type: 'short-text' }] },
  },
]);

describe('A text with values', () => {
  let shown: Shown<TextEditor>;
  let text: TextWithValues;

  beforeEach(() => new DeskServer());

  async function open(begun: Parameters<typeof makeText>[0], of: Kind = kind): Promise<void> {
    text = makeText(begun);
    shown = await Shown.of(TextEditor, { text, kind: of, kinds: [of] });
    shown.component.textChange.subscribe((changed) => {
      text = changed;
      void shown.set({ text });
    });
  }
  const asked = (): string[] => shown.texts('pl-value-settings label').map((label) => label.split(' ')[0]!);

  it('is a line of words and chips, to which both are added, and from which both are taken', async () => {
    await open(['From ', { field: 'price' }]);
    expect(shown.texts('.chip button:first-child')).toEqual(['Price']);
    await shown.choose('Add a value', 'length');
    await shown.press('Add words');
    expect(text.map((part) => ('field' in part ? part.field : part.words))).toEqual(['From ', 'price', 'length', '']);
    await shown.press('Remove Price');
    await shown.press('Remove these words');
    expect(text.map((part) => ('field' in part ? part.field : part.words))).toEqual(['length', '']);
  });

  it('moves a part by Alt and an arrow', async () => {
    await open(['From ', { field: 'price' }]);
    const chip = shown.all('.chip button')[0]!;
    chip.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowLeft', altKey: true, bubbles: true }));
    await shown.settled();
    expect(text.map((part) => ('field' in part ? part.field : part.words))).toEqual(['price', 'From ']);
  });

  it('asks of a value only what means something to it', async () => {
    await open([{ field: 'price' }]);
    expect(asked()).toEqual(['Decimals', 'Words', 'Words']);
    await open([{ field: 'length' }]);
    expect(asked()).toEqual(['Unit', 'Decimals', 'Words', 'Words']);
    await open([{ field: 'starts' }]);
    expect(asked()).toEqual(['Written', 'Words', 'Words']);
    await open([{ field: 'does' }]);
    expect(asked()).toEqual(['Of', 'Words', 'Words']);
    await open([{ field: 'fees' }]);
    expect(asked()).toEqual(['What', 'Of', 'Words', 'Words']);
  });

  it('names a value that is gone', async () => {
    await open([{ field: 'lost' }]);
    expect(shown.texts('.chip button:first-child')).toEqual(['lost (gone)']);
  });
});
