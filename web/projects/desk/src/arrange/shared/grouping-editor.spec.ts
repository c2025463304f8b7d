import type { DateGrouping } from '@plindo/core/structure';
import { makeDateGrouping } from '@plindo/core/structure';
import { kindSummary } from '../../../../../harness/models';
import { Shown } from '../../../../../harness/shown';
import { GroupingEditor } from './grouping-editor';

const COURSES = kindSummary({ slug: 'courses' }, [
  { key: 'starts', label: 'Starts', type: 'date' },
  { key: 'ends', label: 'Ends', type: 'date' },
  { key: 'level', label: 'Level', type: 'short-text' },
]).kind;

describe('The editor of headings by date', () => {
  let shown: Shown<GroupingEditor>;
  let told: (DateGrouping | null)[];

  async function edit(grouping: DateGrouping | null): Promise<void> {
    shown = await Shown.of(GroupingEditor, { grouping, kinds: [COURSES] });
    told = [];
    shown.component.groupingChange.subscribe((changed) => told.push(changed));
  }
  const choose = (label: string, value: string): void => {
    const row = shown.all('label').find((one) => one.textContent?.trim().startsWith(label))!;
    const field = row.querySelector<HTMLInputElement | HTMLSelectElement>('select, input')!;
    field.value = value;
    field.dispatchEvent(new Event('change'));
  };

  it('offers the dates of the kinds and the publishing time, and asks no more while there are no headings', async () => {
    await edit(null);
    expect(shown.texts('option')).toEqual(['nothing', 'Starts', 'Ends', 'Published']);
    expect(shown.all('label').length).toBe(1);
    choose('Headings by', 'starts');
    expect(told).toEqual([makeDateGrouping({ field: 'starts' })]);
  });

  it('changes one thing at a time, and keeps the rest with another date', async () => {
    const grouping = makeDateGrouping({ field: 'starts', unit: 'iso-week', past: 'folded' });
    await edit(grouping);
    choose('A heading for each', 'quarter');
    choose('In time order', 'down');
    choose('Ends with', 'ends');
    choose('What goes on for longer', 'every');
    choose('What is over is', 'in-place');
    choose('Without a date', 'On request');
    choose('Headings by', 'ends');
    choose('Headings by', '');
    expect(told).toEqual([
      { ...grouping, unit: 'quarter' },
      { ...grouping, direction: 'down' },
      { ...grouping, endField: 'ends' },
      { ...grouping, spans: 'every' },
      { ...grouping, past: 'in-place' },
      { ...grouping, undatedLabel: 'On request' },
      { ...grouping, field: 'ends' },
      null,
    ]);
  });

  it('can show headings with nothing under them', async () => {
    await edit(makeDateGrouping({ field: 'starts' }));
    shown.all<HTMLInputElement>('input[type=checkbox]')[0]!.click();
    expect(told[0]?.showsEmpty).toBeTrue();
  });
});
