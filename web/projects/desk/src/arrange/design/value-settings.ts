import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import type { ValueInText } from '@plindo/core/design';
import { MANY, fieldOfValue, givesSeveral, insidesOf, writtenField } from '@plindo/core/design';
import type { Kind, KindById } from '@plindo/core/structure';
import type { DateForm, UnitCode } from '@plindo/core/values';
import { DATE_FORMS, unitSymbol, unitsLike } from '@plindo/core/values';
import { Reading } from '../../shared/reading';

const MANY_WORDS = { all: 'all of them', first: 'the first', count: 'how many there are' } as const;
const DIGITS = [0, 1, 2, 3, 4, 5, 6];

/** How one value in a text is written. Only what means something to the value is asked. */
@Component({
  selector: 'pl-value-settings',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let own = value();
    @if (insides().length) {
      <label>
        What of it
        <select class="plain-select" (change)="set({ inside: $any($event.target).value })">
          <option value="" [selected]="own.inside === ''">all of it</option>
          @for (one of insides(); track one.key) {
            <option [value]="one.key" [selected]="own.inside === one.key">{{ one.label }}</option>
          }
        </select>
      </label>
    }
    @if (isSeveral()) {
      <label>
        Of several
        <select class="plain-select" (change)="set({ many: $any($event.target).value })">
          @for (one of many; track one) {
            <option [value]="one" [selected]="own.many === one">{{ manyWords[one] }}</option>
          }
        </select>
      </label>
    }
    @if (dates().length) {
      <label>
        Written as
        <select class="plain-select" (change)="set({ dates: $any($event.target).value })">
          @for (one of dates(); track one.form) {
            <option [value]="one.form" [selected]="own.dates === one.form">{{ one.label }}</option>
          }
        </select>
      </label>
    }
    @if (units().length > 1) {
      <label>
        Unit
        <select class="plain-select" (change)="setUnit($any($event.target).value)">
          <option value="" [selected]="own.unit === null">as in the field</option>
          @for (one of units(); track one.code) {
            <option [value]="one.code" [selected]="own.unit === one.code">{{ one.symbol }}</option>
          }
        </select>
      </label>
    }
    @if (isNumber()) {
      <label>
        Decimals
        <select class="plain-select" (change)="setDigits($any($event.target).value)">
          <option value="" [selected]="own.digits === null">as many as it has</option>
          @for (one of digits; track one) {
            <option [value]="one" [selected]="own.digits === one">{{ one }}</option>
          }
        </select>
      </label>
    }
    <label>
      Words before it
      <input
        class="plain-input"
        maxlength="100"
        [value]="own.before"
        (input)="set({ before: $any($event.target).value })"
      />
    </label>
    <label>
      Words after it
      <input
        class="plain-input"
        maxlength="100"
        [value]="own.after"
        (input)="set({ after: $any($event.target).value })"
      />
    </label>
  `,
  styles: `
    :host {
      display: grid;
      grid-template-columns: repeat(auto-fit, minmax(8rem, 1fr));
      gap: 0.5rem;
      padding: 0.5rem;
      border-inline-start: 3px solid var(--pl-accent);
    }
    label {
      display: grid;
      font-size: 0.875rem;
      color: var(--pl-quiet);
    }
    input,
    select {
      inline-size: 100%;
      min-inline-size: 0;
    }
  `,
})
export class ValueSettings {
  readonly value = input.required<ValueInText>();
  readonly kind = input.required<Kind>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly changed = output<ValueInText>();

  private readonly reading = inject(Reading);
  protected readonly many = MANY;
  protected readonly manyWords = MANY_WORDS;
  protected readonly digits = DIGITS;
  private readonly kindById: KindById = (id) => this.kinds().find((kind) => kind.id === id);
  private readonly field = computed(() => fieldOfValue(this.value(), this.kind(), this.kindById));
  private readonly written = computed(() => writtenField(this.value(), this.kind(), this.kindById));
  private readonly type = computed(() => {
    const written = this.written();
    return written?.type === 'range' ? (written.settings.ends ?? 'decimal') : written?.type;
  });
  protected readonly insides = computed(() => {
    const field = this.field();
    return field ? insidesOf(field) : [];
  });
  protected readonly isSeveral = computed(() => {
    const field = this.field();
    return field !== undefined && givesSeveral(this.value(), field, this.kind(), this.kindById);
  });
  protected readonly isNumber = computed(() =>
    ['decimal', 'whole-number', 'money', 'measure'].includes(this.type() ?? ''),
  );
  protected readonly dates = computed(() => {
    if (this.type() !== 'date' && this.type() !== 'date-time') return [];
    const { formats, nowInMs } = this.reading.context();
    const example = (form: DateForm): string => {
      if (form === '') return 'as in the field';
      return form === 'relative' ? `${formats.relativeDay(3)}, counted from today` : formats.dated(nowInMs, form);
    };
    return DATE_FORMS.map((form) => ({ form, label: example(form) }));
  });
  protected readonly units = computed(() => {
    const unit = this.type() === 'measure' ? this.written()?.settings.unit : undefined;
    return unit ? unitsLike(unit).map((code) => ({ code, symbol: unitSymbol(code) })) : [];
  });

  protected set(change: Partial<ValueInText>): void {
    this.changed.emit({ ...this.value(), ...change });
  }

  protected setUnit(code: string): void {
    this.set({ unit: code === '' ? null : (code as UnitCode) });
  }

  protected setDigits(text: string): void {
    this.set({ digits: text === '' ? null : Number(text) });
  }
}
