import { BERTH_FIELDS, makeKind } from '../../../testing/builders.js';
import { checkKind, checkKindChange } from './check-kind.js';
import { makeField } from '../fields/field.js';
import { makeKindDefinition } from './kind.js';

const berths = makeKind(BERTH_FIELDS);

/** The messages about a kind that differs from a good one. */
function complaints(
  change: Partial<typeof berths>,
  others = [makeKind([], { id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' })],
): string {
  return checkKind({ ...berths, ...change }, others)
    .map(({ message }) => message)
    .join(' ');
}

describe('A kind', () => {
  it('is good with the facets and sort choices that Plindo proposes', () => {
    expect(complaints({})).toBe('');
    expect(berths.facets.map(({ control }) => control)).toEqual([
      'ticks',
      'ticks',
      'yes-no',
      'range',
      'range',
      'dates',
    ]);
  });

  it('needs labels and an address of its own', () => {
    expect(complaints({ one: ' ' })).toContain('what one is called');
    expect(complaints({ many: 'harbours' })).toContain('already a kind called “harbours”');
    expect(complaints({ slug: 'harbours' })).toContain('“/harbours” is already in use');
    expect(complaints({ slug: 'desk' })).toContain('already in use');
    expect(complaints({ slug: 'Big Berths' })).toContain('does not fit');
  });

  it('has fields with keys and labels of their own and sound settings', () => {
    const field = makeField({ key: 'depth', label: 'Depth', type: 'decimal' });
    expect(complaints({ fields: [...berths.fields, field, field] })).toContain('two have the key “depth”');
    expect(complaints({ fields: [...berths.fields, { ...field, key: 'constructor' }] })).toContain(
      'word of the program',
    );
    expect(complaints({ fields: [...berths.fields, { ...field, settings: { least: 2, greatest: 1 } }] })).toContain(
      'above its greatest',
    );
    expect(complaints({ fields: [...berths.fields, { ...field, type: 'one-choice' }] })).toContain(
      'at least one choice',
    );
    expect(complaints({ fields: [...berths.fields, { ...field, type: 'magic' as never }] })).toContain('no known type');
  });

  it('keeps the type, dimension and currency of the fields that hold values', () => {
    const change = (key: string, given: object): number =>
      checkKindChange(berths, { ...berths, fields: berths.fields.map((f) => (f.key === key ? { ...f, ...given } : f)) })
        .length;
    expect(change('length', { settings: { unit: 'ft' } })).toBe(0);
    expect(change('note', { label: 'Remark', required: true })).toBe(0);
    expect(change('length', { settings: { unit: 'kg' } })).toBe(1);
    expect(change('price', { settings: { currency: 'USD' } })).toBe(1);
    expect(change('note', { type: 'money' })).toBe(1);
  });

  it('has facets over fields that are there, in a form that fits them', () => {
    const [facet] = berths.facets;
    expect(complaints({ facets: [{ ...facet!, field: 'gone' }] })).toContain('which is not there');
    expect(complaints({ facets: [{ ...facet!, control: 'range' }] })).toContain('cannot be shown that way');
    expect(complaints({ facets: [{ ...facet!, key: 'sort' }] })).toContain('used by every page');
    expect(complaints({ facets: [facet!, facet!] })).toContain('two have the key');
  });

  it('has facets that wait for others, but not in a circle, in which none would ever be shown', () => {
    const waiting = (...waits: readonly (number | null)[]): string => {
      const facets = waits.map((at, own) => {
        const dependsOn = at === null ? null : { facet: berths.facets[at]!.key, value: null };
        return { ...berths.facets[own]!, dependsOn };
      });
      return complaints({ facets });
    };
    expect(waiting(null, 0, 1)).toBe('');
    expect(waiting(0)).toContain('waits for a facet that waits for it');
    expect(waiting(2, 0, 1).match(/neither would ever be shown/g)?.length).toBe(3);
    // Whoever waits for one that stands in a circle is not in it.
    expect(waiting(1, 0, 0).match(/neither would ever be shown/g)?.length).toBe(2);
    expect(waiting(3)).toContain('which is not there');
  });
});

describe('A definition from before built-in parts had one key each', () => {
  it('has the names that its orders go by now', () => {
    const order = ['featured', 'hand-order', 'newest', 'field:price', 'shuffled'].map((by) => ({
      by,
      direction: 'up',
    }));
    const { defaultOrder, sortChoices } = makeKindDefinition({
      ...{ slug: 'berths', one: 'Berth', many: 'Berths' },
      defaultOrder: order as never,
      sortChoices: [{ key: 'own', label: 'Own', order: order as never }],
    });
    const present = ['@featured', '@handOrder', '@createdAt', 'field:price', 'shuffled'];
    expect(defaultOrder.map(({ by }) => by as string)).toEqual(present);
    expect(sortChoices[0]?.order.map(({ by }) => by as string)).toEqual(present);
  });
});
