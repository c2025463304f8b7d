import type { ConditionGroup, Kind } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { ConditionEditor } from './condition-editor';

const HARBOURS = kindSummary({ id: 2, slug: 'harbours', one: 'Harbour', many: 'Harbours' }, [
  { key: 'fuel', label: 'Fuel', type: 'yes-no' },
]).kind;
const BERTHS = kindSummary({}, [
  { key: 'price', label: 'Price', type: 'money', settings: { currency: 'EUR' } },
  { key: 'covered', label: 'Covered', type: 'yes-no' },
  {
    key: 'harbour',
    label: 'Harbour',
    type: 'link',
    settings: { link: 1, side: 'a', linked: { kindId: 2, many: false, hasNotes: false } },
  },
]).kind;

describe('The editor of conditions', () => {
  /** The editor over some conditions, taking in what it tells, as its page does. */
  async function edit(group: ConditionGroup, more: Record<string, unknown> = {}) {
    const kinds: Kind[] = [BERTHS];
    const shown = await Shown.of(ConditionEditor, { group, kinds, allKinds: [BERTHS, HARBOURS], ...more });
    const told: ConditionGroup[] = [];
    shown.component.groupChange.subscribe((changed) => {
      told.push(changed);
      void shown.set({ group: changed });
    });
    return { shown, last: () => told.at(-1) };
  }
  const cheap = { field: 'price', op: 'at-most', value: '40' } as const;

  it('offers for each field the operators that fit it, and begins with the first one', async () => {
    const { shown, last } = await edit({ join: 'all', of: [cheap] });
    expect(shown.texts('select[aria-label="How it compares"] option')).toContain('is at most');
    await shown.choose('Field', 'covered');
    expect(last()).toEqual({ join: 'all', of: [{ field: 'covered', op: 'is', value: 'yes' }] });
    expect(shown.texts('select[aria-label="How it compares"] option')).not.toContain('is at most');
  });

  it('lets a value go with an operator that takes none, and takes one from the page', async () => {
    const { shown, last } = await edit({ join: 'all', of: [cheap] });
    await shown.press('More about this condition');
    const items = [...document.querySelectorAll<HTMLElement>('.mat-mdc-menu-item')];
    items.find((item) => item.textContent!.includes('that of the page’s listing'))!.click();
    await shown.settled();
    expect(last()?.of).toEqual([{ field: 'price', op: 'at-most', value: { parameter: 'listing' } }]);
    await shown.choose('How it compares', 'is-empty');
    expect(last()?.of).toEqual([{ field: 'price', op: 'is-empty' }]);
  });

  it('reaches through a link to conditions on the kind at its other end', async () => {
    const { shown, last } = await edit({ join: 'all', of: [cheap] });
    await shown.choose('Field', 'link:harbour');
    const [behind] = last()!.of;
    expect(behind).toEqual(jasmine.objectContaining({ link: 'harbour' }));
    await shown.choose('Field', 'fuel', 1);
    expect(last()?.of).toEqual([
      { link: 'harbour', where: { join: 'all', of: [{ field: 'fuel', op: 'is', value: 'yes' }] } },
    ]);
  });

  it('nests groups, joins them, and takes parts out', async () => {
    const { shown, last } = await edit({ join: 'all', of: [cheap] });
    await shown.press('Group');
    await shown.choose('All, any or none', 'none', 1);
    await shown.choose('All, any or none', 'any', 0);
    expect(last()).toEqual({ join: 'any', of: [cheap, jasmine.objectContaining({ join: 'none' })] } as never);
    await shown.press('Remove this condition', 0);
    expect(last()?.of.length).toBe(1);
  });

  it('says how many each condition removes, which is wrong and why, and which asks for what is gone', async () => {
    const group: ConditionGroup = {
      join: 'all',
      of: [cheap, { join: 'any', of: [{ field: 'colour', op: 'is', value: 'red' }] }],
    };
    const faults = new Map([['2.1', 'the field “colour” is not there any more.']]);
    const { shown } = await edit(group, { removed: [12, 3], faults });
    expect(shown.texts('.removed')).toEqual(['−12', '−3']);
    expect(shown.texts('[role=alert]')).toEqual(['the field “colour” is not there any more.']);
    expect(shown.texts('option').filter((text) => text.includes('gone'))).toEqual(['colour (gone)']);
  });
});
