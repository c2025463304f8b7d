import { ChangeDetectionStrategy, Component, computed, effect, inject, input, output, signal } from '@angular/core';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { CatalogApi, FIRST_ASK, PausedQuestion } from '@plindo/api';
import { ComputedValues } from '@plindo/core/listings';
import type { Listing } from '@plindo/core/listings';
import type { Field } from '@plindo/core/structure';
import { EXPRESSION_FUNCTIONS, expressionNames, fieldType, readComputedFields } from '@plindo/core/structure';
import { Reading } from '../../shared/reading';

const TRIED_LISTINGS = 4;

/** The expression of a computed field, with its result on some listings while it is typed. */
@Component({
  selector: 'pl-expression-editor',
  imports: [MatFormFieldModule, MatInputModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field>
      <mat-label>Worked out as</mat-label>
      <textarea
        matInput
        rows="2"
        spellcheck="false"
        placeholder="price * 7"
        [value]="field().settings.expression ?? ''"
        (input)="expressionChange.emit($any($event.target).value)"
      ></textarea>
    </mat-form-field>
    @for (reason of reasons(); track reason) {
      <p class="problem" role="alert">{{ reason }}</p>
    }
    @if (kindId() !== null) {
      <input
        class="plain-input"
        type="search"
        aria-label="Try it on listings called"
        placeholder="Try it on listings called …"
        [value]="text()"
        (input)="text.set($any($event.target).value)"
      />
    }
    @if (results().length) {
      <table class="data-table" aria-label="Results on the chosen listings">
        @for (result of results(); track result.id) {
          <tr>
            <td>{{ result.title }}</td>
            <td>{{ result.text }}</td>
          </tr>
        }
      </table>
    }
    <details>
      <summary>What can be used</summary>
      <p><strong>Fields:</strong> {{ names().join(', ') || 'none yet' }}</p>
      <p><strong>Functions:</strong> {{ functions.join(', ') }}</p>
      <p><strong>Units:</strong> 3 ft, 6 inch, 12 kn … Conditions: <code>nights &gt;= 7 ? price * 0.9 : price</code></p>
    </details>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.5rem;
    }
    .problem {
      color: var(--pl-signal);
    }
    details {
      color: var(--pl-quiet);
      font-size: 0.875rem;
      overflow-wrap: anywhere;
    }
  `,
})
export class ExpressionEditor {
  readonly field = input.required<Field>();
  /** All fields of the kind, this one too. */
  readonly fields = input.required<readonly Field[]>();
  /** The kind's number; null for one that isn't kept yet and has no listings. */
  readonly kindId = input.required<number | null>();
  readonly expressionChange = output<string>();

  private readonly api = inject(CatalogApi);
  private readonly context = inject(Reading).context;
  /** Words of the listings that it is tried on. */
  protected readonly text = signal('');
  private readonly tried = signal<readonly Listing[]>([]);

  protected readonly functions = EXPRESSION_FUNCTIONS;
  protected readonly names = computed(() =>
    [...expressionNames(this.fields())].filter((name) => name !== this.field().key),
  );
  protected readonly reasons = computed(() => {
    if ((this.field().settings.expression ?? '').trim() === '') return [];
    return readComputedFields(this.fields()).reasons;
  });
  protected readonly results = computed(() => {
    if (this.reasons().length > 0) return [];
    const computedValues = new ComputedValues(this.fields());
    const { key, type } = this.field();
    return this.tried().map(({ id, title, values }) => {
      const { [key]: _, ...typed } = values;
      const found = computedValues.of(typed);
      const value = found.values[key];
      const isThere = fieldType(type).holds(value);
      const text = isThere ? fieldType(type).format(value, this.field(), this.context().formats) : '–';
      return { id, title, text: found.errors[key] ?? text };
    });
  });

  constructor() {
    const question = new PausedQuestion(
      ({ kindId, text }: { kindId: number; text: string }) =>
        this.api.listings(kindId, { ...FIRST_ASK, text, offset: 0, limit: TRIED_LISTINGS }),
      { next: ({ listings }) => this.tried.set(listings), error: () => this.tried.set([]) },
    );
    effect(() => {
      const [kindId, text] = [this.kindId(), this.text().trim()];
      if (kindId !== null) question.ask({ kindId, text });
    });
  }
}
