import { makeField } from '@plindo/core/structure';
import { DeskServer } from '../../../../../harness/desk';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { CategoriesControl } from './categories-control';

const choices = [
  { key: 'hull', label: 'Hull' },
  { key: 'paint', label: 'Painting', parent: 'hull' },
  { key: 'gel', label: 'Gél coat', parent: 'paint' },
  { key: 'rig', label: 'Rigging' },
];
const FIELD = makeField({ key: 'services', label: 'Services', type: 'categories', settings: { set: 7, choices } });

describe('The control of categories', () => {
  let server: DeskServer;
  let shown: Shown<CategoriesControl>;
  let last: readonly string[] | undefined;
  const indents = (): string[] => shown.all('.tree label').map(({ style }) => style.paddingInlineStart);

  beforeEach(async () => {
    server = new DeskServer('editor');
    shown = await Shown.of(CategoriesControl, { label: 'Services', field: FIELD, input: ['paint'] });
    last = undefined;
    shown.component.inputChange.subscribe((keys) => (last = keys));
  });

  async function type(text: string): Promise<void> {
    const field = shown.all<HTMLInputElement>('input[type=search]')[0]!;
    field.value = text;
    field.dispatchEvent(new Event('input'));
    await shown.settled();
  }

  it('shows the tree by its depth, with what is chosen above it', () => {
    expect(shown.texts('.tree label')).toEqual(['Hull', 'Painting', 'Gél coat', 'Rigging']);
    expect(indents()).toEqual(['0.5rem', '1.75rem', '3rem', '0.5rem']);
    expect(shown.texts('.chosen')).toEqual(['Painting']);
  });

  it('ticks and takes out, keeping the others', async () => {
    shown.all<HTMLInputElement>('.tree input')[3]!.click();
    expect(last).toEqual(['paint', 'rig']);
    await shown.press('Remove Painting');
    expect(last).toEqual([]);
  });

  it('finds by a part of the name, whatever its accents, as a flat list', async () => {
    await type('gel');
    expect(shown.texts('.tree label')).toEqual(['Gél coat']);
    expect(indents()).toEqual(['0.5rem']);
    await type('GÉL COAT');
    expect(shown.all('button[matButton]').length).toBe(0);
  });

  it('adds one that is missing and chooses it', async () => {
    await type('Sails');
    expect(shown.texts('.tree p')).toEqual(['No category is called so.']);
    shown
      .all('button')
      .find((button) => button.textContent?.includes('Add “Sails”'))!
      .click();
    const result = { categories: [...choices, { key: 'sails', label: 'Sails' }] };
    const sent = await server.answer('POST', '/api/category-sets/7/categories', { changeId: 1, result });
    expect(sent).toEqual([{ label: 'Sails' }]);
    await server.answer('GET', '/api/kinds', [kindSummary()]);
    expect(last).toEqual(['paint', 'sails']);
  });
});
