import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import type { Option } from '@plindo/core/design';
import { Icon } from '@plindo/listing-view';

/** Several of some options, in an order: those that are chosen, each to be taken out or moved up, and a list to add from. */
@Component({
  selector: 'pl-choices-control',
  imports: [Icon],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <fieldset>
      <legend>{{ label() }}</legend>
      <ul>
        @for (one of taken(); track one.key; let at = $index) {
          <li>
            <span>{{ one.label }}</span>
            @if (at > 0) {
              <button type="button" [attr.aria-label]="'Move ' + one.label + ' up'" (click)="raise(at)">
                <pl-icon name="arrow_upward" />
              </button>
            }
            <button type="button" [attr.aria-label]="'Remove ' + one.label" (click)="remove(at)">
              <pl-icon name="close" />
            </button>
          </li>
        }
      </ul>
      @if (others().length) {
        <select class="plain-select" #added [attr.aria-label]="'Add to: ' + label()" (change)="add(added)">
          <option value="" selected>Add …</option>
          @for (one of others(); track one.key) {
            <option [value]="one.key">{{ one.label }}</option>
          }
        </select>
      }
    </fieldset>
  `,
  styleUrl: './choices-control.scss',
})
export class ChoicesControl {
  readonly label = input.required<string>();
  readonly chosen = input.required<readonly string[]>();
  readonly options = input.required<readonly Option[]>();
  readonly chosenChange = output<readonly string[]>();

  protected readonly taken = computed(() =>
    this.chosen().map((key) => this.options().find((one) => one.key === key) ?? { key, label: `${key} (gone)` }),
  );
  protected readonly others = computed(() => this.options().filter(({ key }) => !this.chosen().includes(String(key))));

  protected add(list: HTMLSelectElement): void {
    const key = list.value;
    list.value = '';
    if (key !== '') this.chosenChange.emit([...this.chosen(), key]);
  }

  protected remove(at: number): void {
    this.chosenChange.emit(this.chosen().filter((_, other) => other !== at));
  }

  protected raise(at: number): void {
    const keys = [...this.chosen()];
    keys.splice(at - 1, 0, ...keys.splice(at, 1));
    this.chosenChange.emit(keys);
  }
}
