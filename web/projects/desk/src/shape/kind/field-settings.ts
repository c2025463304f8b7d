import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { MatSelectModule } from '@angular/material/select';
import type { ComputedResult, Field, FieldSettings, RangeEnds } from '@plindo/core/structure';
import {
  COMPUTED_RESULTS,
  DEFAULT_UNIT,
  RANGE_ENDS,
  choicesFromLabels,
  choicesOfSet,
  fieldType,
} from '@plindo/core/structure';
import type { UnitCode } from '@plindo/core/values';
import { UNITS, unitSymbol } from '@plindo/core/values';
import { CategorySetsStore } from '../../shared/category-sets-store';

type TextSetting = 'pattern' | 'before' | 'after' | 'currency';
type NumberSetting = 'step' | 'shortest' | 'longest' | 'decimals' | 'stars' | 'fewest' | 'most';

const NUMBER_LABELS: Readonly<Record<NumberSetting, string>> = {
  step: 'Step',
  shortest: 'Fewest characters',
  longest: 'Most characters',
  decimals: 'Most decimals',
  stars: 'Stars',
  fewest: 'Fewest',
  most: 'Most',
};

const TEXT_LABELS: Readonly<Record<TextSetting, string>> = {
  pattern: 'Pattern',
  before: 'Text before',
  after: 'Text after',
  currency: 'Currency code',
};

const BOUND_LABELS = { least: 'Least', greatest: 'Greatest' } as const;

/** The settings that a field's type heeds, each with its control. Those of choices, subfields and expressions stand apart. */
@Component({
  selector: 'pl-field-settings',
  imports: [MatFormFieldModule, MatInputModule, MatSelectModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './field-settings.html',
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
      gap: 0.75rem;
    }
    .whole {
      grid-column: 1 / -1;
    }
  `,
})
export class FieldSettingsEditor {
  readonly field = input.required<Field>();
  readonly settingsChange = output<FieldSettings>();

  protected readonly sets = inject(CategorySetsStore).sets;
  protected readonly ends = RANGE_ENDS;
  protected readonly results = COMPUTED_RESULTS;
  protected readonly units = Object.keys(UNITS) as UnitCode[];
  protected readonly settings = computed(() => this.field().settings);
  protected readonly heeded = computed(() => {
    const { settings } = fieldType(this.field().type);
    const { type } = this.field();
    const own = this.settings();
    // Unit and currency count only where the ends or the result have one.
    const inner = type === 'range' ? (own.ends ?? 'decimal') : type === 'computed' ? (own.result ?? 'decimal') : null;
    return settings.filter((name) => {
      if (inner === null || (name !== 'unit' && name !== 'currency')) return true;
      return name === 'unit' ? inner === 'measure' : inner === 'money';
    });
  });
  protected readonly numbers = computed(() => {
    const names = Object.keys(NUMBER_LABELS) as NumberSetting[];
    return names.filter((name) => this.heeds(name)).map((name) => ({ name, label: NUMBER_LABELS[name] }));
  });
  protected readonly texts = computed(() => {
    const names = Object.keys(TEXT_LABELS) as TextSetting[];
    return names.filter((name) => this.heeds(name)).map((name) => ({ name, label: TEXT_LABELS[name] }));
  });
  protected readonly bounds = computed(() =>
    (['least', 'greatest'] as const)
      .filter((name) => this.heeds(name))
      .map((name) => ({ name, label: BOUND_LABELS[name] })),
  );
  protected readonly unit = computed(() => this.settings().unit ?? DEFAULT_UNIT);
  protected readonly choiceLines = computed(() => (this.settings().choices ?? []).map(({ label }) => label).join('\n'));
  protected readonly patternHint = computed(() =>
    this.field().type === 'reference' ? '#### counts: B-0001' : '# digit, @ letter, * either',
  );

  constructor() {
    const store = inject(CategorySetsStore);
    if (store.sets() === null) void store.reload();
  }

  protected setSet(id: number): void {
    const found = this.sets()?.find(({ set }) => set.id === id);
    if (found) this.tell({ set: id, choices: choicesOfSet(found.set) });
  }

  protected heeds(name: keyof FieldSettings): boolean {
    return this.heeded().includes(name);
  }

  protected typeLabel(name: RangeEnds | ComputedResult): string {
    return name === 'short-text' ? 'text' : fieldType(name).label;
  }

  protected unitLabel(unit: UnitCode): string {
    return unitSymbol(unit);
  }

  protected textOf(name: keyof FieldSettings): string {
    const value = this.settings()[name];
    return typeof value === 'string' || typeof value === 'number' ? String(value) : '';
  }

  protected setText(name: TextSetting, text: string): void {
    this.tell({ [name]: text === '' ? undefined : name === 'currency' ? text.toUpperCase().trim() : text });
  }

  protected setNumber(name: NumberSetting, text: string): void {
    const number = Number(text.replace(',', '.'));
    this.tell({ [name]: text.trim() === '' || !Number.isFinite(number) ? undefined : number });
  }

  /** A bound that is a number becomes one; anything else ("today + 30 days") stays as typed. */
  protected setBound(name: 'least' | 'greatest', text: string): void {
    const plain = text.trim();
    const number = Number(plain.replace(',', '.'));
    this.tell({ [name]: plain === '' ? undefined : Number.isFinite(number) ? number : plain });
  }

  /** One choice a line. A line that was there keeps its key, so that listings keep their values. */
  protected setChoices(lines: string): void {
    const before = this.settings().choices ?? [];
    const labels = lines
      .split('\n')
      .map((line) => line.trim())
      .filter((line) => line !== '');
    const fresh = choicesFromLabels(labels);
    const known = new Map(before.map((choice) => [choice.label, choice]));
    const changed = labels.length === before.length;
    const choices = labels.map((label, at) => {
      const kept = known.get(label);
      if (kept) return kept;
      // With as many lines as before, a changed line is the same choice under another label.
      const old = changed ? before[at] : undefined;
      return old && !labels.includes(old.label) ? { key: old.key, label } : fresh[at]!;
    });
    this.tell({ choices });
  }

  protected tell(change: { readonly [Name in keyof FieldSettings]?: FieldSettings[Name] | undefined }): void {
    const settings = Object.entries({ ...this.settings(), ...change }).filter(([, value]) => value !== undefined);
    this.settingsChange.emit(Object.fromEntries(settings));
  }
}
