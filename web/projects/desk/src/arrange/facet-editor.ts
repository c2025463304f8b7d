import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatCheckboxModule } from '@angular/material/checkbox';
import type { Facet, Field } from '@plindo/core/structure';
import { Icon } from '@plindo/listing-view';

/** One facet that a kind has or could have, with its settings. */
@Component({
  selector: 'pl-facet-editor',
  imports: [Icon, MatCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="line">
      <mat-checkbox [checked]="!!facet()" (change)="toggled.emit($event.checked)">{{ field().label }}</mat-checkbox>
      @if (facet(); as own) {
        <button class="raise" [attr.aria-label]="'Move ' + own.label + ' up'" (click)="raised.emit(own)">
          <pl-icon name="arrow_upward" />
        </button>
      }
    </div>
    @if (facet(); as own) {
      <details>
        <summary>{{ sentence() }}</summary>
        <div class="settings">
          <label>
            Called
            <input
              class="plain-input"
              maxlength="80"
              [value]="own.label"
              (change)="rename(own, $any($event.target).value)"
            />
          </label>
          @if (own.control === 'ticks') {
            <label>
              A listing must have
              <select class="plain-select" (change)="changed.emit({ ...own, join: $any($event.target).value })">
                <option value="any" [selected]="own.join === 'any'">any of what is ticked</option>
                <option value="all" [selected]="own.join === 'all'">all of what is ticked</option>
              </select>
            </label>
            <label>
              In the order of
              <select class="plain-select" (change)="changed.emit({ ...own, valueOrder: $any($event.target).value })">
                <option value="count" [selected]="own.valueOrder === 'count'">their counts</option>
                <option value="label" [selected]="own.valueOrder === 'label'">their names</option>
                <option value="defined" [selected]="own.valueOrder === 'defined'">the field’s choices</option>
              </select>
            </label>
            <label>
              What nothing has is
              <select class="plain-select" (change)="changed.emit({ ...own, zero: $any($event.target).value })">
                <option value="dim" [selected]="own.zero === 'dim'">shown with 0</option>
                <option value="hide" [selected]="own.zero === 'hide'">left out</option>
              </select>
            </label>
          }
        </div>
      </details>
    }
  `,
  styles: `
    .line {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    .raise {
      display: inline-flex;
      padding: 0.5rem;
      border: 0;
      background: none;
      color: var(--pl-quiet);
      cursor: pointer;
    }
    details {
      margin-inline-start: 2.5rem;
      font-size: 0.9375rem;
    }
    summary {
      color: var(--pl-quiet);
      cursor: pointer;
    }
    .settings {
      display: grid;
      gap: 0.5rem;
      padding-block: 0.5rem;
    }
    label {
      display: grid;
      gap: 0.125rem;
    }
  `,
})
export class FacetEditor {
  readonly field = input.required<Field>();
  readonly facet = input<Facet>();
  readonly toggled = output<boolean>();
  readonly changed = output<Facet>();
  readonly raised = output<Facet>();

  protected readonly sentence = computed(() => {
    const facet = this.facet();
    if (facet?.control === 'range') return 'A range, with a chart';
    if (facet?.control === 'yes-no') return 'Yes or no';
    return facet?.join === 'all' ? 'Ticks; all of what is ticked' : 'Ticks; any of what is ticked';
  });

  protected rename(facet: Facet, label: string): void {
    if (label.trim() !== '' && label !== facet.label) this.changed.emit({ ...facet, label: label.trim() });
  }
}
