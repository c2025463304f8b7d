import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { BuiltInKey, Kind, OrderKey, OrderSubject } from '@plindo/core/structure';
import { BUILT_IN_FIELDS, columnOf } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';
import { directionsOf } from './order-words';

const OWN_PARTS: readonly BuiltInKey[] = [
  ...(['featured', 'handOrder', 'title', 'publishedAt', 'createdAt', 'changedAt', 'leavesAt', 'views'] as const),
];
const OWN_SUBJECTS: readonly (readonly [OrderSubject, string])[] = [
  ...OWN_PARTS.map((part) => [`@${part}`, BUILT_IN_FIELDS[part].label] as const),
  ['shuffled', 'Shuffled, the same all day'],
];

/** The keys of an order, one after the other, each with its direction and where what has no value goes. */
@Component({
  selector: 'pl-order-editor',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (key of order(); track $index; let at = $index) {
      <div class="key">
        <span>{{ at === 0 ? 'ordered by' : 'then' }}</span>
        <select
          class="plain-select"
          aria-label="What it is ordered by"
          (change)="setSubject(at, $any($event.target).value)"
        >
          @for (one of subjects(); track one[0]) {
            <option [value]="one[0]" [selected]="one[0] === key.by">{{ one[1] }}</option>
          }
        </select>
        @if (key.by !== 'shuffled') {
          <select
            class="plain-select"
            aria-label="Direction"
            (change)="put(at, { direction: $any($event.target).value })"
          >
            <option value="up" [selected]="key.direction === 'up'">
              {{ directions(key.by)[0] }}
            </option>
            <option value="down" [selected]="key.direction === 'down'">
              {{ directions(key.by)[1] }}
            </option>
          </select>
          @if (key.by !== '@featured' && key.by !== '@title') {
            <select
              class="plain-select"
              aria-label="Without a value"
              (change)="put(at, { missing: $any($event.target).value })"
            >
              <option value="last" [selected]="key.missing !== 'first'">without a value last</option>
              <option value="first" [selected]="key.missing === 'first'">without a value first</option>
            </select>
          }
        }
        @if (at > 0) {
          <button type="button" aria-label="Earlier" (click)="raise(at)"><pl-icon name="arrow_upward" /></button>
        }
        <button type="button" aria-label="Remove this step" (click)="remove(at)"><pl-icon name="close" /></button>
      </div>
    }
    <button type="button" class="add" (click)="add()"><pl-icon name="add" />Step of the order</button>
  `,
  styles: `
    :host {
      display: grid;
      gap: 0.375rem;
      justify-items: start;
    }
    .key {
      display: flex;
      flex-wrap: wrap;
      gap: 0.375rem;
      align-items: center;
    }
    .plain-select {
      max-inline-size: 13rem;
    }
    button {
      display: inline-flex;
      gap: 0.25rem;
      align-items: center;
      min-block-size: 2rem;
      padding: 0.25rem 0.375rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      font: inherit;
      cursor: pointer;
    }
    .add {
      color: var(--pl-accent);
    }
  `,
})
export class OrderEditor {
  readonly order = input.required<readonly OrderKey[]>();
  readonly kinds = input.required<readonly Kind[]>();
  readonly orderChange = output<readonly OrderKey[]>();

  protected readonly subjects = computed((): (readonly [OrderSubject, string])[] => {
    const fields = this.kinds()
      .flatMap((kind) => kind.fields)
      .filter((field) => columnOf(field) !== null);
    const byKey = new Map(fields.map((field) => [field.key, field.label]));
    return [...OWN_SUBJECTS, ...[...byKey].map(([key, label]) => [`field:${key}` as const, label] as const)];
  });

  /** The words for up and down. */
  protected directions(by: OrderSubject): readonly [string, string] {
    return directionsOf(by, this.kinds());
  }

  protected setSubject(at: number, by: OrderSubject): void {
    this.put(at, { by, direction: by === '@featured' ? 'down' : 'up' });
  }

  protected put(at: number, change: Partial<OrderKey>): void {
    this.orderChange.emit(this.order().map((key, index) => (index === at ? { ...key, ...change } : key)));
  }

  protected raise(at: number): void {
    const order = [...this.order()];
    order.splice(at - 1, 0, ...order.splice(at, 1));
    this.orderChange.emit(order);
  }

  protected remove(at: number): void {
    this.orderChange.emit(this.order().filter((_, index) => index !== at));
  }

  protected add(): void {
    this.orderChange.emit([...this.order(), { by: '@title', direction: 'up' }]);
  }
}
