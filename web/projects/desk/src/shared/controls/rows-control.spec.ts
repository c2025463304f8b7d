import { ChangeDetectionStrategy, Component, signal } from '@angular/core';
import type { Entry } from '@plindo/core/structure';
import { makeField, readContext } from '@plindo/core/structure';
import { Shown } from '../../../../../harness/shown';
import { RowsControl } from './rows-control';

const FIELD = makeField({
  ...{ key: 'tariff', label: 'Tariff', type: 'rows' },
  settings: {
    most: 3,
    fields: [
      makeField({ key: 'season', label: 'Season', type: 'short-text', default: 'Summer' }),
      makeField({ key: 'nights', label: 'Nights', type: 'whole-number' }),
    ],
  },
});

/** Draws each part as a plain input. */
@Component({
  selector: 'pl-rows-host',
  imports: [RowsControl],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <ng-template #part let-sub let-value="value" let-path="path" let-tell="tell">
      <input [name]="path" [value]="value ?? ''" (input)="tell($any($event.target).value)" />
    </ng-template>
    <pl-rows-control
      [field]="field"
      path="values.tariff"
      [context]="context"
      [rows]="rows()"
      [part]="part"
      (rowsChange)="rows.set($event)"
    />
  `,
})
class RowsHost {
  readonly rows = signal<readonly Entry[]>([]);
  protected readonly field = FIELD;
  protected readonly context = readContext({ locale: 'en-GB', zone: 'UTC', nowInMs: 0 });
}

describe('The control of rows', () => {
  let shown: Shown<RowsHost>;

  beforeEach(async () => {
    shown = await Shown.of(RowsHost, {});
    shown.component.rows.set([
      { season: 'Winter', nights: 2 },
      { season: 'Spring', nights: 7 },
    ]);
    await shown.settled();
  });
  const seasons = (): unknown[] => shown.component.rows().map((row) => row['season']);

  it('draws the parts of each row under their paths, and changes one alone', async () => {
    const names = shown.all<HTMLInputElement>('input').map(({ name }) => name);
    expect(names).toEqual(['0.season', '0.nights', '1.season', '1.nights'].map((end) => `values.tariff.${end}`));
    const field = shown.all<HTMLInputElement>('input')[2]!;
    field.value = 'Easter';
    field.dispatchEvent(new Event('input'));
    await shown.settled();
    expect(shown.component.rows()).toEqual([
      { season: 'Winter', nights: 2 },
      { season: 'Easter', nights: 7 },
    ]);
  });

  it('adds rows with their defaults, duplicates them, up to their most, and deletes them', async () => {
    await shown.press('Add a row to Tariff');
    expect(seasons()).toEqual(['Winter', 'Spring', 'Summer']);
    expect(shown.all<HTMLButtonElement>('.add')[0]!.disabled).toBeTrue();
    await shown.press('Delete row 1');
    await shown.press('Duplicate row 1');
    expect(seasons()).toEqual(['Spring', 'Spring', 'Summer']);
  });

  it('moves rows, the first not up and the last not down', async () => {
    const disabled = (name: string): boolean => shown.all<HTMLButtonElement>(`[aria-label="${name}"]`)[0]!.disabled;
    expect([disabled('Move row 1 up'), disabled('Move row 2 down')]).toEqual([true, true]);
    await shown.press('Move row 1 down');
    expect(seasons()).toEqual(['Spring', 'Winter']);
  });

  it('folds a row to a line of its values, and unfolds all when one moves', async () => {
    await shown.press('Fold row 2');
    expect(shown.texts('.summary')).toEqual(['1.', '2. Spring · 7']);
    expect(shown.all('input').length).toBe(2);
    await shown.press('Move row 2 up');
    expect(shown.all('input').length).toBe(4);
  });
});
