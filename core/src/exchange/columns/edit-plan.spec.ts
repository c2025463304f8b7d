import { contextIn } from '../../../testing/builders.js';
import { readCsv } from '../tables/csv.js';
import type { ColumnChoice } from './edit-plan.js';
import { planProblem, withColumnUse, withFieldLabel } from './edit-plan.js';
import type { ImportPlan } from './import-plan.js';
import { proposeColumn, proposePlan } from './propose-columns.js';

const context = contextIn('en');
const read = readCsv(
  `name,lat,lon,seats,note\n${Array.from({ length: 9 }, (_, at) => `Boat ${at},1.5,2.5,${at % 3},x${at}`).join('\n')}`,
);
const table = read.ok ? read.value : { delimiter: ',', headers: [], rows: [], lines: [] };
const plan = proposePlan(table, context);

const asField = (column: number, type: 'short-text' | 'one-choice' | 'picture' | 'decimal'): ColumnChoice => ({
  use: 'field',
  proposed: proposeColumn(table, column, context, plan.conventions, type),
});
const uses = ({ columns }: ImportPlan): string => columns.map(({ use }) => use).join(' ');
const types = ({ fields }: ImportPlan): string => fields.map(({ key, type }) => `${key}:${type}`).join(' ');

describe('Changing what columns become', () => {
  it('starts from the proposal', () => {
    expect(uses(plan)).toBe('title latitude longitude field field');
    expect(types(plan)).toBe('place:place seats:whole-number note:short-text');
    expect(planProblem(plan)).toBeNull();
  });

  it('gives a field another type with the settings that its values need', () => {
    const changed = withColumnUse(plan, 3, asField(3, 'decimal'));
    expect(types(changed)).toBe('place:place seats:decimal note:short-text');
    const choices = withColumnUse(plan, 4, asField(4, 'one-choice')).fields.at(-1)?.settings.choices;
    expect(choices?.length).toBe(9);
  });

  it('has one title: the column that had it before becomes a text', () => {
    const changed = withColumnUse(plan, 4, { use: 'title' });
    expect(uses(changed)).toBe('field latitude longitude field title');
    expect(types(changed)).toBe('place:place seats:whole-number name:short-text');
    expect(planProblem(withColumnUse(plan, 0, { use: 'nothing' }))).toContain('gives each listing its title');
  });

  it('takes out a field that no column fills, and says when half a place is missing', () => {
    const half = withColumnUse(plan, 1, { use: 'nothing' });
    expect(planProblem(half)).toContain('one for its longitude');
    const none = withColumnUse(half, 2, { use: 'nothing' });
    expect(types(none)).toBe('seats:whole-number note:short-text');
    const again = withColumnUse(withColumnUse(none, 1, { use: 'latitude' }), 2, { use: 'longitude' });
    expect(planProblem(again)).toBeNull();
    expect(planProblem(withColumnUse(again, 3, { use: 'latitude' }))).toContain('two columns for the same half');
  });

  it('renames a field and leaves its key', () => {
    expect(withFieldLabel(plan, 'seats', 'Places').fields.find(({ key }) => key === 'seats')?.label).toBe('Places');
  });
});
