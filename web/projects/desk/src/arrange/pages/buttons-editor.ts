import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { PieceSettings } from '@plindo/core/design';
import { LEADING_TYPES } from '@plindo/core/design';
import type { Kind } from '@plindo/core/structure';

export type ButtonSetting = PieceSettings<'buttons'>['buttons'][number];

/** Buttons, each with its words and where it leads: to an address, or to one that the listing has. */
@Component({
  selector: 'pl-buttons-editor',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (button of buttons(); track $index; let at = $index) {
      <fieldset>
        <legend>Button {{ at + 1 }}</legend>
        <label>
          Words
          <input
            class="plain-input"
            maxlength="80"
            [value]="button.words"
            (input)="put(at, { words: $any($event.target).value })"
          />
        </label>
        @if (fields().length) {
          <label>
            Leads to
            <select class="plain-select" (change)="put(at, { field: $any($event.target).value })">
              <option value="" [selected]="button.field === ''">an address that is given here</option>
              @for (field of fields(); track field.key) {
                <option [value]="field.key" [selected]="button.field === field.key">{{ field.label }}</option>
              }
            </select>
          </label>
        }
        @if (button.field === '') {
          <label>
            Address
            <input
              class="plain-input"
              maxlength="2000"
              placeholder="/about or https://…"
              [value]="button.address"
              (input)="put(at, { address: $any($event.target).value })"
            />
          </label>
        }
        <button matButton type="button" (click)="remove(at)">Remove the button</button>
      </fieldset>
    }
    <button matButton type="button" (click)="add()">Add a button</button>
  `,
  styleUrl: '../design/settings.scss',
})
export class ButtonsEditor {
  readonly buttons = input.required<readonly ButtonSetting[]>();
  readonly kind = input.required<Kind | null>();
  readonly buttonsChange = output<readonly ButtonSetting[]>();

  protected readonly fields = computed(() =>
    (this.kind()?.fields ?? []).filter(({ type }) => LEADING_TYPES.includes(type)),
  );

  protected put(at: number, change: Partial<ButtonSetting>): void {
    this.buttonsChange.emit(this.buttons().map((one, other) => (other === at ? { ...one, ...change } : one)));
  }

  protected remove(at: number): void {
    this.buttonsChange.emit(this.buttons().filter((_, other) => other !== at));
  }

  protected add(): void {
    this.buttonsChange.emit([...this.buttons(), { words: 'Read more', address: '/', field: '' }]);
  }
}
